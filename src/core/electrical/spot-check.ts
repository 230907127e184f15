import { currentA, type DiodeParameters, diodeAt, type OperatingPoint, operatingPoint, type ReferenceParameters } from "../module";

/** What instruments showed at one module or string; what was not read is null. */
export interface SpotReading {
  readonly irradianceWm2: number;
  /** On the back of the module. */
  readonly moduleTempC: number;
  readonly vocV: number | null;
  readonly iscA: number | null;
  readonly operatingV: number | null;
  readonly operatingA: number | null;
}

/** What instruments and datasheet may be off by, two sided 95 %; shares, and kelvins for the thermometer. */
export interface InstrumentTerms {
  readonly irradianceFrac: number;
  readonly moduleTempK: number;
  readonly voltageFrac: number;
  readonly currentFrac: number;
  /** Of the module against its datasheet, its ageing with it. */
  readonly moduleFrac: number;
}

/** A hand-held irradiance meter, a thermometer taped to the back, a multimeter with a clamp, a module of a few years. Source: IEC 61829:2015, on-site I-V measurement, uncertainties. */
export const USUAL_INSTRUMENTS: InstrumentTerms = {
  irradianceFrac: 0.05,
  moduleTempK: 3,
  voltageFrac: 0.01,
  currentFrac: 0.02,
  moduleFrac: 0.04,
};

/** Cell above the module's back at 1000 W/m2, K. Source: King, Boyson & Kratochvil, 2004, table 1 (open rack). */
const CELL_OVER_BACK_K = 3;

export const SPOT_QUANTITIES = ["vocV", "iscA", "operatingA", "operatingW"] as const;
export type SpotQuantity = (typeof SPOT_QUANTITIES)[number];

/** One reading against what this light and warmth give. */
export interface Judged {
  readonly quantity: SpotQuantity;
  readonly read: number;
  readonly expected: number;
  /** Of the expectation and the instrument together. */
  readonly plusMinus: number;
  readonly verdict: "as-expected" | "low" | "high";
}

export const SPOT_CAUSES = [
  "shade-on-a-cell",
  "dirt",
  "meter-range",
  "sensor-tilt",
  "sensor-shaded",
  "group-out",
  "module-out",
  "connector",
  "temperature-unit",
  "warmer-cells",
  "colder-cells",
  "not-at-maximum",
  "brighter-than-sensor",
] as const;
export type SpotCause = (typeof SPOT_CAUSES)[number];

export interface SpotReport {
  readonly cellTempC: number;
  /** Short circuit, open circuit and maximum power of what was measured, at this light and warmth. */
  readonly expected: OperatingPoint;
  readonly judged: readonly Judged[];
  /** Light that the short-circuit current speaks of, W/m2. */
  readonly impliedIrradianceWm2: number | null;
  /** Cell temperature that the open-circuit voltage speaks of, C. */
  readonly impliedCellTempC: number | null;
  readonly causes: readonly SpotCause[];
}

export interface SpotModule {
  readonly reference: ReferenceParameters;
  readonly modulesInSeries: number;
  readonly bypassDiodes: number;
}

/** Operating point, and current at a voltage, of equal modules in series. */
function of({ reference, modulesInSeries: n }: SpotModule, irradianceWm2: number, cellTempC: number) {
  const d: DiodeParameters = diodeAt(reference, irradianceWm2, cellTempC);
  const one = operatingPoint(d);
  return {
    point: { iscA: one.iscA, vocV: one.vocV * n, impA: one.impA, vmpV: one.vmpV * n, pmpW: one.pmpW * n },
    currentAtV: (voltageV: number): number => currentA(d, voltageV / n),
  };
}

/**
 * Readings at a module or a string of equal ones against the single-diode model at the light and warmth that were measured with them:
 * current follows the light, voltage its logarithm and the temperature. Uncertainties by differences, in quadrature.
 * Source: De Soto, Klein & Beckman, 2006, Improvement and validation of a model for photovoltaic array performance; IEC 61829:2015.
 */
