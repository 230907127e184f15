import type { SiteDocument } from "@/contracts/site";

/** The benches of this edition. */
export const BENCH_VIEWS = [
  { id: "tilt", name: "Tilt planner" },
  { id: "rows", name: "Rows and snow" },
  { id: "ground", name: "Roof or ground" },
] as const;
export type BenchView = (typeof BENCH_VIEWS)[number]["id"];

export interface BenchProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  /** Year of the book's weather that is simulated; null: a cloudless year. */
  readonly year: string | null;
  /** When the page was asked for. */
  readonly nowUtcMs: number;
}
