import { BALANCE_OFF, type InverterReport } from "@/core/electrical";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import { inputWorking } from "@/wording/workings/field-workings";

/** Inputs side by side: power of each, of each string, and what a string should give now. */
export function InputTable({ report, expectedW }: { report: InverterReport; expectedW: number | null }) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">input</th>
          <th scope="col">W</th>
          <th scope="col">{say.wAString}</th>
          <th scope="col">expected now</th>
          <th scope="col">{say.ofTheMean}</th>
        </tr>
      </thead>
      <tbody>
        {report.inputs.map((input, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an input is its place on the inverter
          <tr key={k}>
            <td>{k + 1}</td>
            <Cells
              working={() => inputWorking(k, input, expectedW)}
              className={Math.abs(input.ofMeanFrac - 1) > BALANCE_OFF ? chapter.clay : undefined}
            >
              {[number(input.dcW), number(input.perStringW), expectedW === null ? "–" : number(expectedW), percent(input.ofMeanFrac, 0)]}
            </Cells>
          </tr>
        ))}
      </tbody>
    </RuledTable>
  );
}
