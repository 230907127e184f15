import { randomLcg, randomNormal } from "d3";
import type { TimeAxis } from "@/core/series";
import { arrayLayout, arrayPlace, type Site } from "@/core/site";
import { sunPosition } from "@/core/sun";
import { HOUR_MS, MINUTE_MS, radToDeg } from "@/core/units";

/** A module by where it lies: row 0 along the upper edge, column 0 at the left. */
export type At = readonly [row: number, column: number];

/** How single modules of one array really are. */
export interface ModulesTruth {
  readonly array: string;
  /** When their recorder ran, ISO instants, half-open. */
  readonly from: string;
  readonly to: string;
  /** Standard deviation of what sound modules give, share. */
  readonly toleranceFrac: number;
  /** Standard deviation of a single reading, share. */
  readonly noiseFrac: number;
  /** A tree from the array's middle, m, that stands in the way of single modules. */
  readonly tree?: { readonly eastM: number; readonly northM: number; readonly heightM: number; readonly widthM: number };
  /** One that gives less by itself, from an instant on. */
  readonly weak?: readonly { readonly at: At; readonly levelFrac: number; readonly from?: string }[];
  /** Electronics that give nothing for a while. */
  readonly silent?: readonly { readonly at: At; readonly from: string; readonly to: string }[];
  /** Readings that were lost on the way, while the module worked. */
  readonly unread?: readonly { readonly at: At; readonly from: string; readonly to: string }[];
  /** Dirt along the lower edge of some columns, a share a day, that a shower takes off. */
  readonly edge?: { readonly columns: readonly [from: number, to: number]; readonly perDayFrac: number; readonly mostFrac: number };
  /** Pairs whose names the recorder mixed up. */
  readonly swapped?: readonly (readonly [At, At])[];
}

/** What one module's recorder wrote. */
export interface RecordedModule {
  readonly id: string;
  readonly kwh: Float64Array;
  /** What it lost in the recorder's time by all that is wrong with it, kWh. */
  readonly lostKwh: number;
}

/** Direct light is this share of a clear sky's: what a tree takes away of it. */
const BEAM_SHARE = 0.8;

/** From one row of modules to the next, seen from above. */
const ROW_APART_M = 1.6;

/** Names of modules as their installer wrote them: A1 to A16 along the upper row, then B1. */
export const moduleName = ([row, column]: At): string => `${String.fromCharCode(65 + row)}${column + 1}`;

const showersAway = (rainMm: number): boolean => rainMm > 5;

/** Shares what an array gave among its modules as they are; missing outside the recorder's time. */
export function recordModules(
  site: Site,
  truth: ModulesTruth,
  { axis, arrayKwh, rainMm }: { readonly axis: TimeAxis; readonly arrayKwh: Float64Array; readonly rainMm: Float64Array | null },
  seed: number,
): RecordedModule[] {
  const array = site.arrays.find(({ id }) => id === truth.array);
  if (!array) throw new RangeError(`The site has no array ${truth.array}`);
  const { rows, columns } = arrayLayout(site, array);
  const places = Array.from({ length: rows * columns }, (_, k): At => [Math.floor(k / columns), k % columns]).slice(0, array.count);
  const random = randomNormal.source(randomLcg(seed))(1, truth.toleranceFrac);
  const weights = places.map(() => random());
  const noise = randomNormal.source(randomLcg(seed + 0.5))(1, truth.noiseFrac);
  const lost = losses(site, truth, places, axis, arrayKwh, rainMm);
  const [first, end] = [truth.from, truth.to].map((iso) =>
    Math.round((Date.parse(iso) - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS)),
  );
  const names = places.map(moduleName);
  for (const [a, b] of truth.swapped ?? []) {
    const [at, other] = [indexOf(places, a), indexOf(places, b)];
    [names[at], names[other]] = [names[other]!, names[at]!];
  }
  const kwh = names.map(() => new Float64Array(axis.count).fill(Number.NaN));
  const lostKwh = new Float64Array(places.length);
  const given = new Float64Array(places.length);
  for (let i = Math.max(0, first!); i < Math.min(axis.count, end!); i++) {
    if (Number.isNaN(arrayKwh[i]!)) continue;
    let whole = 0;
    for (let k = 0; k < given.length; k++) whole += given[k] = weights[k]! * (1 - lost(k, i));
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    for (let k = 0; k < given.length; k++) {
      const isUnread = (truth.unread ?? []).some(({ at, from, to }) => isAt(places[k]!, at) && isIn(utcMs, from, to));
      lostKwh[k] = lostKwh[k]! + (arrayKwh[i]! * (weights[k]! - given[k]!)) / whole;
      if (!isUnread) kwh[k]![i] = Math.round((1e6 * arrayKwh[i]! * given[k]! * noise()) / whole) / 1e6;
    }
  }
  return names.map((id, k) => ({ id, kwh: kwh[k]!, lostKwh: lostKwh[k]! }));
}

