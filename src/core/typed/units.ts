import { HOURS_PER_YEAR } from "../units";

/** What a unit measures. */
export type Dimension =
  | "length"
  | "area"
  | "section"
  | "temperature"
  | "temperature-difference"
  | "power"
  | "energy"
  | "voltage"
  | "current"
  | "charge"
  | "speed"
  | "angle"
  | "irradiance"
  | "share"
  | "share-per-kelvin"
  | "resistance"
  | "time";

export interface Unit {
  readonly dimension: Dimension;
  /** Times this, plus `offset`, gives the dimension's base: m, m², mm², °C, K, W, kWh, V, A, Ah, m/s, °, W/m², %, %/K, Ω, hours. */
  readonly factor: number;
  readonly offset?: number;
}

const FOOT_M = 0.3048;

const of = (dimension: Dimension, units: Readonly<Record<string, number>>): [string, Unit][] =>
  Object.entries(units).map(([name, factor]) => [name, { dimension, factor }]);

/** Units as people write them. Source of the factors: BIPM, 2019, The International System of Units (SI), 9th edition; NIST, 2008, Special Publication 811. */
const UNITS: ReadonlyMap<string, Unit> = new Map([
  ...of("length", { m: 1, metre: 1, metres: 1, meter: 1, meters: 1, cm: 0.01, mm: 0.001, km: 1000 }),
  ...of("length", { ft: FOOT_M, foot: FOOT_M, feet: FOOT_M, "'": FOOT_M, in: FOOT_M / 12, inch: FOOT_M / 12, inches: FOOT_M / 12 }),
  ...of("length", { '"': FOOT_M / 12, yd: 3 * FOOT_M, yard: 3 * FOOT_M, yards: 3 * FOOT_M, mi: 1609.344, mile: 1609.344, miles: 1609.344 }),
  ...of("area", {
    "m²": 1,
    m2: 1,
    sqm: 1,
    "sq m": 1,
    "cm²": 1e-4,
    "ft²": FOOT_M ** 2,
    ft2: FOOT_M ** 2,
    sqft: FOOT_M ** 2,
    "sq ft": FOOT_M ** 2,
  }),
  ...of("area", { ha: 10_000, acre: 4046.8564224, acres: 4046.8564224 }),
  ...of("section", { "mm²": 1, mm2: 1, "sq mm": 1, sqmm: 1 }),
  ["°C", { dimension: "temperature", factor: 1 }],
  ["C", { dimension: "temperature", factor: 1 }],
  ["°F", { dimension: "temperature", factor: 5 / 9, offset: -160 / 9 }],
  ["F", { dimension: "temperature", factor: 5 / 9, offset: -160 / 9 }],
  ["K", { dimension: "temperature-difference", factor: 1 }],
  ...of("power", { W: 1, Wp: 1, watt: 1, watts: 1, kW: 1000, kWp: 1000, MW: 1e6, MWp: 1e6, hp: 745.6998715822702 }),
  ...of("energy", { kWh: 1, Wh: 1e-3, MWh: 1000, GWh: 1e6, MJ: 1 / 3.6, GJ: 1000 / 3.6, BTU: 1055.05585262 / 3600 / 1000 }),
  ...of("voltage", { V: 1, volt: 1, volts: 1, mV: 1e-3, kV: 1000 }),
  ...of("current", { A: 1, amp: 1, amps: 1, mA: 1e-3 }),
  ...of("charge", { Ah: 1, mAh: 1e-3 }),
  ...of("speed", { "m/s": 1, "km/h": 1 / 3.6, kmh: 1 / 3.6, mph: 0.44704, knots: 1852 / 3600, knot: 1852 / 3600, kn: 1852 / 3600 }),
  ...of("angle", { "°": 1, deg: 1, degree: 1, degrees: 1, rad: 180 / Math.PI }),
  ...of("irradiance", { "W/m²": 1, "W/m2": 1, "kW/m²": 1000, "kW/m2": 1000 }),
  ...of("share", { "%": 1, percent: 1, "per cent": 1, "‰": 0.1 }),
  ...of("share-per-kelvin", { "%/K": 1, "%/°C": 1, "%/C": 1, "%/°F": 1.8, "%/F": 1.8 }),
  ...of("resistance", { Ω: 1, ohm: 1, ohms: 1, mΩ: 1e-3 }),
  ...of("time", { h: 1, hr: 1, hrs: 1, hour: 1, hours: 1, min: 1 / 60, minute: 1 / 60, minutes: 1 / 60, s: 1 / 3600, seconds: 1 / 3600 }),
  ...of("time", {
    day: 24,
    days: 24,
    week: 168,
    weeks: 168,
    month: HOURS_PER_YEAR / 12,
    months: HOURS_PER_YEAR / 12,
    year: HOURS_PER_YEAR,
    years: HOURS_PER_YEAR,
    yr: HOURS_PER_YEAR,
  }),
]);

/** Where only the size of the letters parts two units (mW and MW, mV and MV) they are taken as written. */
const BY_LETTERS: ReadonlyMap<string, Unit> = new Map(
  [...UNITS]
    .map(([name, unit]) => [name.toLowerCase(), unit] as const)
    .filter(([name], _, all) => new Set(all.filter(([other]) => other === name).map(([, { factor }]) => factor)).size === 1),
);

/** The unit of this name; null where none is known by it. */
export const unitOf = (name: string): Unit | null => UNITS.get(name) ?? BY_LETTERS.get(name.toLowerCase()) ?? null;

/** A value in one unit as it stands in another of the same dimension. */
export function inUnit(value: number, from: Unit, to: Unit): number {
  if (from.factor === to.factor && from.offset === to.offset) return value;
  return (value * from.factor + (from.offset ?? 0) - (to.offset ?? 0)) / to.factor;
}

/** Units of the metric system and what stands for them in the imperial one. Sections of conductors have no such unit: a gauge is a number of its own. */
const IMPERIAL: Readonly<Record<string, string>> = { m: "ft", cm: "in", mm: "in", km: "mi", "m²": "sq ft", "°C": "°F", "m/s": "mph" };

/** The imperial unit for a metric one; null where none is used for it. */
export const imperialOf = (metric: string): string | null => (Object.hasOwn(IMPERIAL, metric) ? IMPERIAL[metric]! : null);

/**
 * Section of a conductor by its American gauge number (mm²); 1/0 is 0, 2/0 is −1.
 * Source: ASTM International, 2018, B258: Standard Specification for Standard Nominal Diameters and Cross-Sectional Areas of AWG Sizes of Solid Round Wires.
 */
export const awgMm2 = (gauge: number): number => (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2;
