import type { SiteDocument } from "@/contracts/site";
import { say } from "@/wording/screens/calculators";
import type { BenchSun } from "./bench-sun";

/** The benches of this edition. */
export const BENCH_VIEWS = [
  { id: "costs", name: say.whatItCosts },
  { id: "tilt", name: "Tilt planner" },
  { id: "rows", name: say.rowsAndSnow },
  { id: "ground", name: say.roofOrGround },
  { id: "mixed", name: "Mixed strings" },
  { id: "cable", name: say.stringsAndCable },
  { id: "modules", name: "Modules" },
  { id: "snow", name: say.snowAndDirt },
  { id: "loads", name: say.loadsAndBattery },
  { id: "gear", name: say.gearsHeat },
  { id: "sides", name: say.twoSides },
] as const;
export type BenchView = (typeof BENCH_VIEWS)[number]["id"];
/** Those that need the geometry engine. */
export const GEOMETRY_VIEWS: readonly BenchView[] = ["tilt", "ground"];

export interface BenchProps {
  /** The book that the bench belongs to; null: none, and nothing is stored. */
  readonly slug: string | null;
  readonly version: number;
  readonly site: SiteDocument;
  readonly sun: BenchSun;
  /** When the page was asked for. */
  readonly nowUtcMs: number;
}
