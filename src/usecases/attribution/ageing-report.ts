import type { AgeingReport } from "@/contracts/attribution";
import type { FieldEntry } from "@/contracts/field-book";
import { fanOfRates, guaranteedFrac, type ModuleLevel, moduleLevel, rateVerdict, warrantyVerdict } from "@/core/ageing";
import { ageAtStartOf, type Evidence, residualsOf } from "@/core/attribution";
import { quantileOf } from "@/core/statistics";
import { DAYS_PER_YEAR } from "@/core/units";
import { levelStandardFrac } from "@/core/yield";
import { sensorEntryNear } from "./match-entries";

const known = (value: number): number | null => (Number.isFinite(value) ? value : null);
const brief = (value: number): number | null => (Number.isFinite(value) ? Math.round(value * 1e4) / 1e4 : null);
/** Enough pairs for a picture. */
const SHOWN_PAIRS = 1500;

/** The ageing reading as it is stored and shown. */
export function ageingReport(evidence: Evidence, entries: readonly FieldEntry[], draws: number, seed: number): AgeingReport {
  const { ageing, frame, soiling } = evidence;
  const { site } = frame;
  const level = firstLevel(ageing, soiling.cleanLog);
  const standing = standingLevel(evidence);
  // Rates of two paces are of the same light as the one.
  const driftLog = ageing.lightDrift?.takenPerYearFrac ?? 0;
  const every = Math.max(1, Math.ceil(ageing.yearOnYear.pairs.length / SHOWN_PAIRS));
  return {
    years: ageing.years,
    perYearFrac: known(ageing.perYearFrac),
    low: known(ageing.low),
    high: known(ageing.high),
    isTooSoon: ageing.isTooSoon,
    halfWidthLater: ageing.halfWidthLater.map(known),
    firstStep: ageing.firstStep && { value: ageing.firstStep.frac, low: ageing.firstStep.low, high: ageing.firstStep.high },
    recent: ageing.recent && {
      fromMonth: ageing.recent.fromMonth,
      beforePerYearFrac: -(ageing.recent.beforeLog + driftLog),
      perYearFrac: -(ageing.recent.recentLog + driftLog),
      halfFrac: Math.hypot(ageing.recent.halfLog, ageing.halfLightFrac),
    },
    wave: ageing.wave,
    residuals: residualsOf(evidence)?.map(({ by, bins, lean }) => ({ by, bins: [...bins], lean })) ?? null,
    halfScatterFrac: known(ageing.halfScatterFrac),
    halfLightFrac: known(ageing.halfLightFrac),
    lightSource: site.lightSource,
    calibrations: ageing.calibrations,
    lightStep: ageing.lightStep && { ...ageing.lightStep, entry: sensorEntryNear(frame.days.keys[ageing.lightStep.day]!, entries) },
    lightDrift: ageing.lightDrift,
    isLightStepSought: ageing.isLightStepSought,
    verdict: warrantyVerdict(standing, site.warranty),
    rateVerdict: rateVerdict(ageing, site.warranty),
    level: standing && {
      ...standing,
      guaranteedFrac: site.warranty && standing.ageYears !== null ? guaranteedFrac(site.warranty, standing.ageYears) : null,
      indexFrac: Math.exp(level),
    },
    plannedPerYearFrac: site.ageing.perYearFrac,
    warranty: site.warranty && { ...site.warranty, steps: [...site.warranty.steps] },
    methods: ageing.methods.map((method) => ({
      ...method,
      perYearFrac: known(method.perYearFrac),
      low: known(method.low),
      high: known(method.high),
    })),
    filters: ageing.filters.map((filter) => ({ ...filter, perYearFrac: known(filter.perYearFrac) })),
    usedDays: ageing.usedDays,
    days: [...frame.days.keys],
    index: [...soiling.cleanLog].map((log) => brief(Math.exp(log - level))),
    pairs: ageing.yearOnYear.pairs
      .filter((_, k) => k % every === 0)
      .map(({ day, changeLog }) => ({ day, changeFrac: Math.round(changeLog * 1e5) / 1e5 })),
    fan: fanOfRates(ageing),
    yearTotals: ageing.naive.years.map(({ key, kwh }) => ({ key, kwh })),
    ageAtStartYears: ageAtStartOf(frame),
    draws,
    seed,
  };
}

/** Where the modules of a search stand against their rating. */
const standingLevel = ({ ageing, frame, soiling }: Pick<Evidence, "ageing" | "frame" | "soiling">): ModuleLevel | null =>
  moduleLevel({
    reading: ageing,
    cleanLog: soiling.cleanLog,
    ageAtStartYears: frame.site.commissioned === null ? null : ageAtStartOf(frame),
    standardFrac: levelStandardFrac(frame.site, { inPlane: frame.weather.poaWm2 !== null, assumed: frame.weather.assumed }),
  });

/** Level of the log at the first day, along the slope that was read. */
function firstLevel({ yearOnYear }: Evidence["ageing"], cleanLog: Float64Array): number {
  const slope = Number.isNaN(yearOnYear.slopeLog) ? 0 : yearOnYear.slopeLog;
  const level = quantileOf(
    cleanLog.map((log, d) => log - (slope * d) / DAYS_PER_YEAR),
    0.5,
  );
  return Number.isNaN(level) ? 0 : level;
}
