// Longer than a file should be, on purpose: one report, whose parts are read together.
import { z } from "zod";
import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { causeKinds, RESIDUAL_AXES } from "@/core/attribution";
import { LIGHT_SOURCES } from "@/core/site";
import { fieldEntrySchema, type StoredEntry } from "./field-book";
import { foundPostingsSchema, ledgerLineSchema } from "./ledger";
import { partReportSchema, sheddingSchema } from "./parts";

const interval = z.strictObject({ value: z.number(), low: z.number(), high: z.number() });

/** A cause found in the readings. Energies are at the meter: what would have come without this cause alone. */
export const causeFindingSchema = z.strictObject({
  key: z.string(),
  kind: z.enum(causeKinds),
  fromUtcMs: z.number(),
  toUtcMs: z.number(),
  kwh: z.number().nullable(),
  kwhLow: z.number().nullable(),
  kwhHigh: z.number().nullable(),
  confidenceFrac: z.number(),
  facts: z.record(z.string(), z.union([z.number().nullable(), z.string()])),
  /** Index of the field-book entry that tells of it; null where none does. */
  entry: z.number().int().nullable(),
});
export type BookCause = z.output<typeof causeFindingSchema>;

export const indicatorsSchema = z.strictObject({
  key: z.string(),
  performanceRatio: z.number().nullable(),
  temperatureCorrectedRatio: z.number().nullable(),
  usualHeatRatio: z.number().nullable(),
  /** Against the light on both sides; null where the modules have one. */
  twoSidedRatio: z.number().nullable(),
  specificYieldKwhPerKwp: z.number().nullable(),
  energyPerformanceIndex: z.number().nullable(),
  availabilityByTimeFrac: z.number().nullable(),
  availabilityByEnergyFrac: z.number().nullable(),
  readFrac: z.number(),
});
export type Indicators = z.output<typeof indicatorsSchema>;

const method = z.strictObject({
  name: z.enum(["year-on-year", "trend", "naive"]),
  perYearFrac: z.number().nullable(),
  low: z.number().nullable(),
  high: z.number().nullable(),
});

