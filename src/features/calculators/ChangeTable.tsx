import { Button } from "@mantine/core";
import { writeTiltSteps } from "@/contracts/tilt-calendar";
import { legLengthM } from "@/core/geometry";
import type { Rack } from "@/core/site";
import { WASHED_FROM_DEG } from "@/core/soiling";
import { LATE_DAYS, type TiltPlan } from "@/core/tilt";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { dayName } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators";
import { lateWorking, legWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";

interface Props {
  /** Null: no book keeps it. */
  readonly slug: string | null;
  readonly arrayId: string;
  readonly plan: TiltPlan;
  readonly rack: Rack | null;
  readonly setRack: (rack: Rack | null) => void;
  readonly use: () => void;
}

/** Whether nothing is changed through the year. */
const isStill = ({ steps }: TiltPlan): boolean => steps.length <= 1;

const USUAL_RACK: Rack = { frameM: 1.6, baseM: 1.4 };

/** The changes of a plan: dates, tilts, the rack's leg for each, and what being late costs. */
export function ChangeTable({ slug, arrayId, plan, rack, setRack, use }: Props) {
  const existing = rack ?? USUAL_RACK;
  const set = (key: keyof Rack) => (value: number | string) =>
    typeof value === "number" && value > 0 && setRack({ ...existing, [key]: value });
  return (
    <>
      <DatesTable plan={plan} rack={rack} />
      <div className={styles.rack}>
        <NumberField
          size="xs"
          label={say.hingeToLegAlongTheFrame}
          decimalScale={3}
          value={rack?.frameM ?? ""}
          placeholder={String(USUAL_RACK.frameM)}
          onChange={set("frameM")}
        />
        <NumberField
          size="xs"
          label={say.hingeToLegsFootOnThe}
          decimalScale={3}
          value={rack?.baseM ?? ""}
          placeholder={String(USUAL_RACK.baseM)}
          onChange={set("baseM")}
        />
      </div>
      {slug !== null && (
        <div className={chapter.actions}>
          <Button onClick={use}>{isStill(plan) ? say.toUseThisTiltInTheBook : say.toUseTheseDatesInTheBook}</Button>
          {!isStill(plan) && (
            <a href={`/api/books/${slug}/tilt-calendar?array=${encodeURIComponent(arrayId)}&steps=${writeTiltSteps(plan.steps)}`} download>
              {say.calendarFileWithReminders}
            </a>
          )}
        </div>
      )}
      {plan.steps.some(({ tiltDeg }) => tiltDeg < WASHED_FROM_DEG) && <p className={chapter.caution}>{say.flatTiltsKeepDirt}</p>}
      <p className={chapter.caution}>{say.aRackWithModulesIsA}</p>
    </>
  );
}

interface DatesTableProps {
  readonly plan: TiltPlan;
  readonly rack: Rack | null;
}

function DatesTable({ plan, rack }: DatesTableProps) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">{isStill(plan) ? "all year" : "change on"}</th>
          <th scope="col">{say.tiltFromFlat}</th>
          <th scope="col">from upright</th>
          <th scope="col">leg, m</th>
          {plan.lateKwh.length > 0 && (
            <>
              <th scope="col">{say.aWeekLateKwh}</th>
              <th scope="col">four weeks</th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {plan.steps.map((step, k) => (
          <tr key={step.from}>
            <td>{isStill(plan) ? "fixed" : dayName(step.from)}</td>
            <td>{number(step.tiltDeg, 1)}°</td>
            <td>{number(90 - step.tiltDeg, 1)}°</td>
            <td>
              {rack ? (
                <Figure plain working={() => legWorking(rack, step.tiltDeg)}>
                  {number(legLengthM(rack, step.tiltDeg), 3)}
                </Figure>
              ) : (
                "–"
              )}
            </td>
            {plan.lateKwh[k] &&
              [0, LATE_DAYS.length - 1].map((late) => (
                <td key={late}>
                  <Figure plain working={() => lateWorking(step, plan.lateKwh[k]!)}>
                    {number(plan.lateKwh[k]![late]!, 1)}
                  </Figure>
                </td>
              ))}
          </tr>
        ))}
      </tbody>
    </RuledTable>
  );
}
