// Longer than a file should be, on purpose: the site document is one format, published as one schema.
import { z } from "zod";
import { ESTIMATED_FIELDS } from "@/core/module";
import { ASSUMPTIONS, BATTERY_KINDS, LIGHT_SOURCES, type Site } from "@/core/site";
import { isTimeZone } from "@/core/time";
import { say } from "@/wording/validation";
import { LIMITS } from "./limits";
import { moneySchema } from "./money-terms";
import { byName, dayOfYearSchema, decimalAmount, frac, identifier, isoDate, plainKey, upTo } from "./primitives";

export { dayOfYearSchema, decimalAmount, moneySchema };

const positive = (what: string) => z.number().gt(0, say.mustBeAbove0(what));
const azimuthDeg = z.number().min(0, say.azimuthRunsFrom0NorthClockwise).lt(360, say.azimuthRunsFrom0NorthClockwise2);
export const tiltSchema = z.number().min(0, say.tiltIsMeasuredFromHorizontal0).max(90, say.tiltIsMeasuredFromHorizontal02);

const monthly = (value: z.ZodNumber) => z.array(value).length(12, say.giveTwelveMonthsJanuaryFirst);

export const placeSchema = z.strictObject({
  latitudeDeg: z.number().min(-90, say.latitudeLiesBetween90SouthPole).max(90, say.latitudeLiesBetween90And90),
  longitudeDeg: z.number().min(-180, say.longitudeLiesBetween180And180).max(180, say.longitudeLiesBetween180And180),
  elevationM: z.number().min(-430).max(9000).default(0),
  timeZone: z.string().refine(isTimeZone, say.nameATimeZoneOfThe).default("UTC"),
  recordLowC: z.number().min(-90).max(40, say.theColdestAirOnRecordIn).nullable().default(null),
  recordHighC: z.number().min(-20).max(65, say.theHottestDaysAirInC).nullable().default(null),
});

const rising = (values: readonly number[]): boolean => values.every((value, k) => k === 0 || value > values[k - 1]!);

/** Power measured after IEC 61853-1: a row a light, a column a cell temperature. What was not measured is null; 25 C and 1000 W/m2 are. */
export const powerMatrixSchema = z
  .strictObject({
    irradianceWm2: z
      .array(z.number().gt(0).max(1500, say.matrixLight))
      .min(2, say.matrixRows)
      .max(LIMITS.matrixLines.most)
      .refine(rising, say.matrixRises),
    cellTempC: z
      .array(z.number().min(-40, say.matrixHeat).max(120, say.matrixHeat))
      .min(1)
      .max(LIMITS.matrixLines.most)
      .refine(rising, say.matrixRises),
    powerW: z.array(z.array(z.number().min(0).max(5000).nullable()).max(LIMITS.matrixLines.most)).max(LIMITS.matrixLines.most),
  })
  .superRefine(({ irradianceWm2, cellTempC, powerW }, context) => {
    const refuse = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, input: powerW, message });
    if (powerW.length !== irradianceWm2.length || powerW.some((row) => row.length !== cellTempC.length))
      return refuse(["powerW"], say.matrixShape(irradianceWm2.length, cellTempC.length));
    const at25 = cellTempC.indexOf(25);
    if (at25 < 0) return refuse(["cellTempC"], say.matrixNeeds25);
    if (!irradianceWm2.includes(1000)) return refuse(["irradianceWm2"], say.matrixNeeds1000);
    const gap = powerW.findIndex((row) => !(row[at25]! > 0));
    if (gap >= 0) refuse(["powerW", gap, at25], say.matrixGap(irradianceWm2[gap]!));
  });

