import { fillHorizontal, fillPlane, planeOf } from "../irradiance";
import { iamAt, planeReflection } from "../module";
import { isOnePlane, type LightPlane, lightPlaneOf, type Site, siteSegments } from "../site";
import { pressurePa, type SunOver, sunOver } from "../sun";
import type { CalendarBins } from "../time";
import type { Weather } from "../weather";
import { BLOCK, newBlock } from "./block";
import { yieldSpans } from "./spans";

/** Clearnesses that are tried, from none to the glint of clouds around a free sun, and how often the place between two is drawn closer. */
const CLEARNESS_STEP = 0.1;
const MOST_CLEARNESS = 1.4;
const CLOSER = 5;

const block = newBlock();
const modelled = new Float64Array(BLOCK);
const scratch = {
  before: new Float64Array(BLOCK),
  low: new Float64Array(BLOCK),
  high: new Float64Array(BLOCK),
  crossings: new Uint8Array(BLOCK),
  lowest: new Float64Array(BLOCK),
};

/**
 * Light on the level, W/m2, that makes a sensor of a plane of its own read what it read, under the book's own sky: then every plane has its light from it. Where
 * the level was measured that stands. Where two skies would read alike (a sensor turned from the sun sees a dull sky and a clear one as bright) nothing is told, and
 * the gap is filled and marked as any other. A sensor that lies with the modules is left as it is.
 * Source: Marion, 2015, A model for deriving the direct normal and diffuse horizontal irradiance from the global tilted irradiance; here with the sky model of the
 * book, and every clearness tried.
 */
export function levelLight(site: Site, weather: Weather, bins: CalendarBins): Weather {
  const { poaWm2, ghiWm2, axis } = weather;
  if (!poaWm2 || siteSegments(site, axis).every((segment) => liesWithModules(segment.site))) return weather;
  const level = ghiWm2?.slice() ?? new Float64Array(axis.count).fill(Number.NaN);
  const sun = sunOver(axis, site.place);
  for (const span of yieldSpans(site, axis, bins)) {
    const reading = readingOf(span.site, span.month);
    for (let from = span.from; from < span.to; from += BLOCK)
      levelBlock(weather, level, sun, { from, to: Math.min(from + BLOCK, span.to) }, reading);
  }
  return { ...weather, ghiWm2: level, poaWm2: null };
}

/** Whether a sensor sees what all modules see: it has no plane of its own, and they look one way. */
const liesWithModules = (site: Site): boolean => site.lightPlane === null && isOnePlane(site);

/** What a sensor reads of a block of skies, in `modelled`. */
type Reading = (count: number) => void;

function readingOf(site: Site, month: number): Reading {
  const { tiltDeg, azimuthDeg }: LightPlane = lightPlaneOf(site);
  const plane = planeOf(tiltDeg, azimuthDeg);
  const glass = site.lightSource === "reference-cell" ? planeReflection(site.models.reflection, tiltDeg) : null;
  const pressureFrac = pressurePa(site.place.elevationM) / 101_325;
  const { decomposition, transposition } = site.models;
  const albedo = site.albedoMonthly?.[month] ?? site.albedo;
  return (count) => {
    block.dniWm2.fill(Number.NaN, 0, count);
    block.dhiWm2.fill(Number.NaN, 0, count);
    block.albedo.fill(albedo, 0, count);
    fillHorizontal(block, block, decomposition, pressureFrac, count);
    fillPlane(block, plane, transposition, count, block);
    for (let k = 0; k < count; k++) {
      const [directional, sky, ground] = [block.directionalWm2[k]!, block.skyWm2[k]!, block.groundWm2[k]!];
      // A reference cell reads what has passed its own glass.
      modelled[k] = glass
        ? directional * iamAt(glass.table, block.cosIncidence[k]!) + sky * glass.skyFrac + ground * glass.groundFrac
        : directional + sky + ground;
    }
  };
}