export const ageingReportSchema = z.strictObject({
  years: z.number(),
  perYearFrac: z.number().nullable(),
  low: z.number().nullable(),
  high: z.number().nullable(),
  isTooSoon: z.boolean(),
  /** Half the interval's width with one, two and three more years. */
  halfWidthLater: z.array(z.number().nullable()),
  firstStep: interval.nullable(),
  /** A change of pace: its month, the rates before and after it, and half of the later one's interval. */
  recent: z
    .strictObject({ fromMonth: z.string(), beforePerYearFrac: z.number(), perYearFrac: z.number(), halfFrac: z.number() })
    .nullable(),
  /** Half swing of the index through the year, with its highest and lowest month, 0 to 11. */
  wave: z.strictObject({ halfFrac: z.number(), highest: z.number().int(), lowest: z.number().int() }).nullable(),
  /** Metered over expected by cell temperature (C), angle of incidence (degrees) and load (share of nameplate); null where readings are coarser than hours. */
  residuals: z
    .array(
      z.strictObject({
        by: z.enum(RESIDUAL_AXES),
        bins: z.array(z.strictObject({ from: z.number(), to: z.number(), frac: z.number(), standardFrac: z.number(), hours: z.number() })),
        lean: z.strictObject({ frac: z.number(), halfFrac: z.number() }).nullable(),
      }),
    )
    .nullable(),
  /** Halves of the interval by what they come from. */
  halfScatterFrac: z.number().nullable(),
  halfLightFrac: z.number().nullable(),
  /** Where the light comes from, and how often the field book has its sensor calibrated within the record. */
  lightSource: z.enum(LIGHT_SOURCES),
  calibrations: z.number().int(),
  /** A step of the light column: index of its day, by how much the light reads more from then on, and what the field book has of the sensor near it. */
  lightStep: z
    .strictObject({ day: z.number().int(), frac: z.number(), entry: z.enum(["calibration", "sensor-cleaning"]).nullable() })
    .nullable(),
  /** How the light moved against a cloudless sky, share a year, with one deviation, and what of it the rate is corrected by. */
  lightDrift: z
    .strictObject({ perYearFrac: z.number(), standardFrac: z.number(), takenPerYearFrac: z.number(), pairs: z.number().int() })
    .nullable(),
  /** False where the light was measured in the plane or comes by the day: then nothing sets it against a cloudless sky. */
  isLightStepSought: z.boolean(),
  /** What the standing level says to the guaranteed one. */
  verdict: z.enum(["too-soon", "within", "below", "undecided", "no-warranty", "age-unknown"]),
  /** What the rate alone says to the guaranteed one; below needs three years. */
  rateVerdict: z.enum(["slower", "faster", "undecided", "unphysical"]).nullable(),
  /** Output over rating at the record's end, with its 95 % interval, what is guaranteed at that age, and the level that the index calls one. */
  level: z
    .strictObject({
      ageYears: z.number().nullable(),
      frac: z.number(),
      low: z.number(),
      high: z.number(),
      guaranteedFrac: z.number().nullable(),
      indexFrac: z.number(),
    })
    .nullable(),
  plannedPerYearFrac: z.number(),
  warranty: z
    .strictObject({
      years: z.number(),
      firstYearFrac: z.number(),
      perYearFrac: z.number(),
      steps: z.array(z.strictObject({ untilYears: z.number(), frac: z.number() })),
      toleranceFrac: z.number(),
    })
    .nullable(),
  methods: z.array(method),
  filters: z.array(z.strictObject({ name: z.string(), days: z.number().int(), perYearFrac: z.number().nullable() })),
  /** Days that the reading is made of; fewer filters are used where too few days would be left. */
  usedDays: z.number().int(),
  /** Middle of the index by local day with dirt put back, as a ratio to the first level; null where a day tells nothing. */
  days: z.array(z.string()),
  index: z.array(z.number().nullable()),
  /** Changes between days a year apart: index of the first day, and the change a year as a share. */
  pairs: z.array(z.strictObject({ day: z.number().int(), changeFrac: z.number() })),
  /** The rate's whole doubt in steps of 2.5 %, as losses a year: medians of the bootstrap samples, widened by what the light leaves open. */
  fan: z.array(z.number()),
  yearTotals: z.array(z.strictObject({ key: z.string(), kwh: z.number() })),
  ageAtStartYears: z.number(),
  draws: z.number().int(),
  seed: z.number().int(),
});
export type AgeingReport = z.output<typeof ageingReportSchema>;

export const soilingReportSchema = z.strictObject({
  isSeen: z.boolean(),
  ratePerDayFrac: z.number(),
  rateLowFrac: z.number(),
  rateHighFrac: z.number(),
  meanLostFrac: z.number(),
  washing: z.strictObject({ thresholdMm: z.number(), scaleMm: z.number() }),
  lostFracByDay: z.array(z.number()),
  resets: z.array(
    z.strictObject({ date: z.string(), cause: z.enum(["rain", "cleaning", "suspected"]), beforeFrac: z.number(), effectFrac: z.number() }),
  ),
  /** What each cleaning brought until rain or the next one, kWh at the meter. */
  cleanings: z.array(z.strictObject({ date: z.string(), cause: z.enum(["cleaning", "suspected"]), gainKwh: z.number() })),
  /** Mean energy that one cleaning on a day of this week of the year would bring where all else is left to the rain, over the years there are, kWh; weeks from 1 January. */
  gainByWeekKwh: z.array(z.number()),
  /** On the last day of the record: lost share, and what a cleaning then would bring with the rain of the years there are. */
  nowFrac: z.number(),
  nowGainKwh: z.number(),
  daysToRain: z.number().nullable(),
});
export type SoilingReport = z.output<typeof soilingReportSchema>;