export const moduleSchema = z
  .strictObject({
    pmpW: positive("rated power").max(2000, say.aModulesRatedPowerIsIn),
    vocV: positive("open-circuit voltage").nullable().default(null),
    iscA: positive("short-circuit current").nullable().default(null),
    vmpV: positive(say.voltageAtMaximumPower).nullable().default(null),
    impA: positive(say.currentAtMaximumPower).nullable().default(null),
    cellsInSeries: z.int().positive().nullable().default(null),
    bypassDiodes: z.int().min(0).default(3),
    gammaPmpPerK: z.number().max(0, say.modulesLosePowerWhenTheyWarm).min(-0.01, say.isAShareAKelvinWrite).default(-0.0036),
    betaVocPerK: z.number().max(0, say.theCoefficientOfVoltageIsNegative).min(-0.01).default(-0.0028),
    alphaIscPerK: z.number().min(-0.001).max(0.005).default(0.0005),
    noctC: z.number().min(20).max(90).default(45),
    areaM2: positive("area").nullable().default(null),
    maxSystemV: positive(say.highestSystemVoltage).max(3000).nullable().default(null),
    bifacialityFrac: frac.default(0),
    lowLightLossFrac: z.number().min(-0.02, say.lowLightLoss).max(0.2, say.lowLightLoss).nullable().default(null),
    powerMatrix: powerMatrixSchema.nullable().default(null),
    estimated: z.array(z.enum(ESTIMATED_FIELDS)).max(ESTIMATED_FIELDS.length).default([]),
  })
  .superRefine(({ pmpW, vocV, iscA, vmpV, impA }, context) => {
    const question = (field: string, input: unknown, message: string) =>
      context.addIssue({ code: "custom", path: [field], input, message });
    if (vmpV !== null && vocV !== null && vmpV >= vocV) {
      question("vmpV", vmpV, say.voltageAtMaximumPowerLiesUnder(vocV));
    }
    if (impA !== null && iscA !== null && impA >= iscA) {
      question("impA", impA, say.currentAtMaximumPowerLiesUnder(iscA));
    }
    if (vmpV !== null && impA !== null && Math.abs((vmpV * impA) / pmpW - 1) > 0.03) {
      const product = Math.round(vmpV * impA * 10) / 10;
      question("pmpW", pmpW, say.impaVmpvIsWMoreThan(product));
    }
  });

const horizonSchema = upTo(
  z.strictObject({
    azimuthDeg,
    elevationDeg: z.number().min(0, say.aHorizonLiesAt0Or).max(90, say.aHorizonEndsAt90Straight),
  }),
  LIMITS.horizonPoints,
);

export const obstacleKinds = ["tree", "pole", "wall", "building", "row", "box"] as const;
const heightM = positive("height").max(500, say.heightsAreInMetres);
const obstacleShape = {
  kind: z.enum(obstacleKinds, say.anObstacleIsOneOfTree),
  name: z.string().max(80).default(""),
  heightM,
  widthM: positive("width").max(1000, say.widthsAreInMetres),
  depthM: positive("depth").max(1000).nullable().default(null),
  facingDeg: azimuthDeg.nullable().default(null),
  baseM: z.number().min(0).nullable().default(null),
  lightThroughMonthlyFrac: monthly(frac).nullable().default(null),
};
export const obstacleSchema = z
  .strictObject({ ...obstacleShape, azimuthDeg, distanceM: positive("distance").max(20_000, say.distancesAreInMetres) })
  .refine(({ baseM, heightM: top }) => baseM === null || baseM < top, {
    path: ["baseM"],
    error: say.theClearHeightUnderItLies,
  });
const inPlan = z.number().min(-20_000, say.thePlanIsInMetres).max(20_000, say.thePlanIsInMetres);
export const siteObstacleSchema = z
  .strictObject({ id: identifier, ...obstacleShape, eastM: inPlan, northM: inPlan })
  .refine(({ baseM, heightM: top }) => baseM === null || baseM < top, {
    path: ["baseM"],
    error: say.theClearHeightUnderItLies,
  });

export const shadeRules = ["module-level", "bypass-diodes", "worst-module"] as const;

export const mountings = ["open-rack", "roof-gap", "roof-close", "building-integrated"] as const;

/** Name of a single module, as its recorder writes it. */
export const moduleIdSchema = z.string().trim().max(LIMITS.name.most);

