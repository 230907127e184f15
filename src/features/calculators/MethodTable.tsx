import { planWorth, type TiltGoal, type TiltPlan } from "@/core/tilt";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { DataTable } from "@/features/kit/table/DataTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import { planWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";
import type { BenchSun } from "./bench-sun";

interface Props {
  readonly plans: readonly TiltPlan[];
  readonly fixed: TiltPlan | undefined;
  readonly asIs: TiltPlan | undefined;
  readonly goal: TiltGoal;
  readonly positions: number;
  readonly sun: BenchSun;
}

const METHODS: Readonly<Record<TiltPlan["method"], string>> = {
  "as-is": say.asTheRackIs,
  latitude: "latitude",
  "latitude-15": "latitude ∓ 15",
  polynomial: "polynomial",
  simulated: "simulated here",
};
const HEADS: Readonly<Record<number, string>> = { 0: "", 1: "fixed", 2: "two positions", 4: "four positions", 12: "twelve positions" };

/** Which of the figures is compared. */
const MEASURED: Readonly<Record<TiltGoal, string>> = {
  energy: say.measuredYear,
  money: say.measuredYear,
  winter: say.measuredWinter,
  flattest: say.measuredLeast,
};

const tiltsOf = ({ steps }: TiltPlan): string =>
  steps.length === 0
    ? ""
    : steps.length > 4
      ? `${number(Math.min(...steps.map((s) => s.tiltDeg)))}° to ${number(Math.max(...steps.map((s) => s.tiltDeg)))}°`
      : steps.map((s) => `${number(s.tiltDeg)}°`).join(", ");

/** Methods of tilting side by side, all judged by the site's own year. */
export function MethodTable({ plans, fixed, asIs, goal, positions, sun }: Props) {
  return (
    <ScrollBox label={say.methodsOfTilting}>
      <DataTable
        className={`${chapter.table} ${styles.methods}`}
        rows={plans}
        rowKey={(plan) => `${plan.method} ${plan.positions}`}
        rowProps={(plan) => ({ "data-chosen": (plan.method === "simulated" && plan.positions === positions) || undefined })}
        caption={say.methodsSideBySideJudgedBy(sun.name)}
        columns={[
          {
            key: "positions",
            head: "positions",
            cell: (plan, k) => (plans[k - 1]?.positions === plan.positions ? "" : HEADS[plan.positions]),
          },
          { key: "method", head: "method", cell: (plan) => METHODS[plan.method] },
          { key: "tilts", head: "tilts", cell: (plan) => tiltsOf(plan) },
          {
            key: "year-kwh",
            head: "year, kWh",
            cell: (plan) => (
              <>
                <Figure plain working={() => planWorking(plan, sun, goal)}>
                  {number(plan.yearKwh)}
                </Figure>
              </>
            ),
          },
          { key: "to-best-fixed", head: say.toBestFixed(MEASURED[goal]), cell: (plan) => gain(plan, fixed, goal) },
          { key: "to-as-it-is", head: say.toAsItIs(MEASURED[goal]), cell: (plan) => gain(plan, asIs, goal) },
          { key: "winter-kwh", head: "winter, kWh", cell: (plan) => number(plan.winterKwh) },
          { key: "least-kwh-d", head: "least, kWh/d", cell: (plan) => number(plan.leastKwhPerDay, 1) },
        ]}
      />
    </ScrollBox>
  );
}

/** A plan against another by what is sought, which the sentence above speaks of too. */
function gain(plan: TiltPlan, base: TiltPlan | undefined, goal: TiltGoal): string {
  if (!base || base === plan) return "–";
  const share = planWorth(plan, goal) / planWorth(base, goal) - 1;
  return `${share > 0 ? "+" : ""}${percent(share)}`;
}