/** Levels one block of steps, in place. */
function levelBlock(
  { poaWm2, dniWm2, dhiWm2 }: Weather,
  level: Float64Array,
  sun: SunOver,
  { from, to }: { readonly from: number; readonly to: number },
  reading: Reading,
): void {
  const { first, up, east, north, extraterrestrialWm2 } = sun.over(from, to);
  let count = 0;
  for (let i = from; i < to; i++) {
    const isKnown = !Number.isNaN(level[i]) || (dniWm2 && dhiWm2 && !Number.isNaN(dniWm2[i]! + dhiWm2[i]!));
    const read = poaWm2![i]!;
    if (isKnown || Number.isNaN(read)) continue;
    if (!(up[i - first]! > 0) || !(read > 0)) {
      level[i] = Math.max(read, 0);
      continue;
    }
    block.at[count] = i;
    block.up[count] = up[i - first]!;
    block.east[count] = east[i - first]!;
    block.north[count] = north[i - first]!;
    block.extraterrestrialWm2[count] = extraterrestrialWm2[i - first]!;
    block.sensorWm2[count++] = read;
  }
  if (count === 0) return;
  bracket(count, reading);
  drawCloser(count, reading);
  for (let k = 0; k < count; k++)
    level[block.at[k]!] = scratch.crossings[k] === 1 ? scratch.high[k]! * block.extraterrestrialWm2[k]! * block.up[k]! : Number.NaN;
}

function readAt(clearness: (k: number) => number, count: number, reading: Reading): void {
  for (let k = 0; k < count; k++) block.ghiWm2[k] = clearness(k) * block.extraterrestrialWm2[k]! * block.up[k]!;
  reading(count);
}

/**
 * Between which two clearnesses the reading lies, and how often it is crossed. More light than any sky sends counts as the brightest. A sensor that reads less as the
 * sky clears is believed below the least that it then reads alone: near its turn two skies lie closer than what is tried.
 */
function bracket(count: number, reading: Reading): void {
  const { before, low, high, crossings, lowest } = scratch;
  before.fill(0, 0, count);
  lowest.fill(Number.POSITIVE_INFINITY, 0, count);
  crossings.fill(0, 0, count);
  const steps = Math.round(MOST_CLEARNESS / CLEARNESS_STEP);
  for (let step = 1; step <= steps; step++) {
    const clearness = step * CLEARNESS_STEP;
    readAt(() => clearness, count, reading);
    for (let k = 0; k < count; k++) {
      const read = block.sensorWm2[k]!;
      const isAbove = modelled[k]! >= read;
      if (isAbove !== before[k]! >= read) {
        crossings[k]!++;
        [low[k], high[k]] = [clearness - CLEARNESS_STEP, clearness];
      } else if (step === steps && crossings[k] === 0 && modelled[k]! >= before[k]!) {
        crossings[k] = 1;
        [low[k], high[k]] = [clearness, clearness];
      }
      // Between two steps it may fall on as far as it fell before, and no further while it bends up.
      if (modelled[k]! < before[k]!) lowest[k] = Math.min(lowest[k]!, 2 * modelled[k]! - before[k]!);
      before[k] = modelled[k]!;
    }
  }
  for (let k = 0; k < count; k++) if (block.sensorWm2[k]! >= lowest[k]!) crossings[k] = 0;
}

/** Halves what is between: five halvings and a straight line leave a thousandth of a clearness. */
function drawCloser(count: number, reading: Reading): void {
  const { low, high } = scratch;
  for (let round = 0; round < CLOSER; round++) {
    readAt((k) => (low[k]! + high[k]!) / 2, count, reading);
    for (let k = 0; k < count; k++) {
      const middle = (low[k]! + high[k]!) / 2;
      if (modelled[k]! >= block.sensorWm2[k]!) high[k] = middle;
      else low[k] = middle;
    }
  }
  readAt((k) => low[k]!, count, reading);
  const atLow = scratch.before;
  atLow.set(modelled.subarray(0, count));
  readAt((k) => high[k]!, count, reading);
  for (let k = 0; k < count; k++) {
    const rise = modelled[k]! - atLow[k]!;
    const part = rise > 0 ? Math.min(1, Math.max(0, (block.sensorWm2[k]! - atLow[k]!) / rise)) : 1;
    high[k] = low[k]! + part * (high[k]! - low[k]!);
  }
}
