import {
  ATTRIBUTION_EDITION,
  type AttributionReport,
  attributionReportSchema,
  type FoundMonth,
  type Untellable,
} from "@/contracts/attribution";
import type { FieldEntry } from "@/contracts/field-book";
import {
  attributedRun,
  type CauseFinding,
  causeFindings,
  type Evidence,
  fittedOf,
  foundLosses,
  type OrderedLimit,
  seekEvidence,
} from "@/core/attribution";
import { type LedgerLine, ledgerLines, totalLine } from "@/core/ledger";
import { siteAcRatedW } from "@/core/site";
import { monthBins } from "@/core/time";
import { DAY_MS, HOURS_PER_YEAR } from "@/core/units";
import { type PreparedWeather, prepareWeather, type YieldRun } from "@/core/yield";
import type { OpenLedger } from "@/usecases/ledger";
import { calibrationsOf, cleaningsOf, limitsOf } from "../field-book";
import { ageingReport } from "./ageing-report";
import { snowReport, soilingReport } from "./dirt-and-snow";
import { indicatorsOf } from "./indicators";
import { matchEntries } from "./match-entries";
import { partReports } from "./part-reports";
import { recordKey } from "./record-key";
import { sheddingOf } from "./shedding";
import type { UpHours } from "./up-hours";
import { upTo } from "./up-to";

export interface AttributionInput {
  readonly ledger: OpenLedger;
  readonly entries: readonly FieldEntry[];
  readonly draws?: number;
  readonly seed?: number;
}

export const USUAL_DRAWS = 1000;
const SEED = 20_411;

