import { Button } from "@mantine/core";
import type { InstrumentTerms, SpotReading, SpotReport } from "@/core/electrical";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { judgedInWords, QUANTITY_NAMES, QUANTITY_UNITS, spotFigure } from "@/wording/electrical";
import { number } from "@/wording/format";
import { spotWorking } from "@/wording/workings/field-workings";
import type { Position } from "./spot-state";

interface TableProps {
  readonly rows: readonly {
    readonly position: Position;
    readonly reading: SpotReading | null;
    readonly report: SpotReport | null;
  }[];
  readonly terms: InstrumentTerms;
  readonly module: string;
  readonly onChoose: (k: number) => void;
}

/** All positions side by side: behind glass, out of the beam, outside. */
export function SpotTable({ rows, terms, module, onChoose }: TableProps) {
  return (
    <ScrollBox label="Readings">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">position</th>
            <th scope="col" style={{ textAlign: "left" }}>
              quantity
            </th>
            <th scope="col">read</th>
            <th scope="col">expected</th>
            <th scope="col">share</th>
          </tr>
        </thead>
        <tbody>
          {rows.flatMap(({ position, reading, report }, k) =>
            (report?.judged ?? []).map((judged, j) => (
              <tr key={`${position.name} ${judged.quantity}`} title={judgedInWords(judged)}>
                <td>
                  {j === 0 && (
                    <Button variant="subtle" size="compact-xs" onClick={() => onChoose(k)}>
                      {position.name}
                    </Button>
                  )}
                </td>
                <td style={{ textAlign: "left" }}>{QUANTITY_NAMES[judged.quantity]}</td>
                <td className={judged.verdict === "as-expected" ? "" : chapter.clay}>
                  {`${spotFigure(judged.quantity, judged.read)} ${QUANTITY_UNITS[judged.quantity]}`}
                </td>
                <td>
                  <Figure plain working={() => spotWorking(judged, reading!, report!, terms, module)}>
                    {`${spotFigure(judged.quantity, judged.expected)} ± ${spotFigure(judged.quantity, judged.plusMinus)}`}
                  </Figure>
                </td>
                <td>{`${number((judged.read / judged.expected) * 100)} %`}</td>
              </tr>
            )),
          )}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
