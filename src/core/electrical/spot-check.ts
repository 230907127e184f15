import {
  cellOverBack,
  currentA,
  type DiodeParameters,
  diodeAt,
  faiman,
  HEAT_LOSS,
  KING_MOUNT,
  type OperatingPoint,
  operatingPoint,
} from "../module";
import { causesOf, type SpotCause } from "./spot-causes";
import { COLDEST_C, HOTTEST_C, type Judged, type SpotModule, type SpotQuantity, type SpotReading } from "./spot-reading";

/** What instruments and datasheet may be off by, two sided 95 %; shares, and kelvins for the thermometer. */
export interface InstrumentTerms {
  readonly irradianceFrac: number;
  /** What the light meter may be off by beside that, W/m2: its zero, and light from the side. It tells more the less light there is. */
  readonly irradianceWm2: number;
  readonly moduleTempK: number;
  readonly voltageFrac: number;
  readonly currentFrac: number;
  /** Of the module against its datasheet, its ageing with it. */
  readonly moduleFrac: number;
}

/** A hand-held irradiance meter, a thermometer taped to the back, a multimeter with a clamp, a module of a few years. Source: IEC 61829:2015, on-site I-V measurement, uncertainties. */
export const USUAL_INSTRUMENTS: InstrumentTerms = {
  irradianceFrac: 0.05,
  irradianceWm2: 15,
  moduleTempK: 3,
  voltageFrac: 0.01,
  currentFrac: 0.02,
  moduleFrac: 0.04,
};

/** Under so little light instruments and the one-diode model both part ways: no verdict, a rough word, W/m2. Source: IEC 61829:2015 asks for 700; IEC 61853-1:2011 measures down to 200. */
export const ROUGH_BELOW_WM2 = 200;

/** What clear window glass of some 4 mm lets through of what silicon uses, and how far panes differ. Source: ISO 9050:2003, Glass in building, solar direct transmittance. */
const PANE = { frac: 0.86, halfFrac: 0.05 };
/** How much warmer than the air modules stand in a light breeze, and how far that may be off: wind, mounting and the last cloud are not known. */
const BREEZE_MS = 1;
const FROM_AIR = { riseHalfFrac: 0.4, ownK: 3 };
/** Where neither back nor air was read: cells between a cold morning and a hot noon. */
const FROM_NOTHING = { cellTempC: 35, cellPlusMinusK: 25 };

export interface SpotReport {
  readonly cellTempC: number;
  /** What the cells' temperature rests on, and how far it may be off, K. */
  readonly cellFrom: "back" | "air" | "nothing";
  readonly cellPlusMinusK: number;
  /** Light that reaches the modules, W/m2: behind panes less than was read. */
  readonly lightWm2: number;
  /** Short circuit, open circuit and maximum power of what was measured, at this light and warmth. */
  readonly expected: OperatingPoint;
  readonly judged: readonly Judged[];
  /** Too little light for a verdict: what is said is a rough word. */
  readonly isRough: boolean;
  /** Light that the short-circuit current speaks of, W/m2. */
  readonly impliedIrradianceWm2: number | null;
  /** Cell temperature that the open-circuit voltage speaks of, C. */
  readonly impliedCellTempC: number | null;
  readonly causes: readonly SpotCause[];
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
  const lightWm2 = reading.irradianceWm2 * PANE.frac ** reading.panes;
  const { cellTempC, cellFrom, cellPlusMinusK } = cellOf(reading, lightWm2, terms);
  const here = of(module, lightWm2, cellTempC);
  const lightOff = Math.hypot(lightWm2 * terms.irradianceFrac, terms.irradianceWm2, lightWm2 * PANE.halfFrac * reading.panes);
  const brighter = of(module, lightWm2 + lightOff, cellTempC);
  const warmer = of(module, lightWm2, cellTempC + cellPlusMinusK);
  const { vocFrac = 0, iscFrac = 0 } = module.spread ?? {};
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
  judge("vocV", reading.vocV, ({ point }) => point.vocV, terms.voltageFrac, Math.hypot(terms.moduleFrac / 3, vocFrac));
  judge("iscA", reading.iscA, ({ point }) => point.iscA, terms.currentFrac, Math.hypot(terms.moduleFrac, iscFrac));
  const { operatingV, operatingA } = reading;
  if (operatingV !== null && operatingA !== null) {
    judge(
      "operatingA",
      operatingA,
      ({ currentAtV }) => Math.max(0, currentAtV(operatingV)),
      terms.currentFrac,
      Math.hypot(terms.moduleFrac, iscFrac, kneeFrac(here.currentAtV, operatingV, vocFrac)),
    );
    judge(
      "operatingW",
      operatingV * operatingA,
      ({ point }) => point.pmpW,
      Math.hypot(terms.currentFrac, terms.voltageFrac),
      terms.moduleFrac,
    );
  } else if (operatingA !== null) {
    judge("operatingA", operatingA, ({ point }) => point.impA, terms.currentFrac, Math.hypot(terms.moduleFrac, iscFrac));
  }
  const implied = {
    impliedIrradianceWm2: reading.iscA === null ? null : (lightWm2 * reading.iscA) / here.point.iscA,
    // A voltage that was estimated itself tells no temperature.
    impliedCellTempC: reading.vocV === null || vocFrac > 0 ? null : cellTempAt(module, lightWm2, reading.vocV),
  };
  return {
    cellTempC,
    cellFrom,
    cellPlusMinusK,
    lightWm2,
    expected: here.point,
    judged,
    isRough: reading.irradianceWm2 < ROUGH_BELOW_WM2,
    ...implied,
    causes: causesOf(module, reading, judged, cellFrom === "back" ? cellTempC : null, implied.impliedCellTempC),
  };
}

/** What an open-circuit voltage that may be off does to the current at a working voltage, as a share: much at the knee, little before it. */
function kneeFrac(currentAtV: (voltageV: number) => number, voltageV: number, vocFrac: number): number {
  const here = currentAtV(voltageV);
  return here > 0 ? Math.abs(currentAtV(voltageV * (1 + vocFrac)) - here) / here : 0;
}

/** Cells by the back, else by the air and the light, else anything between a cold morning and a hot noon. */
function cellOf(
  { moduleTempC, airTempC }: SpotReading,
  lightWm2: number,
  terms: InstrumentTerms,
): Pick<SpotReport, "cellTempC" | "cellFrom" | "cellPlusMinusK"> {
  if (moduleTempC !== null)
    return { cellTempC: cellOverBack(moduleTempC, lightWm2, KING_MOUNT["open-rack"]), cellFrom: "back", cellPlusMinusK: terms.moduleTempK };
  if (airTempC === null) return { ...FROM_NOTHING, cellFrom: "nothing" };
  const cellTempC = faiman(lightWm2, airTempC, BREEZE_MS, HEAT_LOSS["roof-gap"]);
  return { cellTempC, cellFrom: "air", cellPlusMinusK: Math.hypot(FROM_AIR.ownK, FROM_AIR.riseHalfFrac * (cellTempC - airTempC)) };
}

/** Cell temperature at which the open-circuit voltage would be as read, with the light that the current speaks of; null outside -40 to 110 C. */
function cellTempAt(module: SpotModule, irradianceWm2: number, vocV: number): number | null {
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
