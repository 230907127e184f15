import type { ObstacleKind } from "@/core/site";

/** Obstacles in words. */
export const KIND_NAMES: Readonly<Record<ObstacleKind, string>> = {
  tree: "Tree",
  pole: "Pole",
  wall: "Wall",
  building: "Building",
  row: "Row of modules",
  box: "Box",
};