export const snowReportSchema = z.strictObject({
  winters: z.array(
    z.strictObject({
      key: z.string(),
      days: z.number().int(),
      lostKwh: z.number(),
      spells: z.number().int(),
      /** What clearing on the day after each fall would have brought. */
      clearingKwh: z.number(),
    }),
  ),
  spells: z.array(z.strictObject({ fromUtcMs: z.number(), toUtcMs: z.number(), lostKwh: z.number(), clearingKwh: z.number() })),
  lostFracByDay: z.array(z.number()),
});
export type SnowReport = z.output<typeof snowReportSchema>;

/** How a plane stands against the book's, degrees clockwise and steeper; a part that the book has right is zero. */
const planeOffsetSchema = z.strictObject({ azimuthOffsetDeg: z.number(), tiltOffsetDeg: z.number() });

export const orientationReportSchema = z.strictObject({
  azimuthOffsetDeg: interval,
  tiltOffsetDeg: interval,
  clockMinutes: interval,
  days: z.number().int(),
  hours: z.number().int(),
  bookMissFrac: z.number(),
  fittedMissFrac: z.number(),
  bookLevelFrac: z.number(),
  fittedLevelFrac: z.number(),
  planeOffset: planeOffsetSchema.nullable(),
  arrays: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      azimuthDeg: z.number(),
      fittedAzimuthDeg: z.number(),
      tiltDeg: z.number(),
      fittedTiltDeg: z.number(),
    }),
  ),
  /** Expected energy of a mean year with the fitted plane minus with the book's, kWh. */
  changeKwhPerYear: z.number(),
});

export type OrientationReport = z.output<typeof orientationReportSchema>;

/** What a search found that holds on, so that days after its record can be read without searching it all again. */
export const fittedAttributionSchema = z.strictObject({
  endUtcMs: z.number(),
  ceilingW: z.number().nullable(),
  retained: z.array(z.number()),
  dirtPerDayFrac: z.number(),
  washing: z.strictObject({ thresholdMm: z.number(), scaleMm: z.number() }),
  ageing: z.strictObject({ perYearFrac: z.number(), firstStepFrac: z.number() }).nullable(),
  planeOffset: planeOffsetSchema.nullable(),
  shade: z.array(z.strictObject({ azimuthDeg: z.number(), elevationDeg: z.number(), ratio: z.number() })),
  heat: z.strictObject({ fromC: z.number(), perKFrac: z.number() }).nullable(),
  stringsOut: z.array(
    z.strictObject({
      fromUtcMs: z.number(),
      lostFrac: z.number(),
      measuredFrac: z.number(),
      part: z.strictObject({ kind: z.enum(["strings", "inverter", "modules"]), out: z.number(), of: z.number() }),
    }),
  ),
  /** Hours with light, and of them with the plant up, by local month: for availability. */
  upByMonth: z.record(z.string(), z.strictObject({ up: z.number(), lit: z.number() })),
  /** Last month of the record, and its last local day. */
  lastMonth: z.string(),
  lastDay: z.string(),
  /** Findings that may go on after the record's end, as they stood there. */
  mayGoOn: z.array(causeFindingSchema),
  /** Fingerprint of site, entries and months before the last one: with another one the record itself has changed. */
  record: z.string(),
});

/** What readings this coarse, or without these sensors, can't tell apart. */
export const untellables = ["months", "days", "orientation", "snow-from-outage", "snow-depth", "rain", "rating"] as const;
export type Untellable = (typeof untellables)[number];

/** What an entry of the field book did to the output. */
export const entryEffectSchema = z.strictObject({
  code: z.enum(["took-off-dirt", "not-seen", "matches", "changes-nothing"]),
  /** Share of dirt that a cleaning took off. */
  effectFrac: z.number().nullable(),
});
export type EntryEffect = z.output<typeof entryEffectSchema>;

/** Rises when the search for causes changes: what an older edition stored is made anew. */
export const ATTRIBUTION_EDITION = 14;

