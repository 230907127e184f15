import type { ShadeRule } from "@/core/site";
import type { TiltGoal, TiltStep } from "@/core/tilt";

/** What stands on the sun's way, and the energy at the meter that would come back without it: kWh by month, January first. */
export interface ObstacleCost {
  readonly id: string;
  readonly monthsKwh: readonly number[];
}

/** Shade of a site over the year of the loaded weather. */
export interface ShadeReport {
  readonly expectedKwh: readonly number[];
  /** At the meter without any obstacle or horizon. */
  readonly openKwh: readonly number[];
  /** The account of the ledger: energy at nameplate efficiency before shading less after it. */
  readonly accountKwh: readonly number[];
  /** At the meter under each rule, whole year. */
  readonly byRule: readonly { readonly rule: ShadeRule; readonly lostKwh: number }[];
  /** Obstacles one by one; "horizon" is all of the horizon lines. */
  readonly costs: readonly ObstacleCost[];
}

/** What a revision is worth: the year with it, from its first to its last day, against the year without. */
export interface RevisionEffect {
  readonly beforeKwh: number;
  readonly afterKwh: number;
}

/** A year of tilts: where it comes from, what it brings. */
export interface TiltPlan {
  readonly school: "as-is" | "latitude" | "latitude-15" | "polynomial" | "simulated";
  readonly positions: number;
  readonly steps: readonly TiltStep[];
  readonly yearKwh: number;
  readonly winterKwh: number;
  readonly leastKwhPerDay: number;
  readonly monthsKwh: readonly number[];
  /** Simulated plans: cost of each change made a week, two, three and four weeks late, kWh. */
  readonly lateKwh: readonly (readonly number[])[];
}

export interface PlannerReport {
  readonly goal: TiltGoal;
  readonly plans: readonly TiltPlan[];
  /** Days of the year for which there was weather. */
  readonly days: number;
}

/** The year of one way to place the modules. */
export interface PlaneYear {
  readonly yearKwh: number;
  readonly winterKwh: number;
  readonly monthsKwh: readonly number[];
}
