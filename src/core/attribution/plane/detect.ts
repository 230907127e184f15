import type { ModelAccount } from "../../accounts";
import { type Site, type SiteSegment, siteSegments } from "../../site";
import { quantileOf } from "../../statistics";
import { type PreparedWeather, runPrepared } from "../../yield";
import { type AttributionFrame, HEALTHY } from "../record/frame";
import { type ClearDays, clearDays } from "./clear-days";
import { BOOK, bootstrapPlane, fitPlane, knownOf, missOf, type Rows } from "./plane-fit";
import {
  EXPLAINED_FRAC,
  LEAST_AZIMUTH_OFFSET_DEG,
  LEAST_DAYS,
  LEAST_TILT_OFFSET_DEG,
  LEFT_FRAC,
  MODEL_AZIMUTH_DEG,
  MODEL_AZIMUTH_FRAC,
  MODEL_CLOCK_MIN,
  MODEL_TILT_DEG,
  MOST_LEFT_SHARE,
  OFF_CLOCK_MIN,
  STARTS_DEG,
  UNBLOCKED_FRAC,
} from "./thresholds";
import { type PlaneOffset, siteWithOffset } from "./turned-site";

/** A fitted value with the interval that holds it in 95 of 100 cases. */
export interface FittedAngle {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What the shape of clear days says of where the modules look. Turns are from the book: positive is clockwise, steeper, later. */
export interface OrientationEvidence {
  readonly azimuthOffsetDeg: FittedAngle;
  readonly tiltOffsetDeg: FittedAngle;
  readonly clockMinutes: FittedAngle;
  readonly days: number;
  readonly hours: number;
  /** Root mean square of what the curves of the days miss, as a share of their mean: as the book has it, and as fitted. */
  readonly bookMissFrac: number;
  readonly fittedMissFrac: number;
  /** The same of the days' levels against each other. */
  readonly bookLevelFrac: number;
  readonly fittedLevelFrac: number;
  /** What the book's plane must be turned and tilted by to have made these days; null where it can have made them as it is. */
  readonly planeOffset: PlaneOffset | null;
  /** The book as it stood in the fitted stretch. */
  readonly site: Site;
  /** Steps of the axis from which on the fitted stretch stands, and where it ends. */
  readonly from: number;
  readonly to: number;
}

/** Fits a common turn of all arrays, a change of tilt and a shift of the clock to the clear hours that no other cause holds. Null with too few clear days, or where no plane explains them. `near` is about what an earlier fit found. */
export function orientationEvidence(
  frame: AttributionFrame,
  spoilt: Uint8Array,
  ceilingKwh: number,
  near: PlaneOffset | null = null,
): OrientationEvidence | null {
  const segments = longestButForTilts(siteSegments(frame.site, frame.axis));
  if (segments.length === 0) return null;
  const segment = segments.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
  const picked = besideObstacles(segments, clearDays(frame, spoilt, ceilingKwh, segments));
  if (picked.days < LEAST_DAYS) return null;
  // A plane that lies flat is the same however it is turned, and each round of each fit asks for it.
  const flat = runWithOffset(segments, picked, { azimuthOffsetDeg: 0, tiltOffsetDeg: -90 });
  const run = (azimuthOffsetDeg: number, tiltOffsetDeg: number): Float64Array =>
    tiltOffsetDeg <= -90 ? flat : runWithOffset(segments, picked, { azimuthOffsetDeg: azimuthOffsetDeg, tiltOffsetDeg: tiltOffsetDeg });
  const book = run(0, 0);
  const starts = near ? [near.azimuthOffsetDeg] : STARTS_DEG;
  const start = starts
    .map((azimuthOffsetDeg) => ({
      azimuthOffsetDeg: azimuthOffsetDeg,
      miss: missOf(picked, azimuthOffsetDeg === 0 ? book : run(azimuthOffsetDeg, 0)),
    }))
    .reduce((a, b) => (b.miss < 0.8 * a.miss ? b : a));
  const open = fitPlane(
    picked,
    run,
    { planeOffset: start.azimuthOffsetDeg, steeper: 0, clock: 0, contrast: 0, bend: 0 },
    knownOf(true, true),
  );
  const isClockOff = Math.abs(open.fitted.clock) > OFF_CLOCK_MIN;
  const free = fitPlane(picked, run, open.fitted, knownOf(isClockOff, true));
  // The book's plane gets its own contrast, or a sky model's error would count against the plane.
  const { rows: bookRows } = fitPlane(picked, run, { planeOffset: 0, steeper: 0, clock: 0, contrast: 0, bend: 0 }, BOOK);
  const explains = (rows: Rows): boolean => wholeMiss(bookRows) ** 2 - wholeMiss(rows) ** 2 > EXPLAINED_FRAC ** 2;
  const tiltOffsetDeg = around(free.fitted.steeper, bootstrapPlane(free.rows, knownOf(isClockOff, true), picked.days)[1], MODEL_TILT_DEG);
  const isTilted = isBeyond(tiltOffsetDeg, LEAST_TILT_OFFSET_DEG) && explains(free.rows);
  const { fitted, rows } = isTilted ? free : fitPlane(picked, run, free.fitted, knownOf(isClockOff, false));
  // What else is wrong with the record bends its curves too: a plane that explains most of what the book's misses is told all the same.
  if (rows.missFrac > LEFT_FRAC && rows.missFrac ** 2 > MOST_LEFT_SHARE * bookRows.missFrac ** 2) return null;
  const [turns, , clocks] = bootstrapPlane(rows, knownOf(isClockOff, isTilted), picked.days);
  const turned = ((fitted.planeOffset + 540) % 360) - 180;
  const azimuthOffsetDeg = around(turned, turns, Math.hypot(MODEL_AZIMUTH_DEG, MODEL_AZIMUTH_FRAC * turned));
  const isTurned = isBeyond(azimuthOffsetDeg, LEAST_AZIMUTH_OFFSET_DEG) && explains(rows);
  return {
    azimuthOffsetDeg: azimuthOffsetDeg,
    tiltOffsetDeg: tiltOffsetDeg,
    clockMinutes: around(fitted.clock, clocks, MODEL_CLOCK_MIN),
    days: picked.days,
    hours: picked.use.reduce((sum, on) => sum + on, 0),
    bookMissFrac: bookRows.missFrac,
    fittedMissFrac: rows.missFrac,
    bookLevelFrac: bookRows.levels.missFrac,
    fittedLevelFrac: rows.levels.missFrac,
    planeOffset:
      isTurned || isTilted
        ? { azimuthOffsetDeg: isTurned ? azimuthOffsetDeg.value : 0, tiltOffsetDeg: isTilted ? tiltOffsetDeg.value : 0 }
        : null,
    site: segment.site,
    from: segments[0]!.from,
    to: segments.at(-1)!.to,
  };
}

/** Curves and levels together. */
const wholeMiss = ({ missFrac, levels }: Rows): number => Math.hypot(missFrac, levels.missFrac);

const isBeyond = ({ value, low, high }: FittedAngle, least: number): boolean => Math.abs(value) > least && (low > 0 || high < 0);

/** A value with the spread of its bootstrap samples, widened by what models bend it by. */
function around(value: number, draws: Float64Array, model: number): FittedAngle {
  const half = Math.hypot((quantileOf(draws, 0.975) - quantileOf(draws, 0.025)) / 2, model);
  return { value, low: value - half, high: value + half };
}

/** The longest time in which nothing changed but tilts: a rack that is turned in the year stays one plant. */
function longestButForTilts(segments: readonly SiteSegment[]): SiteSegment[] {
  const alike = new Map<string, SiteSegment[]>();
  for (const segment of segments) {
    const arrays = segment.site.arrays.map((array) => ({ ...array, tiltDeg: 0, tiltSchedule: [] }));
    const key = JSON.stringify({ ...segment.site, arrays });
    alike.set(key, [...(alike.get(key) ?? []), segment]);
  }
  const steps = (group: readonly SiteSegment[]): number => group.reduce((sum, { from, to }) => sum + to - from, 0);
  return [...alike.values()].reduce<SiteSegment[]>((a, b) => (steps(b) > steps(a) ? b : a), []);
}

const tiltsOf = ({ site }: SiteSegment): string => site.arrays.map(({ tiltDeg }) => tiltDeg).join();

/** Every day by the tilts that stood on it. */
function runWithOffset(
  segments: readonly SiteSegment[],
  { prepared, spanOf, dayOf }: ClearDays,
  planeOffset: PlaneOffset,
  without: readonly ModelAccount[] = [],
): Float64Array {
  const tilts = [...new Set(segments.map(tiltsOf))];
  const runs = tilts.map((own) => runStill(segments.find((segment) => tiltsOf(segment) === own)!.site, prepared, planeOffset, without));
  if (runs.length === 1) return runs[0]!;
  const runOf = segments.map((segment) => runs[tilts.indexOf(tiltsOf(segment))]!);
  return Float64Array.from(dayOf, (day, i) => runOf[spanOf[day]!]![i]!);
}

/** The clear days without the hours in which the book itself has something before the sun: how much of it passes is known to no degree. */
function besideObstacles(segments: readonly SiteSegment[], picked: ClearDays): ClearDays {
  const [first] = segments;
  const inSight = [first?.site, ...(first?.site.arrays ?? [])].some(
    (from) => (from?.obstacles.length ?? 0) + (from?.horizon?.length ?? 0) > 0,
  );
  if (!inSight) return picked;
  const still = { azimuthOffsetDeg: 0, tiltOffsetDeg: 0 };
  const [book, open] = [runWithOffset(segments, picked, still), runWithOffset(segments, picked, still, ["shading"])];
  return { ...picked, use: picked.use.map((on, i) => (book[i]! > UNBLOCKED_FRAC * open[i]! ? on : 0)) };
}

function runStill(site: Site, prepared: PreparedWeather, planeOffset: PlaneOffset, without: readonly ModelAccount[]): Float64Array {
  const turned = siteWithOffset({ ...site, revisions: [], commissioned: null }, planeOffset);
  const bins = { keys: ["2024-06"], binOf: new Uint16Array(prepared.weather.axis.count) };
  const still = { ...turned, arrays: turned.arrays.map((array) => ({ ...array, tiltSchedule: [] })) };
  return runPrepared(still, prepared, bins, { without: [...HEALTHY.without, ...without] }).expectedKwh;
}
