export { buildSeeds, JUDGES_FROM, judgeSeeds, kindOf } from "./kinds";
export { writeStandIn } from "./write";
