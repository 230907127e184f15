import { ATTRIBUTION_EDITION, type AttributionReport, attributionReportSchema } from "@/contracts/attribution";
import type { FieldEntry } from "@/contracts/field-book";
import { attributedRun, type CauseFinding, datedFindings, extendEvidence, foundLosses, type RunEvidence } from "@/core/attribution";
import { ledgerLines, type MeteredOnAxis, totalLine } from "@/core/ledger";
import { endUtcMs, indexAt } from "@/core/series";
import { monthBins } from "@/core/time";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { sliceWeather } from "@/core/weather";
import { prepareWeather, runPrepared } from "@/core/yield";
import type { OpenLedger } from "@/usecases/ledger";
import { cleaningsOf, limitsOf } from "../field-book";
import { plannedLines, storedFinding, yearLines } from "./attribute";
import { indicatorsOf } from "./indicators";
import { recordKey } from "./record-key";
import { type UpHours, upByMonth } from "./up-hours";

/** Weeks before the last month, from which what is usual is told. */
const LEAD_DAYS = 100;
/** Laws older than this are read anew: dirt may grow otherwise. */
const MOST_ADDED_DAYS = 31;
/** Findings of one kind this near to one another are one: standstill and strings go on, a winter has its spells. */
const SAME_DAYS = { outage: 1, "held-low": 12, "strings-out": 2, snow: 75 } as const;

/**
 * A report brought up to days that were added since, by its laws: months from the last one on are worked out anew, all others stand. Null where
 * that can't be done (another edition, an older month changed, too many days, readings coarser than hours): then the record is searched whole.
 */
export function extendAttribution(report: AttributionReport, ledger: OpenLedger, entries: readonly FieldEntry[]): AttributionReport | null {
  const started = performance.now();
  const { fitted } = report;
  const { site, weather, metered } = ledger;
  if (report.edition !== ATTRIBUTION_EDITION || !weather || !metered || fitted.lastMonth === "" || report.resolution !== "hours")
    return null;
  const end = endUtcMs(weather.axis);
  if (end <= fitted.endUtcMs || end > fitted.endUtcMs + MOST_ADDED_DAYS * DAY_MS) return null;
  if (recordKey(ledger, entries, fitted.lastMonth) !== fitted.record) return null;
  const from = Math.max(0, indexAt(weather.axis, fitted.endUtcMs - LEAD_DAYS * DAY_MS));
  const window = sliceWeather(weather, from, weather.axis.count);
  const cut = cutMetered(metered, from);
  const evidence = extendEvidence({
    site,
    weather: window,
    metered: cut,
    meters: ledger.meters,
    cleanings: cleaningsOf(entries),
    limits: limitsOf(entries),
    fitted,
    dirtByDay: new Map(
      report.days.flatMap((day, d) => (day <= fitted.lastDay ? [[day, report.soiling.lostFracByDay[d] ?? 0] as const] : [])),
    ),
  });
  if (!evidence) return null;
  const bins = monthBins(window.axis, site.place.timeZone);
  const prepared = prepareWeather(site.place, window);
  const cleanings = cleaningsOf(entries);
  const planned = runPrepared(site, prepared, bins, { cleanings });
  const lines = ledgerLines(attributedRun(site, prepared, bins, evidence, planned), cut, ledger.promise);
  const besides = foundLosses(site, prepared, bins, evidence, { planned, readFrac: cut.readFrac, cleanings });
  const changed = fitted.lastMonth;
  const months = [...report.months.filter(({ key }) => key < changed), ...lines.filter(({ key }) => key >= changed)];
  const [years, all] = [yearLines(months), totalLine("all", months)];
  const up = new Map<string, UpHours>(Object.entries(fitted.upByMonth));
  // Months told by the parts' own meters stay so, and new ones wait for the next whole search: two ways in one column would contradict each other.
  if (!report.parts.some(({ source }) => source === "meter"))
    for (const [month, hours] of upByMonth(evidence)) if (month >= changed) up.set(month, hours);
  return attributionReportSchema.parse({
    ...report,
    found: [
      ...report.found.filter(({ key }) => key < changed),
      ...bins.keys.map((key, b) => ({ key, foundKwh: besides[b]! })).filter(({ key }) => key >= changed),
    ],
    months,
    years,
    all,
    indicators: indicatorsOf([...months, ...years, all], plannedLines(ledger), up, site),
    findings: withNewDays(report, evidence),
    ...byDay(report, evidence),
    endUtcMs: end,
    milliseconds: Math.round(performance.now() - started),
  } satisfies AttributionReport);
}

