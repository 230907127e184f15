import type { Site } from "../site";
import type { PreparedWeather } from "../yield";
import { type EnergyTable, energyTable, scheduleKwh, type TableProgress } from "./energy-table";
import { byMonth, isWinterHalf, leastMonthKwhPerDay, type TiltGoal } from "./goals";
import { lateCostKwh } from "./late";
import { methodSchedule, POSITIONS, type TiltMethod } from "./methods";
import { bestSchedule } from "./optimum";
import { type TiltStep, withoutStandstill } from "./schedule";

/** Days late for which the cost of a change is told. */
export const LATE_DAYS = [7, 14, 21, 28] as const;

/** A year of tilts: where it comes from, what it brings. */
export interface TiltPlan {
  readonly method: TiltMethod | "as-is" | "simulated";
  /** 0 for the rack as it is. */
  readonly positions: number;
  readonly steps: readonly TiltStep[];
  readonly yearKwh: number;
  readonly winterKwh: number;
  readonly leastKwhPerDay: number;
  readonly monthsKwh: readonly number[];
  /** Simulated plans: cost of each change made so many days late (LATE_DAYS), kWh. */
  readonly lateKwh: readonly (readonly number[])[];
}

/** The figure of a plan that a goal is about. */
export const planWorth = ({ yearKwh, winterKwh, leastKwhPerDay }: TiltPlan, goal: TiltGoal): number =>
  goal === "winter" ? winterKwh : goal === "flattest" ? leastKwhPerDay : yearKwh;

export interface PlannerReport {
  readonly goal: TiltGoal;
  readonly plans: readonly TiltPlan[];
  /** Days of the year for which there was weather. */
  readonly days: number;
}

const METHODS: readonly TiltMethod[] = ["latitude", "latitude-15", "polynomial"];
/** Share of the work that the runs of the chain are. */
const TABLE_SHARE = 0.8;

export const winterKwhOf = (monthsKwh: readonly number[], latitudeDeg: number): number =>
  monthsKwh.reduce((sum, kwh, m) => sum + (isWinterHalf(m, latitudeDeg) ? kwh : 0), 0);

function planOf(
  table: EnergyTable,
  latitudeDeg: number,
  what: Pick<TiltPlan, "method" | "positions" | "steps">,
  days: Float64Array,
): TiltPlan {
  const monthsKwh = byMonth(days);
  const steps = what.method === "simulated" ? withoutStandstill(what.steps) : what.steps;
  const tells = what.method === "simulated" && steps.length > 1;
  return {
    ...what,
    steps,
    monthsKwh,
    yearKwh: days.reduce((a, b) => a + b, 0),
    winterKwh: winterKwhOf(monthsKwh, latitudeDeg),
    leastKwhPerDay: leastMonthKwhPerDay(days),
    lateKwh: tells ? steps.map((_, k) => LATE_DAYS.map((late) => lateCostKwh(table, steps, k, late))) : [],
  };
}

/** Methods of tilting and the simulated best for every count of positions, all judged by one table. Null when `progress` ended it. */
export async function plannerReport(
  table: EnergyTable,
  site: Site,
  wish: { readonly goal: TiltGoal; readonly priceByMonth: readonly number[] | null },
  progress: TableProgress = () => true,
): Promise<PlannerReport | null> {
  const { latitudeDeg } = site.place;
  const judge = (method: TiltPlan["method"], positions: number, steps: readonly TiltStep[]): TiltPlan =>
    planOf(table, latitudeDeg, { method, positions, steps }, scheduleKwh(table, steps));
  const plans: TiltPlan[] = [planOf(table, latitudeDeg, { method: "as-is", positions: 0, steps: [] }, table.asIsKwh)];
  for (const [k, positions] of POSITIONS.entries()) {
    for (const method of METHODS) {
      const steps = methodSchedule(method, positions, latitudeDeg);
      if (steps) plans.push(judge(method, positions, steps));
    }
    plans.push(judge("simulated", positions, bestSchedule(table, { ...wish, positions, latitudeDeg })));
    if (!(await progress(TABLE_SHARE + ((k + 1) / POSITIONS.length) * (1 - TABLE_SHARE)))) return null;
  }
  return { goal: wish.goal, plans, days: table.days };
}

/** The planner from a weather series: the table of the site's year at every tilt, then all plans. */
export async function planTilts(
  site: Site,
  prepared: PreparedWeather,
  wish: { readonly arrayId: string; readonly goal: TiltGoal; readonly priceByMonth: readonly number[] | null },
  progress: TableProgress = () => true,
): Promise<PlannerReport | null> {
  const table = await energyTable(site, prepared, wish.arrayId, (done) => progress(done * TABLE_SHARE));
  return table && plannerReport(table, site, wish, progress);
}
