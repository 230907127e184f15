/** A module's equivalent circuit. `shuntOhm` may be infinite. */
export interface DiodeParameters {
  readonly photocurrentA: number;
  readonly saturationCurrentA: number;
  /** n Ns k T / q, V. */
  readonly modifiedIdealityV: number;
  readonly seriesOhm: number;
  readonly shuntOhm: number;
}

/** Parameters at 1000 W/m2 and 25 C with the temperature coefficient of the short-circuit current, A/K. */
export interface ReferenceParameters extends DiodeParameters {
  readonly alphaIscAPerK: number;
}

export const REFERENCE_K = 298.15;
/** Boltzmann, eV/K. Source: CODATA 2018. */
export const BOLTZMANN_EV = 8.617333262e-5;
/** Band gap of silicon at 25 C, eV, and its relative change a kelvin. Source: De Soto, Klein & Beckman, 2006, eq. 10. */
export const BAND_GAP_EV = 1.121;
export const BAND_GAP_PER_K = -0.0002677;

/** Saturation current at a cell temperature over that at 25 C. Source: De Soto, Klein & Beckman, 2006, eq. 9. */
export function saturationRatio(cellTempC: number): number {
  const kelvin = cellTempC + 273.15;
  const gap = BAND_GAP_EV * (1 + BAND_GAP_PER_K * (kelvin - REFERENCE_K));
  return (kelvin / REFERENCE_K) ** 3 * Math.exp((BAND_GAP_EV / REFERENCE_K - gap / kelvin) / BOLTZMANN_EV);
}

/** Parameters at an irradiance, W/m2, and a cell temperature, C. Source: De Soto, Klein & Beckman, 2006, Improvement and validation of a model for photovoltaic array performance, eq. 6 to 12. */
export function diodeAt(reference: ReferenceParameters, irradianceWm2: number, cellTempC: number): DiodeParameters {
  const suns = irradianceWm2 / 1000;
  return {
    photocurrentA: suns * (reference.photocurrentA + reference.alphaIscAPerK * (cellTempC - 25)),
    saturationCurrentA: reference.saturationCurrentA * saturationRatio(cellTempC),
    modifiedIdealityV: (reference.modifiedIdealityV * (cellTempC + 273.15)) / REFERENCE_K,
    seriesOhm: reference.seriesOhm,
    shuntOhm: suns > 0 ? reference.shuntOhm / suns : Number.POSITIVE_INFINITY,
  };
}

/** Current, A, through the terminals at a junction voltage, V; the curve is explicit in it, and V = junction - I Rs. */
const currentAtJunction = (d: DiodeParameters, junctionV: number): number =>
  d.photocurrentA - d.saturationCurrentA * Math.expm1(junctionV / d.modifiedIdealityV) - junctionV / d.shuntOhm;

const slopeAtJunction = (d: DiodeParameters, junctionV: number): number =>
  -(d.saturationCurrentA / d.modifiedIdealityV) * Math.exp(junctionV / d.modifiedIdealityV) - 1 / d.shuntOhm;

const ITERATIONS = 200;

/** Zero of a rising function of the junction voltage: Newton from the right, where the exponential makes it convex. */
function junctionWhere(value: (j: number) => number, slope: (j: number) => number, startV: number): number {
  let j = startV;
  for (let k = 0; k < ITERATIONS; k++) {
    const step = value(j) / slope(j);
    j -= step;
    if (Math.abs(step) < 1e-13 * Math.max(1, Math.abs(j))) break;
  }
  return j;
}

/** Right of every solution: where the diode alone would carry the photocurrent. */
const forwardV = (d: DiodeParameters): number => d.modifiedIdealityV * Math.log1p(Math.max(0, d.photocurrentA) / d.saturationCurrentA);

/** Current, A, at a terminal voltage, V; negative beyond the open-circuit voltage. */
export function currentA(d: DiodeParameters, voltageV: number): number {
  const start = Math.max(forwardV(d), voltageV) + d.photocurrentA * d.seriesOhm;
  const j = junctionWhere(
    (x) => x - currentAtJunction(d, x) * d.seriesOhm - voltageV,
    (x) => 1 - slopeAtJunction(d, x) * d.seriesOhm,
    start,
  );
  return currentAtJunction(d, j);
}

/** Open-circuit voltage, V; 0 in the dark. */
export function openCircuitV(d: DiodeParameters): number {
  if (!(d.photocurrentA > 0)) return 0;
  return junctionWhere(
    (x) => -currentAtJunction(d, x),
    (x) => -slopeAtJunction(d, x),
    forwardV(d),
  );
}

export interface OperatingPoint {
  readonly iscA: number;
  readonly vocV: number;
  readonly impA: number;
  readonly vmpV: number;
  readonly pmpW: number;
}

const DARK: OperatingPoint = { iscA: 0, vocV: 0, impA: 0, vmpV: 0, pmpW: 0 };

/** Short circuit, open circuit and maximum power; all 0 in the dark. The maximum is where dP/dV, as a function of the junction voltage, is zero (bisection to 1e-13 V, so that it is not blurred by the flat top). */
export function operatingPoint(d: DiodeParameters): OperatingPoint {
  if (!(d.photocurrentA > 0)) return DARK;
  const vocV = openCircuitV(d);
  let low = 0;
  let high = vocV;
  for (let k = 0; k < 100 && high - low > 1e-13; k++) {
    const j = (low + high) / 2;
    const i = currentAtJunction(d, j);
    const slope = slopeAtJunction(d, j);
    if (i * (1 - d.seriesOhm * slope) + (j - i * d.seriesOhm) * slope > 0) low = j;
    else high = j;
  }
  const j = (low + high) / 2;
  const impA = currentAtJunction(d, j);
  const vmpV = j - impA * d.seriesOhm;
  return { iscA: currentA(d, 0), vocV, impA, vmpV, pmpW: impA * vmpV };
}
