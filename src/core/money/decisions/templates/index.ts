import type { CaseTemplate } from "../template";
import { addModules, largerInverter, moduleInverters, whichModule } from "./hardware";
import { newRoof } from "./new-roof";
import { roofOrRack, tiltPositions, turnIt } from "./racks";
import { cleaningPlan, snowClearing, tree } from "./upkeep";

/** The decisions that owners face, in the order in which they ask them. */
export const CASE_TEMPLATES: readonly CaseTemplate[] = [
  cleaningPlan,
  newRoof,
  tree,
  snowClearing,
  turnIt,
  tiltPositions,
  roofOrRack,
  largerInverter,
  moduleInverters,
  whichModule,
  addModules,
];
