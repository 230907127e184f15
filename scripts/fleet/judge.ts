import type { AttributionReport, BookCause } from "../../src/contracts/attribution";
import { DAY_MS } from "../../src/core/units";
import { claimsOf } from "./claims";
import type { ReadPlant } from "./plant";
import { dayOf, gainedIn, kwh, msOf, type Span, touches } from "./spans";
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
/** All that a plant's truth says of what was read of it. */
export function judged(plant: string, read: ReadPlant, truth: PlantTruth): FleetRow[] {
  const { causes, asked } = read;
  const lines = [
    { kind: "reading", what: "reads the files unasked", read: asked ?? "yes", truth: "plain headers", limit: "yes", holds: asked === null },
    ...ageingLines(causes, truth),
    ...energyLines(causes, truth),
    ...intervalLines(causes, truth),
    ...planeLines(causes, truth),
    ...outageLines(causes, truth),
    unexplainedLine(causes),
    ...falseLines(read, truth),
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
function falseLines(read: ReadPlant, truth: PlantTruth): Line[] {
  const zone = truth.record.timezone;
  const wrong = claimsOf(read, truth).filter(({ isTrue }) => !isTrue);
  if (wrong.length === 0) return [{ kind: "false finding", what: "false findings", read: "0", truth: "0", limit: "none", holds: true }];
  return wrong.map((claim) => ({
    kind: "false finding",
    what: `${claim.kind} ${dayOf(claim.fromUtcMs, zone)} to ${dayOf(claim.toUtcMs, zone)}`,
    read: `${claim.kwh === null ? "claimed" : kwh(claim.kwh)}, confidence ${claim.confidenceFrac.toFixed(2)}`,
    truth: "nothing there",
    limit: "none",
    holds: false,
  }));
}