export const arraySchema = z.strictObject({
  id: identifier,
  name: z.string().max(80).default(""),
  module: identifier,
  count: z
    .int(say.countWholeModules)
    .positive(say.thereIsAtLeastOneModule)
    .max(LIMITS.moduleCount.most, say.atMostOf(LIMITS.moduleCount.most, LIMITS.moduleCount.what)),
  modulesPerString: z.int().positive().max(1000).nullable().default(null),
  tiltDeg: tiltSchema,
  azimuthDeg,
  mounting: z.enum(mountings, say.mountingIsOneOfOpenRack).default("open-rack"),
  tiltSchedule: upTo(z.strictObject({ from: dayOfYearSchema, tiltDeg: tiltSchema }), LIMITS.tiltSteps).default([]),
  rows: z.int(say.countWholeRows).positive().max(LIMITS.moduleCount.most).nullable().default(null),
  orientation: z.enum(["portrait", "landscape"]).default("portrait"),
  eastM: inPlan.nullable().default(null),
  northM: inPlan.nullable().default(null),
  baseHeightM: z.number().min(0, say.theLowerEdgeLiesAtThe).max(300, say.heightsAreInMetres).default(0),
  rowPitchM: positive(say.fromRowToRow).max(300, say.heightsAreInMetres).nullable().default(null),
  shadeRule: z.enum(shadeRules, say.aShadeRuleIsOneOf).nullable().default(null),
  horizon: horizonSchema.default([]),
  obstacles: upTo(obstacleSchema, LIMITS.obstacles).default([]),
  moduleIds: upTo(upTo(moduleIdSchema, LIMITS.gridLines), LIMITS.gridLines).default([]),
  rack: z
    .strictObject({ frameM: positive(say.lengthAlongTheFrame).max(50), baseM: positive(say.lengthAlongTheBase).max(50) })
    .nullable()
    .default(null),
});

export const inverterSchema = z.strictObject({
  id: identifier,
  arrays: upTo(identifier, LIMITS.arrays).min(1, say.nameTheArraysOnThisInverter),
  acRatedW: positive("AC rating").max(1e9),
  ratedEfficiencyFrac: frac.gt(0.3, say.isAShareWrite972).default(0.96),
  perModule: z.boolean().default(false),
  exportLimitW: z.number().min(0).nullable().default(null),
  maxDcV: positive(say.highestDcVoltage).max(2000).nullable().default(null),
  mpptMinV: z.number().min(0).max(2000).nullable().default(null),
  mpptMaxV: positive(say.upperEndOfTheWindow).max(2000).nullable().default(null),
  inputMaxA: positive("input current").max(10_000).nullable().default(null),
  inputs: z.int().positive().max(1000).nullable().default(null),
  dcInputLimitW: positive(say.dcInputLimit).nullable().default(null),
  heatDerating: z
    .strictObject({
      fromC: z.number().min(-20).max(90),
      perKFrac: z.number().gt(0, say.aShareOfTheRatingAK).max(0.2, say.aShareOfTheRatingAK),
      overAirK: z.number().min(0).max(40).default(0),
    })
    .nullable()
    .default(null),
  nightDrawW: z.number().min(0).max(1000).default(0),
  efficiencyCurve: z
    .array(z.strictObject({ loadFrac: z.number().gt(0).max(2), efficiencyFrac: frac.gt(0, say.isAShareWrite97As) }))
    .min(2, say.aCurveHasAtLeastTwo)
    .max(LIMITS.curvePoints.most, say.atMostOf(LIMITS.curvePoints.most, LIMITS.curvePoints.what))
    .refine((points) => points.every((p, k) => k === 0 || p.loadFrac > points[k - 1]!.loadFrac), say.listThePointsByRisingLoad)
    .nullable()
    .default(null),
  king: z
    .strictObject({
      pac0W: positive("AC rating"),
      pdc0W: positive("DC rating"),
      vdc0V: positive("DC voltage"),
      ps0W: z.number().min(0),
      c0: z.number(),
      c1: z.number(),
      c2: z.number(),
      c3: z.number(),
      nightW: z.number().min(0),
    })
    .nullable()
    .default(null),
});

export const meterSchema = z.strictObject({
  id: identifier,
  point: z.enum(["dc", "ac", "net", "export", "import"], say.aMeteringPointIsOneOf),
  arrays: upTo(identifier, LIMITS.arrays).default([]),
});

export const lossesSchema = z.strictObject({
  mismatchFrac: frac.default(0.01),
  dcWiringFrac: frac.default(0.015),
  acWiringFrac: frac.default(0.005),
  soilingFrac: frac.default(0.02),
  availabilityFrac: frac.default(0),
  transformerFrac: frac.default(0),
  transformerNoLoadW: z.number().min(0).max(1e6).default(0),
  soilingMonthlyFrac: monthly(frac).nullable().default(null),
  snowMonthlyFrac: monthly(frac).nullable().default(null),
});

