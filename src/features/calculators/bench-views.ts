import type { SiteDocument } from "@/contracts/site";
import { say } from "@/wording/screens/calculators";

/** The benches of this edition. */
export const BENCH_VIEWS = [
  { id: "tilt", name: "Tilt planner" },
  { id: "rows", name: say.rowsAndSnow },
  { id: "ground", name: say.roofOrGround },
  { id: "mixed", name: "Mixed strings" },
  { id: "cable", name: say.stringsAndCable },
  { id: "modules", name: "Modules" },
  { id: "snow", name: say.snowAndDirt },
  { id: "loads", name: say.loadsAndBattery },
] as const;
export type BenchView = (typeof BENCH_VIEWS)[number]["id"];
/** Those that need the geometry engine. */
export const GEOMETRY_VIEWS: readonly BenchView[] = ["tilt", "ground"];

export interface BenchProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  /** Year of the book's weather that is simulated; null: a cloudless year. */
  readonly year: string | null;
  /** When the page was asked for. */
  readonly nowUtcMs: number;
}
