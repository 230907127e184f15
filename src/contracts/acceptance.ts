import { z } from "zod";
import { CAPACITY_FILTERS, type CapacityReport, USUAL_TERMS } from "@/core/capacity";
import { GUARANTEE_KINDS, type GuaranteeYear } from "@/core/guarantee";
import { say } from "@/wording/validation";
import { LIMITS } from "./limits";
import { decimalAmount, frac, isoDate, upTo, wholeNumber } from "./primitives";

/** Lengths of a test's intervals, minutes: an hour holds each a whole number of times. */
export const AVERAGE_MINUTES = [5, 10, 15, 20, 30, 60] as const;

const inOrder = <T extends { from: string | null; to: string | null }>({ from, to }: T): boolean =>
  from === null || to === null || from <= to;
const share = frac.min(0.01, say.atLeastAHundredth);

export const conditionsSchema = z.strictObject({
  poaWm2: z.number().min(100, say.lightOfATest).max(1500, say.lightOfATest),
  airTempC: z.number().min(-40, say.airOfATest).max(60, say.airOfATest),
  windSpeedMs: z.number().min(0, say.windOfATest).max(40, say.windOfATest),
});

/** A capacity test over local days, both ends included. */
export const capacityQuestionSchema = z
  .strictObject({
    kind: z.literal("capacity"),
    from: isoDate.nullable().default(null),
    to: isoDate.nullable().default(null),
    /** Null for the shortest from a quarter of an hour on that hold a whole number of readings. */
    averageMinutes: z.literal(AVERAGE_MINUTES).nullable().default(null),
    leastWm2: z.number().min(50, say.leastLight).max(1000, say.leastLight).default(USUAL_TERMS.leastWm2),
    swingFrac: share.default(USUAL_TERMS.swingFrac),
    bandFrac: share.default(USUAL_TERMS.bandFrac),
    conditions: conditionsSchema.nullable().default(null),
    targetKw: z.number().positive(say.moreThanNothing).max(10_000_000).nullable().default(null),
    passFrac: z.number().min(0.3, say.passLineOfATest).max(1.5, say.passLineOfATest).default(USUAL_TERMS.passFrac),
  })
  .refine(inOrder, { message: say.endsBeforeItBegins, path: ["to"] });
export type CapacityQuestion = z.output<typeof capacityQuestionSchema>;

export const exclusionSchema = z
  .strictObject({ from: isoDate, to: isoDate, why: z.string().trim().min(1, say.sayWhy).max(200) })
  .refine(inOrder, { message: say.endsBeforeItBegins, path: ["to"] });

/** Years of a contract that are settled at once. */
const MOST_YEARS = 30;

/** A contract's guarantee. */
export const guaranteeQuestionSchema = z.strictObject({
  kind: z.literal("guarantee"),
  of: z.enum(GUARANTEE_KINDS),
  from: isoDate,
  years: z.int().min(1, say.yearsOfAContract).max(MOST_YEARS, say.yearsOfAContract),
  guaranteedFrac: z.number().min(0.1, say.guaranteedShare).max(1.5, say.guaranteedShare),
  fallPerYearFrac: z.number().min(0, say.fallAYear).max(0.05, say.fallAYear).default(0),
  deadBandFrac: z.number().min(0, say.deadBand).max(0.2, say.deadBand).default(0),
  mostMissingFrac: frac.default(0.1),
  exclusions: upTo(exclusionSchema, LIMITS.exclusions).default([]),
  /** Damages for each kilowatt-hour that is short, in the site's currency. */
  damagesPerKwh: decimalAmount.nullable().default(null),
});
export type GuaranteeQuestion = z.output<typeof guaranteeQuestionSchema>;

export const acceptanceQuestionSchema = z.discriminatedUnion("kind", [capacityQuestionSchema, guaranteeQuestionSchema]);
export type AcceptanceQuestion = z.output<typeof acceptanceQuestionSchema>;

const four = z.tuple([z.number(), z.number(), z.number(), z.number()]);
const fitSchema = z.strictObject({ coefficients: four, errors: four, capacityKw: z.number(), residualKw: z.number() });

export const capacityReportSchema = z.strictObject({
  kind: z.literal("capacity"),
  outcome: z.enum(["passed", "failed", "open", "too-few", "not-separable"]),
  fromUtcMs: z.number(),
  toUtcMs: z.number(),
  averageMinutes: z.int(),
  filters: z.array(
    z.strictObject({ filter: z.enum(CAPACITY_FILTERS), takenOut: z.int(), alone: z.int(), left: z.int(), isTold: z.boolean() }),
  ),
  intervals: z.int(),
  days: z.int(),
  conditions: z.strictObject({ poaWm2: z.number(), airTempC: z.number(), windSpeedMs: z.number() }).nullable(),
  hasWind: z.boolean(),
  hasPlaneSensor: z.boolean(),
  ratedKw: z.number().nullable(),
  lightErrorFrac: z.number(),
  metered: fitSchema.nullable(),
  expected: fitSchema.nullable(),
  targetKw: z.number().nullable(),
  ratio: z.number().nullable(),
  scatterFrac: z.number().nullable(),
  lightFrac: z.number().nullable(),
  halfFrac: z.number().nullable(),
  /** Some of the kept intervals, for the picture: light, metered and expected power. */
  shown: z.array(z.tuple([z.number(), z.number(), z.number()])),
});
export type CapacityAnswer = z.output<typeof capacityReportSchema>;