const cutMetered = (metered: MeteredOnAxis, from: number): MeteredOnAxis => ({
  ...metered,
  kwh: metered.kwh.subarray(from),
  readFrac: metered.readFrac.subarray(from),
  split: metered.split.subarray(from),
});

/** Findings of the whole search, those that go on with what the new days add, and new ones. */
function withNewDays({ findings, fitted }: AttributionReport, evidence: RunEvidence): AttributionReport["findings"] {
  const { axis } = evidence.frame;
  const first = Math.max(0, Math.ceil((fitted.endUtcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS)));
  const later = <T extends { from: number; to: number }>(spans: readonly T[]): T[] =>
    spans.filter(({ to }) => to > first).map((span) => ({ ...span, from: Math.max(first, span.from) }));
  const added = datedFindings({
    ...evidence,
    outages: { ...evidence.outages, outages: later(evidence.outages.outages) },
    curtailed: { ...evidence.curtailed, spells: later(evidence.curtailed.spells) },
    snow: { ...evidence.snow, spells: later(evidence.snow.spells) },
    strings: later(evidence.strings),
  });
  // What an earlier extension added is worked out anew, from the findings as they stood at the laws' end.
  const out = findings
    .filter(({ fromUtcMs }) => fromUtcMs < fitted.endUtcMs)
    .map((finding) => fitted.mayGoOn.find(({ key }) => key === finding.key) ?? finding);
  for (const finding of added) {
    const gapMs = SAME_DAYS[finding.kind as keyof typeof SAME_DAYS] * DAY_MS;
    const existing = out.findLastIndex(
      ({ kind, toUtcMs }) => kind === finding.kind && toUtcMs >= finding.fromUtcMs - gapMs && toUtcMs <= fitted.endUtcMs,
    );
    if (existing < 0) out.push(storedFinding(finding, null));
    else out[existing] = joined(out[existing]!, finding);
  }
  return out.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
}

const plus = (a: number | null, b: number | null): number | null => (a === null || b === null ? (a ?? b) : a + b);
/** Facts that count: they add up where a finding goes on. */
const COUNTED = ["hours", "days", "spells"];

function joined(existing: AttributionReport["findings"][number], more: CauseFinding): AttributionReport["findings"][number] {
  const facts: Record<string, number | string> = {};
  for (const [name, value] of Object.entries(existing.facts)) if (value !== null) facts[name] = value;
  for (const name of COUNTED) if (name in facts) facts[name] = Number(facts[name]) + Number(more.facts[name] ?? 0);
  if ("restored" in facts) facts.restored = more.facts.restored ?? "no";
  const finding: CauseFinding = {
    kind: existing.kind,
    fromUtcMs: existing.fromUtcMs,
    toUtcMs: more.toUtcMs,
    kwh: plus(existing.kwh, more.kwh),
    kwhLow: plus(existing.kwhLow, more.kwhLow),
    kwhHigh: plus(existing.kwhHigh, more.kwhHigh),
    confidenceFrac: existing.confidenceFrac,
    facts,
  };
  return storedFinding(finding, existing.entry);
}

/** Days, dirt and snow by day, grown by the new days. */
function byDay(
  report: AttributionReport,
  { frame, soiling, snow, expectedKwh }: RunEvidence,
): Pick<AttributionReport, "days" | "soiling" | "snow"> {
  const known = report.days.filter((day) => day < report.fitted.lastDay).length;
  const [expected, lost] = [new Map<string, number>(), new Map<string, number>()];
  for (let i = 0; i < frame.axis.count; i++) {
    const day = frame.days.keys[frame.days.binOf[i]!]!;
    if (day < report.fitted.lastDay || !(expectedKwh[i]! > 0)) continue;
    expected.set(day, (expected.get(day) ?? 0) + expectedKwh[i]!);
    lost.set(day, (lost.get(day) ?? 0) + expectedKwh[i]! * snow.lostFrac[i]!);
  }
  const added = frame.days.keys.filter((day) => day >= report.fitted.lastDay);
  const round = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits;
  const dirt = added.map((day) => round(soiling.lostFracByDay[frame.days.keys.indexOf(day)]!, 4));
  const white = added.map((day) => round((lost.get(day) ?? 0) / Math.max(1e-9, expected.get(day) ?? 0), 3));
  return {
    days: [...report.days.slice(0, known), ...added],
    soiling: {
      ...report.soiling,
      lostFracByDay: [...report.soiling.lostFracByDay.slice(0, known), ...dirt],
      nowFrac: dirt.at(-1) ?? report.soiling.nowFrac,
    },
    snow: { ...report.snow, lostFracByDay: [...report.snow.lostFracByDay.slice(0, known), ...white] },
  };
}
