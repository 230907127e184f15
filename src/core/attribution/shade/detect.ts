import { medianOf } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { AttributionFrame } from "../record/frame";
import type { ShadedField, SkyField } from "./field";
import { type ClearHour, shadeOnset } from "./onset";
import { skyTakenFrac } from "./sky-taken";
import {
  CLEAR,
  CORE_FRAC,
  DIM_LOAD,
  EDGE_FRAC,
  FIELD_AZIMUTH_DEG,
  FIELD_ELEVATION_DEG,
  LEAST_EDGE_HOURS,
  LEAST_FIELDS,
  LEAST_HOURS,
  LEAST_LOST_FRAC,
  LEAST_YEAR_HOURS,
  LOW_UP,
  OVERCAST,
  OVERCAST_MORE,
  PARTLY_FRAC,
  ROUGH_SCATTER_FRAC,
  ROUGH_SHADED_FRAC,
  ROUGH_TIMES,
  SHADED_FRAC,
} from "./thresholds";

export type { ShadedField, SkyField } from "./field";

export interface ShadeEvidence {
  readonly fields: readonly SkyField[];
  /** Share of power lost on every step. */
  readonly lostFrac: Float64Array;
  readonly isSeen: boolean;
  /** Step from which on it stands; zero where it stood all along. */
  readonly from: number;
}

/**
 * Ratio of metered to owed by where the sun stood. `expectedKwh` is what the plant owes with all causes before this one put in.
 * Shade comes back at the same places of the sky, takes the beam, and leaves overcast hours alone.
 */
export function shadeEvidence(frame: AttributionFrame, expectedKwh: Float64Array, spoilt: Uint8Array): ShadeEvidence {
  const { axis, sun, read, lit, clearness, meteredKwh, ratedKwh } = frame;
  const hoursOf = new Map<number, ClearHour[]>();
  const overcast = new Map<number, number[]>();
  const fieldOf = new Int32Array(axis.count).fill(-1);
  for (let i = 0; i < axis.count; i++) {
    if (!(sun.up[i]! > LOW_UP) || !(expectedKwh[i]! > DIM_LOAD * ratedKwh)) continue;
    const field = fieldAt(frame, i);
    fieldOf[i] = field;
    if (read[i] === 0 || lit[i] === 0 || spoilt[i] === 1) continue;
    const ratio = meteredKwh[i]! / expectedKwh[i]!;
    const year = frame.days.keys[frame.days.binOf[i]!]!.slice(0, 4);
    if (clearness[i]! > CLEAR) added(hoursOf, field, { step: i, ratio, year });
    else if (clearness[i]! < OVERCAST) added(overcast, field, ratio);
  }
  const all = ratiosOf(hoursOf, 0);
  const rough = isRough(all);
  const whole = shadedFields({ clear: all, hoursOf, overcast, rough, from: 0 });
  // What stood all along needs no beginning: only where nothing did is one sought.
  const from = whole.size > 0 || rough ? 0 : shadeOnset(hoursOf, axis.count);
  const clear = from > 0 ? ratiosOf(hoursOf, from) : all;
  const shaded = from > 0 ? shadedFields({ clear, hoursOf, overcast, rough, from }) : whole;
  const lostFrac = new Float64Array(axis.count);
  const skyTaken = skyTakenFrac(frame.site, [...shaded].map(fieldOfNumber));
  let [lost, due] = [0, 0];
  for (let i = from; i < axis.count; i++) {
    const kwh = expectedKwh[i]!;
    if (!(kwh > 0)) continue;
    due += kwh;
    lostFrac[i] = takenFrac(clearness[i]!, shaded.get(fieldOf[i]!), skyTaken);
    lost += lostFrac[i]! * kwh;
  }
  const isSeen = lost > LEAST_LOST_FRAC * due;
  if (!isSeen) lostFrac.fill(0);
  const fields = [...clear]
    .filter(([, ratios]) => ratios.length >= 3)
    .map(([field, ratios]) => ({
      ...fieldOfNumber([field, medianOf(ratios)]),
      hours: ratios.length,
      isShaded: isSeen && shaded.has(field),
    }));
  return { fields, lostFrac, isSeen, from: isSeen ? from : 0 };
}

