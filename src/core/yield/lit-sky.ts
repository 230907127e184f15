import { fillHorizontal, fillLinearSky } from "../irradiance";
import { ageingFactor, HEAT_LOSS, type Mounting, STC_CELL_C } from "../module";
import type { Site } from "../site";
import { pressurePa } from "../sun";
import { hoursOfStep } from "../units";
import { ageOnAxis } from "./age-on-axis";
import { BLOCK, newBlock } from "./block";
import { type Gathered, gatherLit } from "./gather";
import type { PreparedWeather } from "./prepare";
import { COARSE_STEP_MINUTES, fillSpread } from "./sub-hourly";

/**
 * Columns a lit step, one after another in one array, so that a row lies in two cache lines: east, north, up; directional, even and
 * GHI light; power factor of the air (1 + gamma (air - 25)) and what each W/m2 adds to it; rated power that ageing left; spread inside
 * the step; light whose weight depends on the tilt (Reindl, Perez).
 */
export const STRIDE = 11;

/**
 * Every lit step of a weather series, ready for any plane: the sun's direction, the sky split by the book's model, the ground's light,
 * and what air, wind, mounting and age do to a watt.
 */
export interface LitSky {
  readonly rows: Float64Array;
  readonly count: number;
  readonly hoursPerStep: number;
  /** Steps of the axis, dark ones too. */
  readonly steps: number;
}

/** Modules that the sky is made ready for. */
export interface SkyModules {
  readonly ratedW: number;
  readonly gammaPmpPerK: number;
  readonly mounting: Mounting;
}

const gathered: Gathered = { next: 0, lit: 0, dark: 0 };
const block = newBlock();
const parts = { directionalWm2: block.directionalWm2, skyWm2: block.skyWm2, tiltedWm2: new Float64Array(BLOCK) };
const spread = new Float64Array(BLOCK);
const scratch = new Float64Array(BLOCK);

/** Splits a weather series for a site's models. In-plane weather has no sky to split: a RangeError. */
export function litSky(site: Site, { weather, sun }: PreparedWeather, modules: SkyModules): LitSky {
  if (weather.poaWm2) throw new RangeError("In-plane weather can't be turned to another plane");
  const { axis } = weather;
  const { decomposition, transposition, subHourlyClipping } = site.models;
  const { ratedW, gammaPmpPerK } = modules;
  const { u0, u1 } = HEAT_LOSS[modules.mounting];
  const rows = new Float64Array(axis.count * STRIDE);
  const unknown = new Float64Array(axis.count);
  const pressureFrac = pressurePa(site.place.elevationM) / 101_325;
  const spreads = subHourlyClipping === "corrected" && axis.stepMinutes >= COARSE_STEP_MINUTES;
  const age = site.commissioned ? ageOnAxis(site.commissioned, site.place.timeZone, axis) : null;
  const sunStretch = { ...sun, first: 0 };
  let count = 0;
  for (let next = 0; next < axis.count; next = gathered.next) {
    const { lit } = gatherLit(weather, sunStretch, next, axis.count, block, unknown, gathered);
    fillHorizontal(block, block, decomposition, pressureFrac, lit);
    fillLinearSky(transposition, block, lit, parts);
    if (spreads) fillSpread(block, lit, spread, scratch);
    else spread.fill(0, 0, lit);
    for (let k = 0; k < lit; k++) {
      const row = count++ * STRIDE;
      rows[row] = block.east[k]!;
      rows[row + 1] = block.north[k]!;
      rows[row + 2] = block.up[k]!;
      rows[row + 3] = parts.directionalWm2[k]!;
      rows[row + 4] = parts.skyWm2[k]!;
      rows[row + 5] = block.ghiWm2[k]!;
      rows[row + 6] = 1 + gammaPmpPerK * (block.airTempC[k]! - STC_CELL_C);
      rows[row + 7] = gammaPmpPerK / (u0 + u1 * block.windSpeedMs[k]!);
      rows[row + 8] = age ? ratedW * ageingFactor(age.startYears + block.at[k]! * age.yearsPerStep, site.ageing) : ratedW;
      rows[row + 9] = spread[k]!;
      rows[row + 10] = parts.tiltedWm2[k]!;
    }
  }
  return { rows: rows.subarray(0, count * STRIDE), count, hoursPerStep: hoursOfStep(axis.stepMinutes), steps: axis.count };
}
