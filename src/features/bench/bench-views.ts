/** The benches of this edition. */
export const BENCH_VIEWS = [
  { id: "tilt", name: "Tilt planner" },
  { id: "rows", name: "Rows and snow" },
  { id: "ground", name: "Roof or ground" },
] as const;
export type BenchView = (typeof BENCH_VIEWS)[number]["id"];
