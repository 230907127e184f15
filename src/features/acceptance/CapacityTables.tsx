"use client";

import type { CapacityAnswer } from "@/contracts/acceptance";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { type Column, DataTable } from "@/features/kit/table/DataTable";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { filterNames } from "@/wording/acceptance";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/acceptance";
import { capacityWorking, filterWorking } from "@/wording/workings/acceptance-working";
import styles from "./Acceptance.module.css";

type Line = CapacityAnswer["filters"][number];

/** What each filter takes out, in its order. */
export function FilterTable({ report }: { readonly report: CapacityAnswer }) {
  const figure = (line: Line, value: number) => (
    <Figure plain name={`left-out/${line.filter}`} working={() => filterWorking(line)}>
      {number(value)}
    </Figure>
  );
  const columns: Column<Line>[] = [
    { key: "filter", head: say.filter, kind: "words", namesRow: true, cell: ({ filter }) => filterNames[filter] },
    { key: "out", head: say.takenOut, cell: (line) => (line.isTold ? figure(line, line.takenOut) : say.notTold) },
    { key: "alone", head: say.alone, cell: (line) => (line.isTold ? number(line.alone) : "–") },
    { key: "left", head: say.left, cell: ({ left }) => number(left) },
  ];
  return (
    <ScrollBox label={say.filters}>
      <DataTable
        className={`${chapter.table} ${styles.words}`}
        columns={columns}
        rows={report.filters}
        rowKey={({ filter }) => filter}
        fileName="capacity-filters"
        testId="capacity-filters"
      />
    </ScrollBox>
  );
}

const scientific = (value: number): string => value.toExponential(3);

/** Coefficients of both fits. */
export function FitTable({ report }: { readonly report: CapacityAnswer }) {
  const { metered, expected, hasWind } = report;
  if (!metered || !expected) return null;
  const sides = [metered, expected];
  return (
    <ScrollBox label={say.fit}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.coefficient}</th>
            <th scope="col">{say.meteredColumn}</th>
            <th scope="col">{say.expectedColumn}</th>
          </tr>
        </thead>
        <tbody>
          {[0, 1, 2, 3]
            .filter((k) => k < 3 || hasWind)
            .map((k) => (
              <tr key={k}>
                <td>{`a${k + 1}`}</td>
                {sides.map((fit, side) => (
                  <td key={side === 0 ? "metered" : "expected"}>{`${scientific(fit.coefficients[k]!)} ± ${scientific(fit.errors[k]!)}`}</td>
                ))}
              </tr>
            ))}
          <tr>
            <td>{say.scatter}</td>
            {sides.map((fit, side) => (
              <td key={side === 0 ? "metered" : "expected"}>{number(fit.residualKw, 2)}</td>
            ))}
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td>{say.capacityKw}</td>
            <Cells working={() => capacityWorking(report, "metered")}>{[number(metered.capacityKw, 2)]}</Cells>
            <Cells working={() => capacityWorking(report, "expected")}>{[number(expected.capacityKw, 2)]}</Cells>
          </tr>
        </tfoot>
      </RuledTable>
    </ScrollBox>
  );
}