function added<K, T>(lists: Map<K, T[]>, key: K, value: T): void {
  const own = lists.get(key);
  if (own) own.push(value);
  else lists.set(key, [value]);
}

/** Ratios of the clear hours of each field from a step on. */
const ratiosOf = (hoursOf: ReadonlyMap<number, readonly ClearHour[]>, from: number): Map<number, number[]> =>
  new Map(
    [...hoursOf]
      .map(([field, hours]) => [field, hours.filter(({ step }) => step >= from).map(({ ratio }) => ratio)] as [number, number[]])
      .filter(([, ratios]) => ratios.length > 0),
  );

interface SkyHours {
  readonly clear: ReadonlyMap<number, readonly number[]>;
  readonly hoursOf: ReadonlyMap<number, readonly ClearHour[]>;
  readonly overcast: ReadonlyMap<number, readonly number[]>;
  readonly rough: boolean;
  readonly from: number;
}

/** Fields that are shaded from a step on, with their edges, and what the plant gives in them. */
function shadedFields({ clear, hoursOf, overcast, rough, from }: SkyHours): Map<number, number> {
  const [leastHours, shadedFrac] = rough ? [ROUGH_TIMES * LEAST_HOURS, ROUGH_SHADED_FRAC] : [LEAST_HOURS, SHADED_FRAC];
  const low = new Map<number, number>();
  const edge = new Map<number, number>();
  for (const [field, ratios] of clear) {
    const ratio = medianOf(ratios);
    const dim = medianOf(overcast.get(field) ?? []);
    const isBeam = (more: number): boolean => Number.isNaN(dim) || dim > ratio + more;
    const returns = comesEachYear(hoursOf.get(field)!.filter(({ step }) => step >= from));
    if (ratios.length >= leastHours && ratio < shadedFrac && returns && isBeam(OVERCAST_MORE)) low.set(field, ratio);
    else if (!rough && ratios.length >= LEAST_EDGE_HOURS && ratio < EDGE_FRAC && isBeam(0)) edge.set(field, ratio);
  }
  return withEdges(new Map([...low].filter(([field]) => isObstacle(clusterOf(field, low), low))), edge);
}

/** What stands before an array stands there each year: in every year that tells of a field it is low. */
function comesEachYear(hours: readonly ClearHour[]): boolean {
  const years = new Map<string, number[]>();
  for (const { year, ratio } of hours) added(years, year, ratio);
  return [...years.values()].every((own) => own.length < LEAST_YEAR_HOURS || medianOf(own) < EDGE_FRAC);
}

/**
 * Whether the light of clear hours scatters about the plant's output by more than any station's does: clouds seen from above. Hours that such light takes for
 * clear are those that it read too bright, so that every field looks low.
 */
function isRough(clear: ReadonlyMap<number, readonly number[]>): boolean {
  const off: number[] = [];
  for (const ratios of clear.values()) {
    if (ratios.length < LEAST_HOURS) continue;
    const usual = medianOf(ratios);
    for (const ratio of ratios) off.push(Math.abs(ratio / usual - 1));
  }
  return MAD_TO_DEVIATION * medianOf(off) > ROUGH_SCATTER_FRAC;
}

/** Number of the field in which the sun stands. */
function fieldAt({ sun }: AttributionFrame, i: number): number {
  const azimuth = (Math.atan2(sun.east[i]!, sun.north[i]!) * 180) / Math.PI;
  const elevation = (Math.asin(sun.up[i]!) * 180) / Math.PI;
  return Math.floor((azimuth < 0 ? azimuth + 360 : azimuth) / FIELD_AZIMUTH_DEG) * 100 + Math.floor(elevation / FIELD_ELEVATION_DEG);
}

const beamFrac = (clearness: number): number => Math.max(0, Math.min(1, (clearness - 0.3) / 0.5));

