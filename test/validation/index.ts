import { BENCH_CHECKS } from "./bench-checks";
import type { MethodCheck } from "./compare";
import { PLANT_CHECKS } from "./plant-checks";
import { SKY_CHECKS } from "./sky-checks";
import { YEAR_CHECKS } from "./year-checks";

export { type Comparison, type MethodCheck, shareOfAllowed } from "./compare";

/** Every method of the chain against the reference vectors, in the order of the chain. */
export const CHECKS: readonly MethodCheck[] = [...SKY_CHECKS, ...PLANT_CHECKS, ...YEAR_CHECKS, ...BENCH_CHECKS];
