import { DateTime } from "luxon";
import type { AttributionReport, BookCause } from "../../src/contracts/attribution";
import { DAY_MS } from "../../src/core/units";
import type { ReadPlant } from "./plant";
import type { PlantTruth } from "./truth";

/** One claim of the analysis beside the truth. */
export interface FleetRow {
  readonly plant: string;
  readonly kind: string;
  readonly what: string;
  readonly read: string;
  readonly truth: string;
  readonly limit: string;
  readonly holds: boolean;
}

type Line = Omit<FleetRow, "plant">;
interface Span {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

const kwh = (value: number): string => `${Math.round(value)} kWh`;
const msOf = (text: string, zone: string): number => DateTime.fromISO(text, { zone }).toMillis();
const dayOf = (utcMs: number, zone: string): string => DateTime.fromMillis(utcMs, { zone }).toISODate()!;
const touches = (a: Span, b: Span): boolean => a.fromUtcMs < b.toUtcMs && a.toUtcMs > b.fromUtcMs;

/** All that a plant's truth says of what was read of it. */
export function judged(plant: string, { causes, readings, asked }: ReadPlant, truth: PlantTruth): FleetRow[] {
  const lines = [
    { kind: "reading", what: "reads the files unasked", read: asked ?? "yes", truth: "plain headers", limit: "yes", holds: asked === null },
    ...ageingLines(causes, truth),
    ...energyLines(causes, truth),
    ...intervalLines(causes, truth),
    ...planeLines(causes, truth),
    ...outageLines(causes, truth),
    unexplainedLine(causes),
    ...falseLines(causes, readings, truth),
  ];
  return lines.map((line) => ({ plant, ...line }));
}

/** Points a year that a rate may be off, by how well hours, days and months tell it. */
const NEAR = { hours: 0.2, days: 0.2, months: 0.5 } as const;

function ageingLines({ ageing, resolution }: AttributionReport, { degradation }: PlantTruth): Line[] {
  const rate = degradation.rate_pct_per_year;
  const { perYearFrac, low, high } = ageing;
  if (perYearFrac === null || low === null || high === null)
    return [{ kind: "ageing", what: "ageing", read: "none", truth: String(rate), limit: `± ${NEAR[resolution]}`, holds: false }];
  return [
    {
      kind: "ageing",
      what: "ageing %/yr",
      read: (100 * perYearFrac).toFixed(2),
      truth: rate.toFixed(2),
      limit: `± ${NEAR[resolution]}`,
      holds: Math.abs(100 * perYearFrac - rate) <= NEAR[resolution],
    },
    {
      kind: "ageing interval",
      what: "its interval",
      read: `${(100 * low).toFixed(2)} to ${(100 * high).toFixed(2)}`,
      truth: rate.toFixed(2),
      limit: "holds it",
      holds: 100 * low <= rate && rate <= 100 * high,
    },
  ];
}

const ENERGIES = [
  ["soiling", "soiling"],
  ["snow", "snow"],
  ["downtime", "outage"],
  ["clipping", "clipping"],
  ["shading", "shading"],
  ["curtailment", "curtailment"],
  ["derating", "derating"],
] as const;
/** What a ceiling that moved took the ledger posts beside limits from outside. */
const WITH: Readonly<Record<string, string>> = { curtailment: "ceiling" };

function energyLines({ all }: AttributionReport, { totals }: PlantTruth): Line[] {
  return ENERGIES.map(([account, key]) => {
    const [read, truth] = [all.accountsKwh[account] ?? 0, (totals.losses_kwh[key] ?? 0) + (totals.losses_kwh[WITH[key] ?? ""] ?? 0)];
    const limit = Math.max(0.15 * Math.abs(truth), 0.003 * totals.delivered_kwh);
    return {
      kind: account,
      what: account,
      read: kwh(read),
      truth: kwh(truth),
      limit: `± ${kwh(limit)}`,
      holds: Math.abs(read - truth) <= limit,
    };
  });
}

/** What removing a cause alone would have brought in the months of a finding. */
function gainedIn({ monthly, record }: PlantTruth, cause: string, { fromUtcMs, toUtcMs }: Span): number {
  const [from, to] = [dayOf(fromUtcMs, record.timezone).slice(0, 7), dayOf(toUtcMs - 1, record.timezone).slice(0, 7)];
  return monthly
    .filter(({ month }) => from <= month && month <= to)
    .reduce((sum, { gain_if_removed_kwh: gained }) => sum + (gained?.[cause] ?? 0), 0);
}

function intervalLines({ findings }: AttributionReport, truth: PlantTruth): Line[] {
  const zone = truth.record.timezone;
  const trueOf = (finding: BookCause): number | null => {
    if (["soiling", "snow", "shading"].includes(finding.kind)) return gainedIn(truth, finding.kind, finding);
    if (!["outage", "strings-out"].includes(finding.kind)) return null;
    const isPart = finding.kind === "strings-out";
    const own = truth.outages.filter(
      ({ kind, start, end }) =>
        (kind === "string" || kind === "tracker") === isPart &&
        touches(finding, { fromUtcMs: msOf(start, zone), toUtcMs: msOf(end, zone) }),
    );
    return own.reduce((sum, { lost_kwh: lost }) => sum + (lost ?? 0), 0) || null;
  };
  return findings.flatMap((finding): Line[] => {
    const value = trueOf(finding);
    const { kwhLow, kwhHigh } = finding;
    if (value === null || kwhLow === null || kwhHigh === null) return [];
    return [
      {
        kind: "energy interval",
        what: `${finding.kind} from ${dayOf(finding.fromUtcMs, zone)}`,
        read: `${Math.round(kwhLow)} to ${Math.round(kwhHigh)}`,
        truth: kwh(value),
        limit: "holds it",
        holds: kwhLow <= value && value <= kwhHigh,
      },
    ];
  });
}

const apart = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

function planeLines({ findings, orientation }: AttributionReport, { actual }: PlantTruth): Line[] {
  const real = actual.arrays[0]!;
  const isFound = findings.some(({ kind }) => kind === "orientation");
  if (real.as_claimed)
    return [
      { kind: "plane", what: "plane as claimed", read: isFound ? "alarm" : "no alarm", truth: "right", limit: "no alarm", holds: !isFound },
    ];
  const fit = orientation?.arrays[0];
  return [["azimuth", fit?.fittedAzimuthDeg, real.azimuth_deg] as const, ["tilt", fit?.fittedTiltDeg, real.tilt_deg] as const].map(
    ([what, read, truth]) => ({
      kind: "plane",
      what,
      read: isFound && read !== undefined ? `${read.toFixed(1)}°` : "not seen",
      truth: `${truth}°`,
      limit: "± 4°",
      holds: isFound && read !== undefined && apart(read, truth) <= 4,
    }),
  );
}

function outageLines({ findings, resolution }: AttributionReport, { outages, record }: PlantTruth): Line[] {
  if (resolution === "months") return [];
  return outages.map(({ kind, start, end }) => {
    const span = { fromUtcMs: msOf(start, record.timezone), toUtcMs: msOf(end, record.timezone) };
    const isPart = kind === "string" || kind === "tracker";
    const own = findings.filter((finding) => finding.kind === (isPart ? "strings-out" : "outage") && touches(finding, span));
    const offOf = (finding: Span): number =>
      Math.max(Math.abs(finding.fromUtcMs - span.fromUtcMs), Math.abs(finding.toUtcMs - span.toUtcMs)) / DAY_MS;
    const off = Math.min(99, ...own.map(offOf));
    const most = isPart ? 3 : 1;
    return {
      kind: "outage dates",
      what: `dates of ${kind} out`,
      read: own.length > 0 ? `off by ${off.toFixed(2)} d` : "not found",
      truth: `${start.slice(0, 10)} to ${end.slice(0, 10)}`,
      limit: `± ${most} d`,
      holds: off <= most,
    };
  });
}

function unexplainedLine({ years, months, all }: AttributionReport): Line {
  const whole = years.filter(({ key }) => months.filter((month) => month.key.startsWith(key) && month.meteredKwh !== null).length === 12);
  const worst = (whole.length > 0 ? whole : [all])
    .map((line) => (100 * (line.unexplainedKwh ?? 0)) / line.expectedKwh)
    .reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  return {
    kind: "unexplained",
    what: "unexplained, worst year",
    read: `${worst.toFixed(2)} %`,
    truth: "0",
    limit: "± 2 %",
    holds: Math.abs(worst) < 2,
  };
}

/** Findings that the truth knows nothing of. */
function falseLines({ findings }: AttributionReport, readings: ReadPlant["readings"], truth: PlantTruth): Line[] {
  const zone = truth.record.timezone;
  const spanOf = ({ start, end }: { start: string; end: string }): Span => ({ fromUtcMs: msOf(start, zone), toUtcMs: msOf(end, zone) });
  const lost = truth.totals.losses_kwh;
  const outs = truth.outages.map((outage) => ({ ...spanOf(outage), isPart: outage.kind === "string" || outage.kind === "tracker" }));
  const cleaned = truth.soiling.cleanings.map((day) => msOf(day, zone));
  const unwritten = truth.soiling.cleanings.filter((day) => !truth.soiling.cleanings_recorded.includes(day)).map((day) => msOf(day, zone));
  const held = [...truth.curtailment, ...(truth.derating?.fan_failed ? [truth.derating.fan_failed] : [])].map(spanOf);
  const isTrue = (finding: Span & { readonly kind: string; readonly kwh: number | null }): boolean | null => {
    const near = (utcMs: number, days: number): boolean => Math.abs(finding.fromUtcMs - utcMs) <= days * DAY_MS;
    switch (finding.kind) {
      case "outage":
        return outs.some((out) => touches(finding, out));
      case "strings-out":
        return outs.some((out) => out.isPart && touches(finding, out));
      case "held-low":
        return truth.ceiling_change !== undefined || outs.length > 0 || held.some((span) => touches(finding, span));
      case "derating":
        return (lost.derating ?? 0) > 0;
      case "soiling":
      case "shading":
        return (lost[finding.kind] ?? 0) > 0 && (finding.kwh ?? 0) <= 2 * lost[finding.kind]! + 0.003 * truth.totals.delivered_kwh;
      case "snow":
        return gainedIn(truth, "snow", finding) > 0.3 * (finding.kwh ?? 0);
      case "orientation":
        return !truth.actual.arrays[0]!.as_claimed;
      case "ceiling":
        return truth.ceiling_change !== undefined;
      case "unrecorded-cleaning":
        return unwritten.some((day) => near(day, 3.5));
      case "sensor-dirty":
        return (truth.weather_sensor?.soiled ?? []).some((span) => touches(finding, spanOf(span)));
      case "level-step":
        return (
          [truth.meter_change, truth.ceiling_change, truth.counter].some((change) => change !== undefined) ||
          [...cleaned, ...outs.flatMap(({ fromUtcMs, toUtcMs }) => [fromUtcMs, toUtcMs])].some((edge) => near(edge, 4.5))
        );
      case "clock-shift":
      case "no-summer-time":
        return truth.clock.wrong_spans.some((span) => touches(finding, spanOf(span)));
      case "unit-factor":
        return truth.unit_mistakes.some((span) => touches(finding, spanOf({ start: span.first_interval_start, end: span.end })));
      case "counter-reset":
      case "digit-slip":
        return truth.counter !== undefined;
      case "looks-export":
        return truth.meter_change !== undefined && touches(finding, spanOf(truth.meter_change.export_stands_in));
      case "negative":
        return truth.night_draw !== undefined;
      case "frozen":
      case "night-output":
      case "battery":
      case "looks-dc":
      case "looks-net":
      case "counter-rollover":
        return false;
      default:
        return null;
    }
  };
  const wrong = [...findings, ...readings].filter((finding) => isTrue(finding) === false);
  if (wrong.length === 0) return [{ kind: "false finding", what: "false findings", read: "0", truth: "0", limit: "none", holds: true }];
  return wrong.map((finding) => ({
    kind: "false finding",
    what: `${finding.kind} ${dayOf(finding.fromUtcMs, zone)} to ${dayOf(finding.toUtcMs, zone)}`,
    read: `${finding.kwh === null ? "claimed" : kwh(finding.kwh)}, confidence ${finding.confidenceFrac.toFixed(2)}`,
    truth: "nothing there",
    limit: "none",
    holds: false,
  }));
}