export const soilingSchema = z.strictObject({
  ratePerDayFrac: z.number().min(0).max(0.05, say.isAShareADayWrite).default(0.001),
  cleaningRainMm: z.number().min(0).max(200).default(6),
  graceDays: z.int().min(0).max(365).default(5),
  maxFrac: frac.default(0.3),
});

/** Methods by stage of the chain, first the default. The words are those of the interface and of the file. */
export const modelChoices = {
  decomposition: ["erbs", "disc"],
  transposition: ["hay-davies", "isotropic", "reindl", "perez"],
  reflection: ["martin-ruiz", "ashrae", "fresnel"],
  cellTemperature: ["faiman", "ross", "king"],
  power: ["coefficient", "single-diode"],
  soiling: ["fixed", "build-up"],
  shading: ["by-array", "module-level", "bypass-diodes", "worst-module", "none"],
  snow: ["none", "sliding", "monthly"],
  inverter: ["part-load", "constant", "king"],
  subHourlyClipping: ["corrected", "ignored"],
} as const;

export const modelsSchema = z.strictObject({
  decomposition: z.enum(modelChoices.decomposition).default("erbs"),
  transposition: z.enum(modelChoices.transposition).default("hay-davies"),
  reflection: z.enum(modelChoices.reflection).default("martin-ruiz"),
  cellTemperature: z.enum(modelChoices.cellTemperature).default("faiman"),
  power: z.enum(modelChoices.power).default("coefficient"),
  soiling: z.enum(modelChoices.soiling).default("fixed"),
  shading: z.enum(modelChoices.shading).default("by-array"),
  snow: z.enum(modelChoices.snow).default("none"),
  inverter: z.enum(modelChoices.inverter).default("part-load"),
  subHourlyClipping: z.enum(modelChoices.subHourlyClipping).default("corrected"),
});

const ageingFields = { firstYearFrac: frac.default(0.005), perYearFrac: frac.default(0.005) };
export const ageingSchema = z.strictObject(ageingFields);
export const promiseSchema = z.strictObject({
  monthlyKwh: z
    .array(z.number().min(0))
    .length(12, say.aPromiseHasTwelveMonthsJanuary)
    .refine((months) => months.some((kwh) => kwh > 0), say.aPromiseOfNothing),
  isSpread: z.boolean().default(false),
});