/** Share of power that an obstacle takes: of the beam where the sun stands behind it (`ratio` is what is left of a clear hour), of the sky's light at any time. */
const takenFrac = (clearness: number, ratio: number | undefined, skyTaken: number): number => {
  const beam = beamFrac(clearness);
  return (ratio === undefined ? 0 : (1 - ratio) * beam) + skyTaken * (1 - beam);
};

/** Share of power lost on every step to fields that are known to be shaded. */
export function shadeOf(frame: AttributionFrame, expectedKwh: Float64Array, fields: readonly ShadedField[]): Float64Array {
  const { axis, sun, clearness, ratedKwh } = frame;
  const shaded = new Map(fields.map((field) => [numberOf(field), field.ratio]));
  const lostFrac = new Float64Array(axis.count);
  if (shaded.size === 0) return lostFrac;
  const skyTaken = skyTakenFrac(frame.site, fields);
  for (let i = 0; i < axis.count; i++) {
    if (!(expectedKwh[i]! > 0)) continue;
    const isTold = sun.up[i]! > LOW_UP && expectedKwh[i]! > DIM_LOAD * ratedKwh;
    lostFrac[i] = takenFrac(clearness[i]!, isTold ? shaded.get(fieldAt(frame, i)) : undefined, skyTaken);
  }
  return lostFrac;
}

/** 1 on every step with the sun in a shaded field, or beside one in a field that is partly shaded. */
export function touchedByShade(
  frame: AttributionFrame,
  fields: readonly (ShadedField & Pick<SkyField, "isShaded">)[],
  from = 0,
): Uint8Array {
  const touched = new Uint8Array(frame.axis.count);
  const shaded = fields.filter(({ isShaded }) => isShaded).map(numberOf);
  if (shaded.length === 0) return touched;
  const beside = new Set(shaded.flatMap(neighbours));
  const partly = fields.filter((field) => field.ratio < PARTLY_FRAC && beside.has(numberOf(field))).map(numberOf);
  const about = new Set([...shaded, ...partly]);
  for (let i = from; i < touched.length; i++) if (frame.sun.up[i]! > 0 && about.has(fieldAt(frame, i))) touched[i] = 1;
  return touched;
}

const fieldOfNumber = ([field, ratio]: readonly [number, number]): ShadedField => ({
  azimuthDeg: (Math.floor(field / 100) + 0.5) * FIELD_AZIMUTH_DEG,
  elevationDeg: ((field % 100) + 0.5) * FIELD_ELEVATION_DEG,
  ratio,
});

const numberOf = ({ azimuthDeg, elevationDeg }: Pick<SkyField, "azimuthDeg" | "elevationDeg">): number =>
  Math.floor(azimuthDeg / FIELD_AZIMUTH_DEG) * 100 + Math.floor(elevationDeg / FIELD_ELEVATION_DEG);

/** Shaded fields with the edges that touch them, and those that touch these. */
function withEdges(shaded: ReadonlyMap<number, number>, edge: ReadonlyMap<number, number>): Map<number, number> {
  const out = new Map(shaded);
  for (const [field] of out)
    for (const near of neighbours(field)) {
      const ratio = edge.get(near);
      if (ratio !== undefined) out.set(near, ratio);
    }
  return out;
}

/** Fields that touch one another, this one among them. */
function clusterOf(field: number, low: ReadonlyMap<number, number>): ReadonlySet<number> {
  const seen = new Set([field]);
  for (const next of seen) for (const near of neighbours(next)) if (low.has(near)) seen.add(near);
  return seen;
}

/** An obstacle is no speck, and takes most of the beam in its midst: a sky model that is off about a low sun does not. */
const isObstacle = (cluster: ReadonlySet<number>, low: ReadonlyMap<number, number>): boolean =>
  cluster.size >= LEAST_FIELDS && [...cluster].some((field) => low.get(field)! < CORE_FRAC);

const neighbours = (field: number): number[] => [field - 100, field + 100, field - 1, field + 1];

/** Where no shade can be told. */
export const noShade = (count: number): ShadeEvidence => ({ fields: [], lostFrac: new Float64Array(count), isSeen: false, from: 0 });