const measuredSchema = z.strictObject({
  index: z.number().nullable(),
  half: z.number(),
  overKwh: z.number(),
  meteredKwh: z.number(),
});

export const guaranteeReportSchema = z.strictObject({
  kind: z.literal("guarantee"),
  of: z.enum(GUARANTEE_KINDS),
  lightErrorFrac: z.number(),
  /** Spans that the field book says something outside held the plant in. */
  held: z.array(z.strictObject({ from: z.string(), to: z.string() })),
  years: z.array(
    z.strictObject({
      from: z.string(),
      to: z.string(),
      isOver: z.boolean(),
      guaranteed: z.number(),
      allIn: measuredSchema,
      without: measuredSchema,
      leftOutKwh: z.array(z.number()),
      missingFrac: z.number(),
      outcome: z.enum(["kept", "missed", "open", "too-little-read", "no-readings"]),
      shortFrac: z.number(),
      shortKwh: z.number(),
      damages: z.string().nullable(),
    }),
  ),
});
export type GuaranteeAnswer = z.output<typeof guaranteeReportSchema>;
export type GuaranteeAnswerYear = GuaranteeAnswer["years"][number];

export const acceptanceReportSchema = z.discriminatedUnion("kind", [capacityReportSchema, guaranteeReportSchema]);
export type AcceptanceReport = z.output<typeof acceptanceReportSchema>;

/** What a kept test rests on: what would have to be the same for it to give the same again. */
export const frozenSchema = z.strictObject({
  siteVersion: z.int(),
  /** Of the site document, the readings as they were settled, and the field book's spans. */
  siteHash: z.string(),
  inputHash: z.string(),
  /** Files of which the readings came, by fingerprint. */
  files: z.array(z.strictObject({ name: z.string(), fingerprint: z.string() })),
});
export type Frozen = z.output<typeof frozenSchema>;

export const newTestSchema = z.strictObject({
  name: z.string().trim().min(1, say.giveTheTestAName).max(LIMITS.name.most),
  question: acceptanceQuestionSchema,
});
export type NewTest = z.output<typeof newTestSchema>;

export const keptTestSchema = z.strictObject({
  id: wholeNumber,
  name: z.string(),
  keptAt: z.string(),
  question: acceptanceQuestionSchema,
  report: acceptanceReportSchema,
  frozen: frozenSchema,
});
export type KeptTest = z.output<typeof keptTestSchema>;

/** A kept test made once more. */
export const repeatedSchema = z.strictObject({
  isSame: z.boolean(),
  areReadingsSame: z.boolean(),
  isSiteSame: z.boolean(),
  report: acceptanceReportSchema,
});

/** Points that a picture of a test can tell apart. */
const MOST_SHOWN = 1200;

export function packCapacity(
  report: CapacityReport,
  own: Pick<CapacityAnswer, "hasPlaneSensor" | "ratedKw" | "lightErrorFrac"> & { readonly fromUtcMs: number; readonly toUtcMs: number },
): CapacityAnswer {
  const { axis, kept, filters, conditions, metered, expected, ...rest } = report;
  const every = Math.max(1, Math.ceil(kept.length / MOST_SHOWN));
  const packed = (of: CapacityReport["metered"]) => of && { ...of, coefficients: [...of.coefficients], errors: [...of.errors] };
  return capacityReportSchema.parse({
    kind: "capacity",
    ...own,
    ...rest,
    averageMinutes: axis.stepMinutes,
    filters: [...filters],
    conditions: conditions && { ...conditions },
    metered: packed(metered),
    expected: packed(expected),
    shown: kept
      .filter((_, k) => k % every === 0)
      .map(({ poaWm2, meteredKw, expectedKw }) => [
        Number(poaWm2.toFixed(1)),
        Number(meteredKw.toPrecision(5)),
        Number(expectedKw.toPrecision(5)),
      ]),
  });
}

export const packYear = (year: GuaranteeYear, damages: string | null): GuaranteeAnswerYear => ({
  ...year,
  allIn: { ...year.allIn },
  without: { ...year.without },
  leftOutKwh: [...year.leftOutKwh],
  damages,
});
