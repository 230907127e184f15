import { MODEL_ACCOUNTS } from "@/core/accounts";
import type { MomentPower } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { STAGE_NAMES } from "@/wording/accounts";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import type { Working } from "@/wording/workings/working";

const momentWorking = (moment: MomentPower, measured: boolean): Working => ({
  title: say.expectedAtThisMoment,
  value: number(moment.expectedW),
  unit: "W",
  formula: say.oneMinuteOfTheChainFrom,
  inputs: [
    {
      name: say.lightInThePlane,
      value: `${number(moment.planeWm2)} W/m²`,
      from: measured ? "typed" : say.cloudlessSkyIneichenPerez2002,
    },
    { name: "At nameplate", value: `${number(moment.referenceW)} W`, from: "nameplate × light ÷ 1000 W/m²" },
    ...MODEL_ACCOUNTS.filter((account) => Math.abs(moment.accountsW[account]) >= 0.5).map((account) => ({
      name: STAGE_NAMES[account],
      value: `${number(-moment.accountsW[account])} W`,
      from: "the chain",
    })),
  ],
  source: say.theChainOfTheYieldChapter,
  assumptions: [say.theInvertersArraysAloneAsThe],
});

/** Why it is not at nameplate: the waterfall of this moment. */
export function MomentTable({ moment, measured }: { moment: MomentPower; measured: boolean }) {
  const steps = MODEL_ACCOUNTS.filter((account) => Math.abs(moment.accountsW[account]) >= 0.5);
  return (
    <>
      <h2>{say.whyItIsNotAtNameplate}</h2>
      <ScrollBox label={say.fromNameplateToTheMeter}>
        <RuledTable className={chapter.table}>
          <tbody>
            <tr>
              <td>{say.wMInThePlane(measured ? say.lightThatWasRead : "cloudless sky", number(moment.planeWm2))}</td>
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
              <td>{say.expectedAtTheMeter}</td>
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
