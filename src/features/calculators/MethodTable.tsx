import type { TiltGoal, TiltPlan } from "@/core/tilt";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { number, percent } from "@/wording/format";
import { planWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";

interface Props {
  readonly plans: readonly TiltPlan[];
  readonly fixed: TiltPlan | undefined;
  readonly asIs: TiltPlan | undefined;
  readonly goal: TiltGoal;
  readonly positions: number;
  readonly year: string | null;
}

const METHODS: Readonly<Record<TiltPlan["method"], string>> = {
  "as-is": "as the rack is",
  latitude: "latitude",
  "latitude-15": "latitude ∓ 15",
  polynomial: "polynomial",
  simulated: "simulated here",
};
const HEADS: Readonly<Record<number, string>> = { 0: "", 1: "fixed", 2: "two positions", 4: "four positions", 12: "twelve positions" };

const tiltsOf = ({ steps }: TiltPlan): string =>
  steps.length === 0
    ? ""
    : steps.length > 4
      ? `${number(Math.min(...steps.map((s) => s.tiltDeg)))}° to ${number(Math.max(...steps.map((s) => s.tiltDeg)))}°`
      : steps.map((s) => `${number(s.tiltDeg)}°`).join(", ");

/** Schools of tilting side by side, all judged by the site's own year. */
export function MethodTable({ plans, fixed, asIs, goal, positions, year }: Props) {
  return (
    <ScrollBox label="Schools of tilting">
      <table className={`${chapter.table} ${styles.schools}`}>
        <caption>Schools side by side, judged by the simulation of {year ?? "a cloudless year"}</caption>
        <thead>
          <tr>
            <th scope="col">positions</th>
            <th scope="col">school</th>
            <th scope="col">tilts</th>
            <th scope="col">year, kWh</th>
            <th scope="col">to best fixed</th>
            <th scope="col">to as it is</th>
            <th scope="col">winter, kWh</th>
            <th scope="col">least, kWh/d</th>
          </tr>
        </thead>
        <tbody>
          {plans.map((plan, k) => (
            <tr
              key={`${plan.method} ${plan.positions}`}
              data-chosen={(plan.method === "simulated" && plan.positions === positions) || undefined}
            >
              <td>{plans[k - 1]?.positions === plan.positions ? "" : HEADS[plan.positions]}</td>
              <td>{METHODS[plan.method]}</td>
              <td>{tiltsOf(plan)}</td>
              <td>
                <Figure plain working={() => planWorking(plan, year, goal)}>
                  {number(plan.yearKwh)}
                </Figure>
              </td>
              <td>{gain(plan, fixed)}</td>
              <td>{gain(plan, asIs)}</td>
              <td>{number(plan.winterKwh)}</td>
              <td>{number(plan.leastKwhPerDay, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollBox>
  );
}

function gain(plan: TiltPlan, base: TiltPlan | undefined): string {
  if (!base || base === plan) return "–";
  const share = plan.yearKwh / base.yearKwh - 1;
  return `${share > 0 ? "+" : ""}${percent(share)}`;
}