/** Seeks the causes of a book's gap and posts each month by evidence beside its budget. Null without weather or readings. */
export function attribute(input: AttributionInput): AttributionReport | null {
  const search = attributeStepwise(input);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

/** The same step by step, giving the share that is done. */
export function* attributeStepwise(input: AttributionInput): Generator<number, AttributionReport | null> {
  const started = performance.now();
  const { ledger, entries } = input;
  const { site, weather, metered, run, meters } = ledger;
  if (!weather || !metered || !run || ledger.report.all.meteredKwh === null) return null;
  const terms: SearchTerms = {
    draws: input.draws ?? USUAL_DRAWS,
    seed: input.seed ?? SEED,
    cleanings: cleaningsOf(entries),
    limits: limitsOf(entries),
    calibrations: calibrationsOf(entries),
  };
  const wholeFrac = 1 / (1 + ledger.partMeters.length);
  const months = ledger.report.months.map(({ key, meteredKwh, readFrac }) => ({ key, kwh: meteredKwh ?? 0, readFrac }));
  const evidence = yield* upTo(0, wholeFrac, seekEvidence({ site, weather, metered, meters, months, ...terms }));
  const { parts, up } = yield* upTo(wholeFrac, 1, partReports(ledger, evidence, terms));
  // By the hour the search has it already.
  const prepared = evidence.stepsAnHour === 1 ? evidence.frame.prepared : prepareWeather(site.place, weather);
  const bins = monthBins(weather.axis, site.place.timeZone);
  const found = attributedRun(site, prepared, bins, evidence, run);
  const besides = foundLosses(site, prepared, bins, evidence, { planned: run, readFrac: metered.readFrac, cleanings: terms.cleanings });
  const shown = new Set(months.map(({ key }) => key));
  const lines = ledgerLines(found, metered, ledger.promise).filter(({ key }) => shown.has(key));
  const foundMonths = bins.keys.map((key, b) => ({ key, foundKwh: besides[b]! })).filter(({ key }) => shown.has(key));
  const report = reportOf({ ledger, entries, evidence, parts, up, prepared, terms, lines, planned: run, found, foundMonths });
  return attributionReportSchema.parse({ ...report, milliseconds: Math.round(performance.now() - started) });
}

interface SearchTerms {
  readonly draws: number;
  readonly seed: number;
  /** Local dates of cleanings in the field book. */
  readonly cleanings: readonly string[];
  /** Spans in which something outside held the plant. */
  readonly limits: readonly OrderedLimit[];
  /** Local dates of the light sensor's calibrations. */
  readonly calibrations: readonly string[];
}

/** All that a search leaves for a report to be made of. */
interface Searched {
  readonly ledger: OpenLedger;
  readonly entries: readonly FieldEntry[];
  readonly evidence: Evidence;
  readonly parts: AttributionReport["parts"];
  /** Hours up, by local month. */
  readonly up: ReadonlyMap<string, UpHours>;
  readonly prepared: PreparedWeather;
  readonly terms: SearchTerms;
  /** Months by evidence. */
  readonly lines: LedgerLine[];
  readonly planned: YieldRun;
  readonly found: YieldRun;
  /** What was found beside the plan, by month. */
  readonly foundMonths: FoundMonth[];
}

function reportOf(searched: Searched): Omit<AttributionReport, "milliseconds"> {
  const { ledger, entries, evidence, parts, up, prepared, terms, lines, planned, found, foundMonths } = searched;
  const { site } = ledger;
  const [years, all] = [yearLines(lines), totalLine("all", lines)];
  const causes = causeFindings(evidence, site.inverters.length > 0 ? siteAcRatedW(site) : null, site.ageing.perYearFrac);
  const matched = matchEntries(entries, causes, evidence.soiling.resets, evidence.frame.days.keys, site.place.timeZone);
  const findings = causes.map((finding, f) => storedFinding(finding, matched.entryOf[f]!));
  const fitted = fittedState(searched, findings);
  return {
    edition: ATTRIBUTION_EDITION,
    found: foundMonths,
    months: lines,
    years,
    all,
    indicators: indicatorsOf([...lines, ...years, all], plannedLines(ledger), up, site),
    findings,
    entries: entries.map((entry, e) => ({
      ...entry,
      findings: matched.entries[e]!.findings.map((f) => findings[f]!.key),
      effect: matched.entries[e]!.effect,
    })),
    resolution: evidence.frame.resolution,
    cannotTell: cannotTell(evidence),
    ceilingW: evidence.ceiling?.powerW ?? null,
    levelFrac: evidence.rating.levelFrac,
    days: [...evidence.frame.days.keys],
    orientation: orientationReport(evidence, found, planned),
    skyFields: evidence.shade.fields.map((field) => ({ ...field, ratio: Math.round(field.ratio * 1000) / 1000 })),
    soiling: soilingReport(evidence),
    snow: snowReport(evidence),
    ageing: ageingReport(evidence, entries, terms.draws, terms.seed),
    parts,
    shedding: sheddingOf(site, prepared, evidence.snow.spells.length),
    fitted,
    endUtcMs: fitted.endUtcMs,
  };
}

/** What holds on after the record's end, with what days to come need of the record. */
function fittedState(
  { ledger, entries, evidence, lines, up }: Searched,
  findings: AttributionReport["findings"],
): AttributionReport["fitted"] {
  const fitted = fittedOf(evidence);
  const lastMonth = lines.at(-1)?.key ?? "";
  return {
    ...fitted,
    retained: [...fitted.retained],
    shade: [...fitted.shade],
    stringsOut: [...fitted.stringsOut],
    upByMonth: Object.fromEntries(up),
    lastMonth,
    lastDay: evidence.frame.days.keys.at(-1) ?? "",
    mayGoOn: findings.filter(({ kind, toUtcMs }) => GO_ON.includes(kind) && toUtcMs > fitted.endUtcMs - GO_ON_DAYS * DAY_MS),
    record: recordKey(ledger, entries, lastMonth),
  };
}

/** Kinds of findings that days to come may lengthen, and how long after their end: a winter's spells lie far apart. */
const GO_ON: readonly CauseFinding["kind"][] = ["outage", "held-low", "strings-out", "snow"];
const GO_ON_DAYS = 80;

export const plannedLines = ({ report }: OpenLedger): LedgerLine[] => [...report.months, ...report.years, report.all];

export const yearLines = (months: readonly LedgerLine[]): LedgerLine[] =>
  [...new Set(months.map(({ key }) => key.slice(0, 4)))].map((year) =>
    totalLine(
      year,
      months.filter(({ key }) => key.startsWith(year)),
    ),
  );

/** A finding as it is stored: numbers that can't be told are null in JSON. */
export const storedFinding = (finding: CauseFinding, entry: number | null): AttributionReport["findings"][number] => ({
  ...finding,
  ...asData(finding),
  key: `${finding.kind}/${finding.fromUtcMs}`,
  entry,
});

const asData = ({ facts }: CauseFinding): { facts: Record<string, number | string | null> } => ({
  facts: Object.fromEntries(
    Object.entries(facts).map(([name, value]) => [name, typeof value === "number" && !Number.isFinite(value) ? null : value]),
  ),
});

/** What readings this coarse, or without these sensors, can't tell apart. */
function cannotTell({ frame, orientation }: Evidence): Untellable[] {
  const { rainMm, snowDepthCm } = frame.weather;
  const out: Untellable[] = [];
  if (frame.resolution === "months") out.push("months");
  if (frame.resolution === "days") out.push("days");
  if (frame.resolution === "hours" && !orientation) out.push("orientation");
  if (!snowDepthCm) out.push(rainMm ? "snow-depth" : "snow-from-outage");
  if (!rainMm) out.push("rain");
  out.push("rating");
  return out;
}

function orientationReport({ orientation, frame }: Evidence, found: YieldRun, planned: YieldRun): AttributionReport["orientation"] {
  if (!orientation) return null;
  const years = (frame.axis.count * frame.axis.stepMinutes) / 60 / HOURS_PER_YEAR;
  const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
  const reference = sum(planned.referenceKwh);
  const off = sum(found.accountsKwh.orientation);
  const { azimuthOffsetDeg, tiltOffsetDeg, clockMinutes } = orientation;
  return {
    azimuthOffsetDeg: azimuthOffsetDeg,
    tiltOffsetDeg: tiltOffsetDeg,
    clockMinutes,
    days: orientation.days,
    hours: Math.round(orientation.hours),
    bookMissFrac: orientation.bookMissFrac,
    fittedMissFrac: orientation.fittedMissFrac,
    bookLevelFrac: orientation.bookLevelFrac,
    fittedLevelFrac: orientation.fittedLevelFrac,
    planeOffset: orientation.planeOffset,
    arrays: orientation.site.arrays.map(({ id, name, azimuthDeg, tiltDeg }) => ({
      id,
      name,
      azimuthDeg,
      fittedAzimuthDeg: (((azimuthDeg + azimuthOffsetDeg.value) % 360) + 360) % 360,
      tiltDeg,
      fittedTiltDeg: Math.max(0, Math.min(90, tiltDeg + tiltOffsetDeg.value)),
    })),
    changeKwhPerYear: reference > 0 ? -(off / reference) * (sum(planned.expectedByBinKwh) / years) : 0,
  };
}