/** What was found beside the plan in a month, kWh at the meter. */
export const foundMonthSchema = z.strictObject({ key: z.string(), foundKwh: foundPostingsSchema });
export type FoundMonth = z.output<typeof foundMonthSchema>;

/** All that the readings say of causes: what was found beside the plan, each month walked by evidence, findings, and the chapters' figures. */
export const attributionViewSchema = z.strictObject({
  found: z.array(foundMonthSchema),
  months: z.array(ledgerLineSchema),
  years: z.array(ledgerLineSchema),
  all: ledgerLineSchema,
  indicators: z.array(indicatorsSchema),
  findings: z.array(causeFindingSchema),
  entries: z.array(fieldEntrySchema.extend({ findings: z.array(z.string()), effect: entryEffectSchema })),
  resolution: z.enum(["hours", "days", "months"]),
  /** Accounts that readings this coarse, or without these sensors, can't tell apart. */
  cannotTell: z.array(z.enum(untellables)),
  ceilingW: z.number().nullable(),
  levelFrac: z.number(),
  days: z.array(z.string()),
  orientation: orientationReportSchema.nullable(),
  skyFields: z.array(
    z.strictObject({ azimuthDeg: z.number(), elevationDeg: z.number(), ratio: z.number(), hours: z.number().int(), isShaded: z.boolean() }),
  ),
  soiling: soilingReportSchema,
  snow: snowReportSchema,
  ageing: ageingReportSchema,
  /** Parts of the plant that the readings tell apart; empty where they don't. */
  parts: z.array(partReportSchema),
  /** Which array sheds snow when; empty with one array, or without snow. */
  shedding: z.array(sheddingSchema),
  /** End of the record as read now; after the fit's end where days were added since the last whole search. */
  endUtcMs: z.number(),
  milliseconds: z.number(),
});
export type AttributionView = z.output<typeof attributionViewSchema>;

/** What a search gives: its view for pages, and what it fitted for the days to come. */
export const attributionReportSchema = attributionViewSchema.extend({
  edition: z.literal(ATTRIBUTION_EDITION),
  fitted: fittedAttributionSchema,
});
export type AttributionReport = z.output<typeof attributionReportSchema>;

/** A posting of one account: what the model budgets and what the readings show, kWh. */
export const postingPairSchema = z.strictObject({
  account: z.enum(LEDGER_ACCOUNTS),
  plannedKwh: z.number().nullable(),
  foundKwh: z.number().nullable(),
});
export type PostingPair = z.output<typeof postingPairSchema>;

export const attributionStates = ["waiting", "running", "done", "cancelled", "failed"] as const;
export type AttributionState = (typeof attributionStates)[number];

/** Why a search gave nothing. */
export const attributionFaults = ["no-common-time", "failed"] as const;
export type AttributionFault = (typeof attributionFaults)[number];

/** How far the search for causes of a book is, as a page sees it. */
export const attributionRunSchema = z.strictObject({
  state: z.enum(attributionStates),
  doneFrac: z.number(),
  fault: z.enum(attributionFaults).nullable(),
  isCurrent: z.boolean(),
  hasReport: z.boolean(),
});
export type AttributionRun = z.output<typeof attributionRunSchema>;

/** What the search for causes saw of each entry, by its id; entries written since are not among them. */
export function entryEffects(entries: readonly StoredEntry[], view: Pick<AttributionView, "entries"> | null): Record<number, EntryEffect> {
  const effects = entries.flatMap(({ id, from, kind, note }) => {
    const seen = view?.entries.find((entry) => entry.from === from && entry.kind === kind && entry.note === note);
    return seen ? [[id, seen.effect] as const] : [];
  });
  return Object.fromEntries(effects);
}

/** What is asked of a search: to stop, or to begin again. */
export const attributionActionSchema = z.strictObject({ action: z.enum(["cancel", "again"]) });

/** Payload of the job that seeks the causes of one book. */
export const attributionJobSchema = z.strictObject({ bookId: z.uuid() });
