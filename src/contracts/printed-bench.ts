import { z } from "zod";
import { inverterReadingSchema, spotReadingSchema } from "./electrical";
import { billsReportSchema, moneyReportSchema, planComparisonSchema } from "./money";
import { printedHead } from "./printed";
import { changeQuestionSchema, trialQuestionSchema } from "./trial";

const num = z.number();
const known = num.nullable();
/** The calendar year of the weather; null under a cloudless sky. */
const year = z.string().nullable();
const months = z.array(num);
const interval = { frac: num, low: known, high: known };
const sum = z.string();

const tiltPlan = z.strictObject({
  method: z.string(),
  positions: num,
  steps: z.array(z.strictObject({ from: z.string(), tiltDeg: num })),
  monthsKwh: months,
  yearKwh: num,
  winterKwh: num,
  leastKwhPerDay: num,
  /** What a change of tilt costs that comes so many days late, by step. */
  lateKwh: z.array(months),
});

const limit = z.strictObject({ value: known, limit: known, holds: z.boolean().nullable() });
const stringCheck = z.strictObject({
  modulesInSeries: num,
  strings: num,
  coldVoc: limit,
  moduleVoc: limit,
  hotVmp: limit,
  coldVmp: limit,
  current: limit,
  range: z.strictObject({ least: num, most: num }).nullable(),
  recordLowC: known,
  coldGuess: z.strictObject({ airC: num, vocV: known, vmpV: known }).nullable(),
  hotCellC: num,
  isHeatAssumed: z.boolean(),
  rearFrac: num,
});

const operatingPoint = z.strictObject({ iscA: num, vocV: num, impA: num, vmpV: num, pmpW: num });
const peak = z.strictObject({ voltageV: num, currentA: num, powerW: num });
const loadMonth = z.looseObject({ month: num, useKwhPerDay: num, madeKwhPerDay: num, coverFrac: known });
const side = z.looseObject({ name: z.string() });
const period = z.looseObject({ index: num });

