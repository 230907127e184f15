import { nameplateW, siteAcRatedW } from "../site";
import { inverterGroups } from "../yield";
import type { TrialSide } from "./side";

/** Things in which two sides can differ. */
export const DIFFERING = [
  "module",
  "tilt",
  "azimuth",
  "mounting",
  "inverter",
  "per-module",
  "dc-ac-ratio",
  "strings",
  "obstacles",
  "place",
  "height",
  "shade-rule",
  "metering",
  "schedule",
] as const;
export type Differing = (typeof DIFFERING)[number];

/** One thing that is not alike on both sides, in the book's own figures. */
export interface SideDifference {
  readonly what: Differing;
  readonly a: string;
  readonly b: string;
}

/** Everything in the book that differs between two sides; what is not in the book can't be seen. */
export function whatDiffers(a: TrialSide, b: TrialSide): SideDifference[] {
  const [left, right] = [figuresOf(a), figuresOf(b)];
  return DIFFERING.flatMap((what) => (left[what] === right[what] ? [] : [{ what, a: left[what], b: right[what] }]));
}

const list = (values: readonly (string | number)[]): string => [...new Set(values.map(String))].sort().join(", ");

function figuresOf({ site, point }: TrialSide): Record<Differing, string> {
  const { arrays } = site;
  const groups = inverterGroups(site);
  const ratedW = siteAcRatedW(site);
  return {
    module: list(arrays.map(({ module }) => module)),
    tilt: list(arrays.map(({ tiltDeg }) => tiltDeg)),
    azimuth: list(arrays.map(({ azimuthDeg }) => azimuthDeg)),
    mounting: list(arrays.map(({ mounting }) => mounting)),
    inverter: list(groups.map(({ inverter }) => (inverter ? `${inverter.acRatedW} W, ${inverter.ratedEfficiencyFrac}` : "none"))),
    "per-module": list(groups.map(({ inverter }) => (inverter?.perModule ? "per-module" : "central"))),
    "dc-ac-ratio": ratedW > 0 ? (nameplateW(site) / ratedW).toFixed(2) : "none",
    strings: list(groups.flatMap((g) => g.arrays.map((array) => (g.inverter?.perModule ? 1 : (array.modulesPerString ?? array.count))))),
    obstacles: list(arrays.flatMap((array) => array.obstacles.map(({ name, kind }) => name || kind))),
    place: list(arrays.map(({ eastM, northM }) => (eastM === null || northM === null ? "" : `${eastM} ${northM}`))),
    height: list(arrays.map(({ baseHeightM }) => baseHeightM)),
    "shade-rule": list(arrays.map(({ shadeRule }) => shadeRule ?? "by-inverter")),
    metering: point,
    schedule: list(arrays.map(({ tiltSchedule }) => tiltSchedule.map(({ from, tiltDeg }) => `${from} ${tiltDeg}`).join(" "))),
  };
}
