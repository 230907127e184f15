import { BOLTZMANN_EV, REFERENCE_K, type ReferenceParameters, saturationRatio } from "./single-diode";

/** What a datasheet says at 1000 W/m2 and 25 C; coefficients as shares a kelvin. */
export interface Datasheet {
  readonly iscA: number;
  readonly vocV: number;
  readonly impA: number;
  readonly vmpV: number;
  readonly alphaIscPerK: number;
  readonly betaVocPerK: number;
  readonly cellsInSeries: number;
}

/** Temperature step of the fifth equation, K. Source: De Soto, Klein & Beckman, 2006 ("a few kelvin"). */
const STEP_K = 2;
const ROOT_STEPS = 120;
const SCAN = 160;

interface Candidate {
  readonly ideality: number;
  readonly series: number;
  readonly conductance: number;
  readonly saturation: number;
}

/**
 * Shunt conductance and saturation current that meet short circuit, open circuit and the maximum-power point for an ideality and a
 * series resistance: with those two given the three equations are linear.
 */
function candidate(sheet: Datasheet, ideality: number, series: number): Candidate {
  const { iscA, vocV, impA, vmpV } = sheet;
  const atOpen = Math.exp(vocV / ideality);
  const atShort = Math.exp((iscA * series) / ideality);
  const atMax = Math.exp((vmpV + impA * series) / ideality);
  const ratio = (atOpen - atMax) / (atOpen - atShort);
  const conductance = (impA - iscA * ratio) / (vocV - vmpV - impA * series - (vocV - iscA * series) * ratio);
  const saturation = (iscA - (vocV - iscA * series) * conductance) / (atOpen - atShort);
  return { ideality, series, conductance, saturation };
}

/** dP/dV = 0 at the maximum-power point, as a difference of slopes, A/V. */
function slopeError(sheet: Datasheet, c: Candidate): number {
  const junction = (c.saturation / c.ideality) * Math.exp((sheet.vmpV + sheet.impA * c.series) / c.ideality) + c.conductance;
  return junction / (1 + c.series * junction) - sheet.impA / sheet.vmpV;
}

/** Current left at the open-circuit voltage that the coefficient gives two kelvin warmer, A. */
function warmError(sheet: Datasheet, c: Candidate): number {
  const voltageV = sheet.vocV * (1 + sheet.betaVocPerK * STEP_K);
  const photocurrent = photocurrentOf(sheet, c) + sheet.iscA * sheet.alphaIscPerK * STEP_K;
  const ideality = (c.ideality * (REFERENCE_K + STEP_K)) / REFERENCE_K;
  return photocurrent - c.saturation * saturationRatio(25 + STEP_K) * Math.expm1(voltageV / ideality) - voltageV * c.conductance;
}

const photocurrentOf = (sheet: Datasheet, c: Candidate): number =>
  c.saturation * Math.expm1(sheet.vocV / c.ideality) + sheet.vocV * c.conductance;

/** Zero of a function between two points of unlike sign, by bisection. */
function bisect(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  const sign = Math.sign(f(low));
  for (let k = 0; k < ROOT_STEPS; k++) {
    const middle = (low + high) / 2;
    if (Math.sign(f(middle)) === sign) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Series resistance for an ideality, or null where none meets the slope at the maximum. */
function seriesFor(sheet: Datasheet, ideality: number): Candidate | null {
  const most = (sheet.vocV - sheet.vmpV) / sheet.impA;
  const error = (series: number): number => slopeError(sheet, candidate(sheet, ideality, series));
  let before = error(0);
  for (let k = 1; k <= SCAN; k++) {
    const at = (most * k * 0.999) / SCAN;
    const here = error(at);
    if (Number.isFinite(before) && Number.isFinite(here) && Math.sign(here) !== Math.sign(before)) {
      const found = candidate(sheet, ideality, bisect(error, (most * (k - 1) * 0.999) / SCAN, at));
      if (found.saturation > 0 && found.conductance > -1e-3) return found;
    }
    before = here;
  }
  return null;
}

/**
 * The five parameters of a module from its datasheet: short circuit, open circuit, maximum power, zero slope of power there, and the
 * temperature coefficient of the open-circuit voltage. Null where no circuit of the model meets them all (inconsistent datasheets).
 * Source: De Soto, Klein & Beckman, 2006, eq. 1 to 5.
 */
export function fitDatasheet(sheet: Datasheet): ReferenceParameters | null {
  const thermalV = sheet.cellsInSeries * BOLTZMANN_EV * REFERENCE_K;
  let before: { ideality: number; error: number } | null = null;
  for (let n = 0.4; n <= 2.6; n += 0.02) {
    const ideality = n * thermalV;
    const found = seriesFor(sheet, ideality);
    if (!found || found.conductance < 0) {
      before = null;
      continue;
    }
    const error = warmError(sheet, found);
    if (before && Math.sign(error) !== Math.sign(before.error)) {
      const exact = seriesFor(
        sheet,
        bisect((x) => errorAt(sheet, x), before.ideality, ideality),
      );
      return exact && parametersOf(sheet, exact);
    }
    before = { ideality, error };
  }
  return null;
}

function errorAt(sheet: Datasheet, ideality: number): number {
  const found = seriesFor(sheet, ideality);
  return found ? warmError(sheet, found) : Number.NaN;
}

const parametersOf = (sheet: Datasheet, c: Candidate): ReferenceParameters => ({
  photocurrentA: photocurrentOf(sheet, c),
  saturationCurrentA: c.saturation,
  modifiedIdealityV: c.ideality,
  seriesOhm: c.series,
  shuntOhm: c.conductance > 0 ? 1 / c.conductance : Number.POSITIVE_INFINITY,
  alphaIscAPerK: sheet.iscA * sheet.alphaIscPerK,
});