/** What each bench prints as JSON, after its head. */
const BENCHES = {
  tilt: { year, goal: z.string(), plans: z.array(tiltPlan), days: num },
  shade: {
    year,
    expectedKwh: months,
    openKwh: months,
    accountKwh: months,
    byRule: z.array(z.strictObject({ rule: z.string(), lostKwh: num })),
    costs: z.array(z.looseObject({ id: z.string(), monthsKwh: months })),
  },
  /** Left out where the sun is down for a part of the window. */
  rows: { rowHeightM: num.optional(), gapM: num.optional(), pitchM: num.optional() },
  compass: { magneticDeg: num, trueDeg: num, declinationDeg: num, model: z.string(), outdated: z.boolean() },
  case: {
    case: z.string(),
    year,
    figures: z.record(z.string(), num),
    base: z.string(),
    perKwh: sum,
    decisions: z.array(
      z.strictObject({
        name: z.string(),
        extraMonthsKwh: months,
        extraKwh: num,
        firstYearValue: sum,
        extraCost: sum,
        paybackYears: known,
        netPresentValue: sum,
        balance: z.array(z.strictObject({ year: num, amount: num, discounted: num })),
        isWorthIt: z.boolean(),
        flipPerKwh: sum.nullable(),
        flipSide: z.enum(["above", "below"]).nullable(),
        flipCost: sum,
        aheadFromYears: known,
      }),
    ),
  },
  loan: {
    principal: sum,
    ratePerYearFrac: num,
    termYears: num,
    monthlyPayment: sum,
    interestTotal: sum,
    years: z.array(z.strictObject({ year: num, paid: sum, interest: sum, remaining: sum })),
  },
  "spot-check": {
    module: z.string(),
    reading: spotReadingSchema,
    cellTempC: num,
    cellFrom: z.enum(["back", "air", "nothing"]),
    cellPlusMinusK: num,
    lightWm2: num,
    expected: operatingPoint,
    judged: z.array(
      z.strictObject({
        quantity: z.string(),
        read: num,
        expected: num,
        plusMinus: num,
        verdict: z.enum(["as-expected", "low", "high"]),
      }),
    ),
    isRough: z.boolean(),
    impliedIrradianceWm2: known,
    impliedCellTempC: known,
    causes: z.array(z.string()),
    verdict: z.string(),
  },
  "inverter-reading": {
    inverter: z.string(),
    dcW: num,
    acW: inverterReadingSchema.shape.acW,
    apparentVa: known,
    efficiencyFrac: known,
    powerFactor: known,
    inputs: z.array(z.strictObject({ dcW: num, perStringW: num, ofMeanFrac: num })),
    ofExpectedFrac: known,
    findings: z.array(z.string()),
    moment: z.strictObject({ planeWm2: num, referenceW: num, accountsW: z.record(z.string(), num), expectedW: num }),
  },
  "mixed-string": {
    year,
    peaks: z.array(peak),
    togetherW: num,
    byStringW: num,
    byModuleW: num,
    rule: peak,
    ruleOffFrac: num,
    weakestOfMiddle: num,
    curve: z.array(z.tuple([num, num])),
    yearKwh: z.strictObject({ togetherKwh: num, byStringKwh: num, byModuleKwh: num, nameplateKwh: num }).nullable(),
  },
  cable: {
    array: z.string(),
    check: stringCheck.nullable(),
    sections: z.array(
      z.strictObject({ areaMm2: num, dropV: num, dropFrac: num, lossW: num, lossKwhPerYear: num, cost: num, lifeCost: num }),
    ),
    cheapestMm2: known,
  },
  modules: {
    year,
    modules: z.array(
      z.strictObject({
        name: z.string(),
        count: num,
        kwp: num,
        areaM2: known,
        efficiencyFrac: known,
        hotFrac: known,
        lowLightFrac: known,
        cost: num,
        yearKwh: num,
        costPerKwh: num,
      }),
    ),
  },
  snow: {
    year,
    storms: z.array(
      z.looseObject({
        depthCm: num,
        fallTempC: num,
        afterTempC: num,
        kind: z.enum(["wet", "dry"]),
        lyingHours: num,
        lostKwh: num,
        clearingKwh: num,
      }),
    ),
    albedo: z.array(z.strictObject({ tiltDeg: num, gainKwh: months, bareKwh: months })),
  },
  loads: {
    year,
    doubts: z.array(z.unknown()),
    months: z.array(loadMonth),
    worst: loadMonth,
    usableKwh: num,
    autonomyDays: known,
    loadW: num,
    chargeA: num,
    chargerShort: z.boolean(),
    chargeRate: num,
  },
  trial: {
    ...trialQuestionSchema.shape,
    verdict: z.string(),
    a: side,
    b: side,
    difference: z.looseObject(interval),
    pairedDays: num,
    days: num,
    months: z.array(z.looseObject({ a: num, b: num, pairedFrac: num })),
    hours: z.array(z.looseObject({ a: num, b: num })),
    light: z.array(z.looseObject({ a: num, b: num })),
    ends: z.looseObject({}),
    year: z.looseObject({ a: num, b: num, frac: num }).nullable(),
    naive: z.looseObject({ a: num, b: num, frac: num }),
    differs: z.array(z.unknown()),
  },
  change: {
    ...changeQuestionSchema.shape,
    leftOut: z.unknown(),
    verdict: z.string(),
    before: period,
    after: period,
    ...interval,
    rawFrac: num,
    sharedMonths: z.array(num),
    matched: z.boolean(),
  },
} as const;

export const BENCH_FORMS = Object.keys(BENCHES) as (keyof typeof BENCHES)[];

/** What `bench NAME --json` prints. */
export const benchSchema = (name: keyof typeof BENCHES): z.ZodType => z.strictObject({ ...printedHead(`bench-${name}`), ...BENCHES[name] });

/** What `money --json` prints. */
export const moneyPrintedSchema = z.strictObject({
  ...printedHead("money"),
  ...moneyReportSchema.shape,
  breakEven: z.looseObject({ low: num, high: known }).nullable(),
  bills: billsReportSchema.nullable(),
  plans: planComparisonSchema.nullable(),
});
