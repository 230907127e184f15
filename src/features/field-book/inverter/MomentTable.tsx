import { MODEL_ACCOUNTS, STAGE_NAMES } from "@/core/accounts";
import type { MomentPower } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import type { Working } from "@/wording/workings/working";

const momentWorking = (moment: MomentPower, measured: boolean): Working => ({
  title: "Expected at this moment",
  value: number(moment.expectedW),
  unit: "W",
  formula: "one minute of the chain, from the light in the plane to the meter",
  inputs: [
    {
      name: "Light in the plane",
      value: `${number(moment.planeWm2)} W/m²`,
      from: measured ? "typed" : "cloudless sky: Ineichen & Perez, 2002",
    },
    { name: "At nameplate", value: `${number(moment.referenceW)} W`, from: "nameplate × light ÷ 1000 W/m²" },
    ...MODEL_ACCOUNTS.filter((account) => Math.abs(moment.accountsW[account]) >= 0.5).map((account) => ({
      name: STAGE_NAMES[account],
      value: `${number(-moment.accountsW[account])} W`,
      from: "the chain",
    })),
  ],
  source: "The chain of the Yield chapter, on one minute.",
  assumptions: ["The inverter's arrays alone, as the book has them on this day; no snow and no downtime."],
});

/** Why it is not at nameplate: the waterfall of this moment. */
export function MomentTable({ moment, measured }: { moment: MomentPower; measured: boolean }) {
  const steps = MODEL_ACCOUNTS.filter((account) => Math.abs(moment.accountsW[account]) >= 0.5);
  return (
    <>
      <h2>Why it is not at nameplate</h2>
      <ScrollBox label="From nameplate to the meter">
        <RuledTable className={chapter.table}>
          <tbody>
            <tr>
              <td>{`${measured ? "light that was read" : "cloudless sky"}, ${number(moment.planeWm2)} W/m² in the plane`}</td>
              <td>{`${number(moment.referenceW)} W`}</td>
            </tr>
            {steps.map((account) => (
              <tr key={account}>
                <td>{STAGE_NAMES[account]}</td>
                <td>{`${number(-moment.accountsW[account])} W`}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <td>expected at the meter</td>
              <td>
                <Figure working={() => momentWorking(moment, measured)}>{`${number(moment.expectedW)} W`}</Figure>
              </td>
            </tr>
          </tfoot>
        </RuledTable>
      </ScrollBox>
    </>
  );
}
