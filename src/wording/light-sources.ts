import type { LightSource } from "@/core/site";
import { catalogue } from "./catalogue";

/** Where a book's light comes from, in words. */
export const LIGHT_NAMES: Readonly<Record<LightSource, string>> = catalogue({
  "station-a": "station, class A",
  "reference-cell": "reference cell",
  "station-b": "station, class B",
  "station-c": "station, class C",
  satellite: "satellite",
  neighbour: "a neighbour's station",
  reanalysis: "reanalysis of a weather model",
  unknown: "not named: taken as class B",
});
