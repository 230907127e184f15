import { fateOf } from "./fate";

export { buildSeeds, JUDGES_FROM, judgeSeeds, kindOf } from "./kinds";
export { writeStandIn } from "./write";

/** Years of a stand-in's record. */
export const yearsOf = (seed: number): number => fateOf(seed).days / 365.25;