export function spotCheck(module: SpotModule, reading: SpotReading, terms: InstrumentTerms = USUAL_INSTRUMENTS): SpotReport {
  const cellTempC = reading.moduleTempC + (CELL_OVER_BACK_K * reading.irradianceWm2) / 1000;
  const here = of(module, reading.irradianceWm2, cellTempC);
  const brighter = of(module, reading.irradianceWm2 * (1 + terms.irradianceFrac), cellTempC);
  const warmer = of(module, reading.irradianceWm2, cellTempC + terms.moduleTempK);
  const plusMinus = (get: (side: typeof here) => number, ownFrac: number): { expected: number; plusMinus: number } => {
    const expected = get(here);
    const parts = [get(brighter) - expected, get(warmer) - expected, expected * ownFrac];
    return { expected, plusMinus: Math.hypot(...parts) };
  };
  const judged: Judged[] = [];
  const judge = (
    quantity: SpotQuantity,
    read: number | null,
    get: (side: typeof here) => number,
    instrumentFrac: number,
    moduleFrac: number,
  ) => {
    if (read === null) return;
    const told = plusMinus(get, moduleFrac);
    const off = Math.hypot(told.plusMinus, read * instrumentFrac);
    judged.push({
      quantity,
      read,
      expected: told.expected,
      plusMinus: off,
      verdict: read < told.expected - off ? "low" : read > told.expected + off ? "high" : "as-expected",
    });
  };
  judge("vocV", reading.vocV, ({ point }) => point.vocV, terms.voltageFrac, terms.moduleFrac / 3);
  judge("iscA", reading.iscA, ({ point }) => point.iscA, terms.currentFrac, terms.moduleFrac);
  const { operatingV, operatingA } = reading;
  if (operatingV !== null && operatingA !== null) {
    judge("operatingA", operatingA, ({ currentAtV }) => Math.max(0, currentAtV(operatingV)), terms.currentFrac, terms.moduleFrac);
    judge(
      "operatingW",
      operatingV * operatingA,
      ({ point }) => point.pmpW,
      Math.hypot(terms.currentFrac, terms.voltageFrac),
      terms.moduleFrac,
    );
  } else if (operatingA !== null) {
    judge("operatingA", operatingA, ({ point }) => point.impA, terms.currentFrac, terms.moduleFrac);
  }
  const implied = {
    impliedIrradianceWm2: reading.iscA === null ? null : (reading.irradianceWm2 * reading.iscA) / here.point.iscA,
    impliedCellTempC: reading.vocV === null ? null : cellTempAt(module, reading, reading.vocV),
  };
  return {
    cellTempC,
    expected: here.point,
    judged,
    ...implied,
    causes: causesOf(module, reading, judged, cellTempC, implied.impliedCellTempC),
  };
}

const COLDEST_C = -40;
const HOTTEST_C = 110;

