import type { SiteDocument } from "@/contracts/site";

/** The benches of this edition. */
export const BENCH_VIEWS = [
  { id: "tilt", name: "Tilt planner" },
  { id: "rows", name: "Rows and snow" },
  { id: "ground", name: "Roof or ground" },
  { id: "mixed", name: "Mixed strings" },
  { id: "cable", name: "Strings and cable" },
  { id: "modules", name: "Modules" },
  { id: "snow", name: "Snow and dirt" },
  { id: "loads", name: "Loads and battery" },
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
