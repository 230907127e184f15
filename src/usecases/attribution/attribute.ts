import { ATTRIBUTION_EDITION, type AttributionReport, attributionReportSchema } from "@/contracts/attribution";
import type { FieldEntry } from "@/contracts/field-book";
import { attributedRun, type CauseFinding, causeFindings, type Evidence, fittedOf, seekEvidence } from "@/core/attribution";
import { type LedgerLine, ledgerLines, totalLine } from "@/core/ledger";
import { siteAcRatedW } from "@/core/site";
import { monthBins } from "@/core/time";
import { DAY_MS, HOURS_PER_YEAR } from "@/core/units";
import { prepareWeather, type YieldRun } from "@/core/yield";
import type { OpenLedger } from "@/usecases/ledger";
import { causeInWords } from "@/wording/findings/attribution";
import { ageingReport } from "./ageing-report";
import { snowReport, soilingReport } from "./dirt-and-snow";
import { indicatorsOf, upByMonth } from "./indicators";
import { matchEntries } from "./match-entries";
import { partReports } from "./part-reports";
import { recordKey } from "./record-key";
import { sheddingOf } from "./shedding";
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
  const [draws, seed] = [input.draws ?? USUAL_DRAWS, input.seed ?? SEED];
  const cleanings = entries.filter(({ kind }) => kind === "cleaning").map(({ to }) => to.slice(0, 10));
  const wholeFrac = 1 / (1 + ledger.partMeters.length);
  const evidence = yield* upTo(
    0,
    wholeFrac,
    seekEvidence({
      site,
      weather,
      metered,
      meters,
      cleanings,
      months: ledger.report.months.map(({ key, meteredKwh, readFrac }) => ({ key, kwh: meteredKwh ?? 0, readFrac })),
      draws,
      seed,
    }),
  );
  const parts = yield* upTo(wholeFrac, 1, partReports(ledger, evidence, { cleanings, draws, seed }));
  const bins = monthBins(weather.axis, site.place.timeZone);
  // By the hour the search has it already.
  const prepared = evidence.stepsAnHour === 1 ? evidence.frame.prepared : prepareWeather(site.place, weather);
  const actual = attributedRun(site, prepared, bins, evidence, run);
  const shown = new Set(ledger.report.months.map(({ key }) => key));
  const months = ledgerLines(actual, metered, ledger.promise).filter(({ key }) => shown.has(key));
  const years = yearLines(months);
  const all = totalLine("all", months);
  const ratedW = site.inverters.length > 0 ? siteAcRatedW(site) : null;
  const found = causeFindings(evidence, ratedW, site.ageing.perYearFrac);
  const up = upByMonth(evidence);
  const matched = matchEntries(entries, found, evidence.soiling.resets, evidence.frame.days.keys, site.place.timeZone);
  const fitted = fittedOf(evidence);
  const kept = found.map((finding, f) => storedFinding(finding, site.place.timeZone, matched.entryOf[f]!));
  const keys = found.map(({ kind, fromUtcMs }) => `${kind}/${fromUtcMs}`);
  return attributionReportSchema.parse({
    edition: ATTRIBUTION_EDITION,
    months,
    years,
    all,
    indicators: indicatorsOf([...months, ...years, all], plannedLines(ledger), up, site),
    findings: kept,
    entries: entries.map((entry, e) => ({
      ...entry,
      findings: matched.entries[e]!.findings.map((f) => keys[f]!),
      effect: matched.entries[e]!.effect,
    })),
    resolution: evidence.frame.resolution,
    cannotTell: cannotTell(evidence),
    ceilingW: evidence.ceiling?.powerW ?? null,
    levelFrac: evidence.rating.levelFrac,
    days: [...evidence.frame.days.keys],
    orientation: orientationReport(evidence, actual, run),
    skyFields: evidence.shade.fields.map((field) => ({ ...field, ratio: Math.round(field.ratio * 1000) / 1000 })),
    soiling: soilingReport(evidence),
    snow: snowReport(evidence),
    ageing: ageingReport(evidence, draws, seed),
    parts,
    shedding: sheddingOf(site, prepared, evidence.snow.spells.length),
    fitted: {
      ...fitted,
      retained: [...fitted.retained],
      shade: [...fitted.shade],
      stringsOut: [...fitted.stringsOut],
      upByMonth: Object.fromEntries(up),
      lastMonth: months.at(-1)?.key ?? "",
      lastDay: evidence.frame.days.keys.at(-1) ?? "",
      mayGoOn: kept.filter(({ kind, toUtcMs }) => GO_ON.includes(kind) && toUtcMs > fitted.endUtcMs - GO_ON_DAYS * DAY_MS),
      record: recordKey(ledger, entries, months.at(-1)?.key ?? ""),
    },
    endUtcMs: fitted.endUtcMs,
    milliseconds: Math.round(performance.now() - started),
  } satisfies AttributionReport);
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

/** A finding as it is kept: numbers that can't be told are null in JSON, with its words. */
export const storedFinding = (finding: CauseFinding, timeZone: string, entry: number | null): AttributionReport["findings"][number] => ({
  ...finding,
  ...asData(finding),
  ...causeInWords(finding, timeZone),
  key: `${finding.kind}/${finding.fromUtcMs}`,
  entry,
});

const asData = ({ facts }: CauseFinding): { facts: Record<string, number | string | null> } => ({
  facts: Object.fromEntries(
    Object.entries(facts).map(([name, value]) => [name, typeof value === "number" && !Number.isFinite(value) ? null : value]),
  ),
});

/** What readings this coarse, or without these sensors, can't tell apart. */
function cannotTell({ frame, orientation }: Evidence): string[] {
  const out: string[] = [];
  if (frame.resolution === "months")
    out.push(
      "Monthly figures: outages, strings out, shading, orientation and the inverter's ceiling can't be told; snow is what winter months lack, dirt is modelled from rain.",
    );
  if (frame.resolution === "days")
    out.push("Daily figures: orientation, shading and the inverter's ceiling can't be told from the shape of a day.");
  if (frame.resolution === "hours" && !orientation)
    out.push(
      "Orientation can't be told: there are too few clear days, or no plane explains their curves. Accept what Readings proposes for the clock, or bring a longer record.",
    );
  if (!frame.weather.snowDepthCm && !frame.weather.rainMm) out.push("No snow depth and no rain: snow can't be told from an outage.");
  else if (!frame.weather.snowDepthCm) out.push("No snow depth: snow is taken from precipitation in cold air.");
  if (!frame.weather.rainMm) out.push("No rain: dirt is told from jumps of the output alone, and a rain can't be told from a cleaning.");
  out.push("Rating of the modules, gain of the irradiance sensor and gain of the meter act alike all year: they share one account.");
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