/** Cell temperature at which the open-circuit voltage would be as read, with the light that the current speaks of; null outside -40 to 110 C. */
function cellTempAt(module: SpotModule, { irradianceWm2 }: SpotReading, vocV: number): number | null {
  const vocAt = (tempC: number): number => of(module, irradianceWm2, tempC).point.vocV;
  if (vocV > vocAt(COLDEST_C) || vocV < vocAt(HOTTEST_C)) return null;
  let [low, high] = [COLDEST_C, HOTTEST_C];
  for (let k = 0; k < 40; k++) {
    const middle = (low + high) / 2;
    if (vocAt(middle) > vocV) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Current this far under its expectation is no question of calibration. */
const HALF = 0.6;
/** A missing voltage this near a whole part of the string is that part. */
const PART_OFF = 0.35;
/** A module this much warmer than its voltage tells was read in another unit, or somewhere else. */
const UNIT_K = 25;

function causesOf(
  { modulesInSeries, bypassDiodes }: SpotModule,
  reading: SpotReading,
  judged: readonly Judged[],
  cellTempC: number,
  impliedCellTempC: number | null,
): SpotCause[] {
  const at = (quantity: SpotQuantity): Judged | undefined => judged.find((each) => each.quantity === quantity);
  const current = at("iscA") ?? at("operatingA");
  const voltage = at("vocV");
  const out: SpotCause[] = [];
  if (current?.verdict === "low") {
    out.push("shade-on-a-cell", "dirt", ...(current.read < HALF * current.expected ? (["meter-range"] as const) : []), "sensor-tilt");
    if (at("operatingA") && current.quantity === "operatingA" && reading.operatingV !== null) out.push("not-at-maximum");
  }
  if (current?.verdict === "high") out.push("sensor-shaded", "sensor-tilt", "brighter-than-sensor");
  if (voltage?.verdict === "low") {
    const missing = voltage.expected - voltage.read;
    const module = voltage.expected / modulesInSeries;
    const near = (part: number): boolean => part > 0 && Math.abs(missing / part - Math.max(1, Math.round(missing / part))) < PART_OFF;
    if (modulesInSeries > 1 && near(module) && missing > 0.6 * module) out.push("module-out", "connector");
    else if (bypassDiodes > 0 && near(module / bypassDiodes) && missing > (0.6 * module) / bypassDiodes) out.push("group-out");
    else out.push("warmer-cells", "connector");
  }
  if (voltage?.verdict === "high") out.push("colder-cells");
  if (impliedCellTempC !== null && cellTempC - impliedCellTempC > UNIT_K) out.push("temperature-unit");
  if (!current && at("operatingW")?.verdict === "low") out.push("not-at-maximum");
  if (current?.verdict === "as-expected" && at("operatingW")?.verdict === "low") out.push("not-at-maximum");
  return [...new Set(out)];
}

export const SPOT_DOUBTS = [
  "no-light",
  "light-beyond-sun",
  "voc-beyond-meter",
  "isc-beyond-meter",
  "temperature-out-of-range",
  "operating-above-voc",
  "nothing-read",
  "too-many-in-series",
] as const;
export type SpotDoubt = (typeof SPOT_DOUBTS)[number];

/** Enhanced by clouds no pane gets more, W/m2. Source: Gueymard, 2017, Cloud and albedo enhancement impacts on solar irradiance. */
const MOST_LIGHT_WM2 = 1800;
/** Under so little light currents are too small to tell anything, W/m2. Source: IEC 61829:2015 asks for 700, and warns below. */
const LEAST_LIGHT_WM2 = 20;
export const MOST_IN_SERIES = 60;

/** Why readings can't be taken as they are; none when they can. `meter` holds the most that the multimeter bears. */
export function spotDoubts(
  reading: SpotReading,
  modulesInSeries: number,
  meter: { readonly maxV: number; readonly maxA: number },
): SpotDoubt[] {
  const out: SpotDoubt[] = [];
  const { irradianceWm2, moduleTempC, vocV, iscA, operatingV, operatingA } = reading;
  if (!(irradianceWm2 >= LEAST_LIGHT_WM2)) out.push("no-light");
  if (irradianceWm2 > MOST_LIGHT_WM2) out.push("light-beyond-sun");
  if (Math.max(vocV ?? 0, operatingV ?? 0) > meter.maxV) out.push("voc-beyond-meter");
  if (Math.max(iscA ?? 0, operatingA ?? 0) > meter.maxA) out.push("isc-beyond-meter");
  if (moduleTempC < COLDEST_C || moduleTempC > HOTTEST_C) out.push("temperature-out-of-range");
  if (vocV !== null && operatingV !== null && operatingV > vocV) out.push("operating-above-voc");
  if (vocV === null && iscA === null && operatingA === null) out.push("nothing-read");
  if (modulesInSeries > MOST_IN_SERIES) out.push("too-many-in-series");
  return out;
}

/** The expected curve of what was measured, volts and amperes, from short to open circuit. */
export function spotCurve(
  module: SpotModule,
  irradianceWm2: number,
  cellTempC: number,
  points = 80,
): { voltageV: number; currentA: number }[] {
  const { point, currentAtV } = of(module, irradianceWm2, cellTempC);
  return Array.from({ length: points + 1 }, (_, k) => {
    const voltageV = (point.vocV * k) / points;
    return { voltageV, currentA: Math.max(0, currentAtV(voltageV)) };
  });
}
