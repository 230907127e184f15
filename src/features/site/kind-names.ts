import type { ObstacleKind } from "@/core/site";
import { say } from "@/wording/screens/site";

/** Obstacles in words. */
export const KIND_NAMES: Readonly<Record<ObstacleKind, string>> = {
  tree: "Tree",
  pole: "Pole",
  wall: "Wall",
  building: "Building",
  row: say.rowOfModules,
  box: "Box",
};