const isAt = ([row, column]: At, [otherRow, otherColumn]: At): boolean => row === otherRow && column === otherColumn;
const indexOf = (places: readonly At[], at: At): number => places.findIndex((place) => isAt(place, at));
const isIn = (utcMs: number, from: string, to: string): boolean => utcMs >= Date.parse(from) && utcMs < Date.parse(to);

/** Share that a module loses in a step, by its number. */
function losses(
  site: Site,
  { array, tree, weak = [], silent = [], edge }: ModulesTruth,
  places: readonly At[],
  axis: TimeAxis,
  arrayKwh: Float64Array,
  rainMm: Float64Array | null,
): (k: number, step: number) => number {
  const layout = arrayPlace(site, array);
  const lowest = layout.rows - 1;
  const best = clearOutput(axis, arrayKwh);
  const dirt = edge ? edgeDirt(axis, rainMm, edge) : null;
  const across = layout.widthM / layout.columns;
  // Modules are asked about one after the other for one step.
  let [step, sun] = [-1, null as Sun | null];
  const sunAt = (i: number): Sun => {
    if (i !== step || !sun) {
      const middleUtcMs = axis.startUtcMs + (i + 0.5) * axis.stepMinutes * MINUTE_MS;
      [step, sun] = [i, sunPosition(middleUtcMs, { ...site.place, pressurePa: 101_325, airTempC: 12 })];
    }
    return sun;
  };
  return (k, i) => {
    const at = places[k]!;
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    if (silent.some((one) => isAt(at, one.at) && isIn(utcMs, one.from, one.to))) return 1;
    let left = 1;
    for (const one of weak) if (isAt(at, one.at) && (!one.from || utcMs >= Date.parse(one.from))) left *= one.levelFrac;
    if (dirt && edge && at[0] === lowest && at[1] >= edge.columns[0] && at[1] <= edge.columns[1]) left *= 1 - dirt[i]!;
    if (tree && arrayKwh[i]! > 0) {
      const eastM = (at[1] + 0.5) * across - layout.widthM / 2;
      const northM = (lowest / 2 - at[0]) * ROW_APART_M;
      const clear = Math.min(1, arrayKwh[i]! / best[i]!);
      left *= 1 - BEAM_SHARE * clear * covered(sunAt(i), tree, eastM, northM);
    }
    return 1 - left;
  };
}

/** The most that the array gave at this time of day in the days around: what a clear sky brings. */
function clearOutput(axis: TimeAxis, kwh: Float64Array): Float64Array {
  const perDay = Math.round((24 * HOUR_MS) / (axis.stepMinutes * MINUTE_MS));
  return kwh.map((value, i) => {
    let most = value;
    for (let day = -10; day <= 10; day++) {
      const other = kwh[i + day * perDay] ?? 0;
      if (other > most) most = other;
    }
    return most;
  });
}

function edgeDirt(axis: TimeAxis, rainMm: Float64Array | null, { perDayFrac, mostFrac }: NonNullable<ModulesTruth["edge"]>): Float64Array {
  const perStep = (perDayFrac * axis.stepMinutes) / 1440;
  const perDay = Math.round(1440 / axis.stepMinutes);
  const out = new Float64Array(axis.count);
  let [dirt, rain] = [0, 0];
  for (let i = 0; i < out.length; i++) {
    rain = i % perDay === 0 ? 0 : rain + (rainMm?.[i] ?? 0);
    dirt = showersAway(rain) ? 0 : Math.min(mostFrac, dirt + perStep);
    out[i] = dirt;
  }
  return out;
}

type Sun = ReturnType<typeof sunPosition>;

/** Share of a module that a tree keeps the sun from. */
function covered(sun: Sun, tree: NonNullable<ModulesTruth["tree"]>, eastM: number, northM: number): number {
  const [east, north] = [tree.eastM - eastM, tree.northM - northM];
  const distanceM = Math.hypot(east, north);
  const topDeg = radToDeg(Math.atan2(tree.heightM, distanceM));
  const bearing = (radToDeg(Math.atan2(east, north)) + 360) % 360;
  const half = radToDeg(Math.atan2(tree.widthM / 2, distanceM));
  const off = Math.abs(((sun.azimuthDeg - bearing + 540) % 360) - 180);
  const height = 90 - sun.trueZenithDeg;
  // Soft edges: a crown is no board.
  const sideways = Math.max(0, Math.min(1, (half + 3 - off) / 6));
  const upwards = Math.max(0, Math.min(1, (topDeg + 2 - height) / 4));
  return sideways * upwards;
}