/** The site document: form, route and file. Unknown fields are refused by name; defaults are those of docs/formats.md. */
export const siteSchema = z
  .strictObject({
    format: z.literal("dusty-ledger/site", 'a site file says "format": "dusty-ledger/site"'),
    version: z.literal(1, "this program reads version 1 of the site format"),
    name: z.string().trim().min(1, say.giveTheSiteAName).max(80).default("Unnamed site"),
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, say.writeACurrencyByItsThree)
      .default("EUR"),
    commissioned: isoDate.nullable().default(null),
    place: placeSchema,
    assumed: z.array(z.enum(ASSUMPTIONS)).max(ASSUMPTIONS.length).default([]),
    exportLimitW: z.number().min(0).max(1e9).nullable().default(null),
    lightSource: z.enum(LIGHT_SOURCES, say.aLightSourceIsOneOf).default("unknown"),
    lightPlane: z.strictObject({ tiltDeg: tiltSchema, azimuthDeg }).nullable().default(null),
    albedo: frac.default(0.2),
    albedoMonthly: monthly(frac).nullable().default(null),
    modules: byName(identifier, moduleSchema)
      .refine((m) => Object.keys(m).length > 0, say.nameAtLeastOneModuleType)
      .refine((m) => Object.keys(m).length <= LIMITS.modules.most, say.atMostOf(LIMITS.modules.most, LIMITS.modules.what)),
    arrays: upTo(arraySchema, LIMITS.arrays).min(1, say.aSiteHasAtLeastOne),
    horizon: horizonSchema.default([]),
    obstacles: upTo(siteObstacleSchema, LIMITS.obstacles).default([]),
    inverters: upTo(inverterSchema, LIMITS.inverters).default([]),
    chargeController: z
      .strictObject({ maxA: positive(say.currentIntoTheBattery).max(10_000).nullable().default(null) })
      .nullable()
      .default(null),
    battery: z
      .strictObject({
        kind: z.enum(BATTERY_KINDS).nullable().default(null),
        capacityKwh: positive("capacity").max(1e6),
        voltageV: positive("voltage").max(2000).nullable().default(null),
      })
      .nullable()
      .default(null),
    meters: upTo(meterSchema, LIMITS.meters).default([{ id: "main", point: "ac", arrays: [] }]),
    losses: lossesSchema.prefault({}),
    soiling: soilingSchema.prefault({}),
    ageing: ageingSchema.prefault({}),
    warranty: z
      .strictObject({
        years: z.number().positive().max(60),
        ...ageingFields,
        steps: upTo(
          z.strictObject({ untilYears: z.number().positive().max(60), frac: frac.gt(0.3, say.isAShareWrite972) }),
          LIMITS.warrantySteps,
        )
          .refine((steps) => steps.every(({ untilYears }, k) => k === 0 || untilYears > steps[k - 1]!.untilYears), say.stepsRiseInYears)
          .default([]),
        toleranceFrac: frac.max(0.2, say.aToleranceIsAShare).default(0),
      })
      .nullable()
      .default(null),
    promise: promiseSchema.nullable().default(null),
    money: moneySchema.prefault({}),
    models: modelsSchema.prefault({}),
    /** Dates of the owner's own: an insurance, an inspection. */
    reminders: z
      .array(
        z.strictObject({
          on: isoDate,
          what: z.string().trim().min(1).max(120),
          everyYears: z.number().int().min(1).max(30).nullable().default(null),
        }),
      )
      .max(LIMITS.reminders.most, say.atMostOf(LIMITS.reminders.most, LIMITS.reminders.what))
      .default([]),
    revisions: z
      .array(
        z.strictObject({
          from: isoDate,
          note: z.string().max(LIMITS.note.most, say.atMost2000CharactersShorten).default(""),
          change: byName(plainKey(60), z.unknown()).refine(
            (change) => Object.keys(change).length <= LIMITS.revisionFields.most,
            say.aRevisionChangesAtMost(LIMITS.revisionFields.most),
          ),
        }),
      )
      .max(LIMITS.revisions.most, say.atMostOf(LIMITS.revisions.most, LIMITS.revisions.what))
      .default([]),
  })
  .superRefine((site, context) => {
    if (site.money.tariff.exportUntil !== null && site.commissioned === null)
      context.addIssue({
        code: "custom",
        path: ["money", "tariff", "exportUntil"],
        input: site.money.tariff.exportUntil,
        message: say.anEndNeedsABeginning,
      });
    const arrays = new Set(site.arrays.map((array) => array.id));
    site.arrays.forEach((array, i) => {
      if (!Object.hasOwn(site.modules, array.module)) {
        context.addIssue({
          code: "custom",
          path: ["arrays", i, "module"],
          input: array.module,
          message: say.namesAModuleTypeThatModules(Object.keys(site.modules).join(", ")),
        });
      }
    });
    const named = new Set<string>();
    site.arrays.forEach(({ moduleIds }, i) => {
      const twice = moduleIds.flat().find((id) => id !== "" && named.size === named.add(id).size);
      if (twice !== undefined)
        context.addIssue({ code: "custom", path: ["arrays", i, "moduleIds"], input: twice, message: say.aModuleLiesInOnePlace(twice) });
    });
    if (arrays.size < site.arrays.length) {
      context.addIssue({ code: "custom", path: ["arrays"], message: say.twoArraysShareAnIdEach });
    }
    for (const [list, items] of [
      ["inverters", site.inverters],
      ["meters", site.meters],
    ] as const) {
      items.forEach((item, i) => {
        const unknown = item.arrays.find((id) => !arrays.has(id));
        if (unknown !== undefined) {
          context.addIssue({
            code: "custom",
            path: [list, i, "arrays"],
            input: unknown,
            message: say.namesArrayWhichTheSiteLacks(unknown, [...arrays].join(", ")),
          });
        }
      });
    }
  });

export type SiteDocument = z.output<typeof siteSchema>;
export type SiteInput = z.input<typeof siteSchema>;

/** The document is the core's site with its two format marks: this line fails to compile when they drift apart. */
export const asSite = (document: SiteDocument): Site => document;
