import type { PlaneColumns } from "../irradiance";
import {
  type AgeingRate,
  ageInYears,
  ageingFactor,
  faiman,
  type HeatLoss,
  type IncidenceModifier,
  lowLightFactor,
  temperatureFactor,
} from "../module";
import type { TimeAxis } from "../series";
import { MINUTE_MS, STC_POA_WM2 } from "../units";
import type { FilledWeather } from "../weather";

/** Intervals [from, to) in which one arrangement stood. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Where a stage books what it takes, W summed by bin; the run turns it into kWh. */
export interface Tally {
  readonly binOf: Uint16Array;
  readonly lossW: Float64Array;
}

/** A stage that keeps the same share of every watt. */
export function fillKeptShare(powerW: Float64Array, keptFrac: number, span: Span, tally: Tally): Float64Array {
  const { binOf, lossW } = tally;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    const after = before * keptFrac;
    powerW[i] = after;
    lossW[binOf[i]!]! += before - after;
  }
  return powerW;
}

export interface ReflectionTerms {
  readonly modifier: IncidenceModifier;
  readonly skyFrac: number;
  readonly groundFrac: number;
}

/** Light lost on the glass: the directional part at its angle, sky and ground by their mean modifiers. */
export function fillReflection(powerW: Float64Array, plane: PlaneColumns, terms: ReflectionTerms, span: Span, tally: Tally): Float64Array {
  const { binOf, lossW } = tally;
  const { modifier, skyFrac, groundFrac } = terms;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const directional = plane.directionalWm2[i]!;
    const sky = plane.skyWm2[i]!;
    const ground = plane.groundWm2[i]!;
    const passed = directional * modifier(plane.cosIncidence[i]!) + sky * skyFrac + ground * groundFrac;
    const after = (before * passed) / (directional + sky + ground);
    powerW[i] = after;
    lossW[binOf[i]!]! += before - after;
  }
  return powerW;
}

/** Efficiency under weak light, at 25 C; `nameplateW` turns power into the irradiance that reaches the cells. */
export function fillLowLight(powerW: Float64Array, nameplateW: number, span: Span, tally: Tally): Float64Array {
  const { binOf, lossW } = tally;
  const toWm2 = STC_POA_WM2 / nameplateW;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const after = before * lowLightFactor(before * toWm2);
    powerW[i] = after;
    lossW[binOf[i]!]! += before - after;
  }
  return powerW;
}

/** Heat (or cold: a negative loss) by the Faiman cell temperature and the temperature coefficient. */
export function fillTemperature(
  powerW: Float64Array,
  poaWm2: Float64Array,
  weather: FilledWeather,
  terms: { heatLoss: HeatLoss; gammaPmpPerK: number },
  span: Span,
  tally: Tally,
): Float64Array {
  const { binOf, lossW } = tally;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    if (!(before > 0)) continue;
    const cellTempC = faiman(poaWm2[i]!, weather.airTempC[i]!, weather.windSpeedMs[i]!, terms.heatLoss);
    const after = before * temperatureFactor(cellTempC, terms.gammaPmpPerK);
    powerW[i] = after;
    lossW[binOf[i]!]! += before - after;
  }
  return powerW;
}

/** Budgeted ageing since commissioning. */
export function fillAgeing(
  powerW: Float64Array,
  axis: TimeAxis,
  terms: { commissionedUtcMs: number; rate: AgeingRate },
  span: Span,
  tally: Tally,
): Float64Array {
  const { binOf, lossW } = tally;
  const stepMs = axis.stepMinutes * MINUTE_MS;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    const ageYears = ageInYears(axis.startUtcMs + i * stepMs, terms.commissionedUtcMs);
    const after = before * ageingFactor(ageYears, terms.rate);
    powerW[i] = after;
    lossW[binOf[i]!]! += before - after;
  }
  return powerW;
}

/** Power above the AC rating is not made. */
export function fillClipping(powerW: Float64Array, acRatedW: number, span: Span, tally: Tally): Float64Array {
  const { binOf, lossW } = tally;
  for (let i = span.from; i < span.to; i++) {
    const before = powerW[i]!;
    if (!(before > acRatedW)) continue;
    powerW[i] = acRatedW;
    lossW[binOf[i]!]! += before - acRatedW;
  }
  return powerW;
}
