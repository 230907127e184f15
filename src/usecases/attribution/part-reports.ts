import type { PartReport } from "@/contracts/parts";
import { type AgeingReading, rateVerdict, readAgeing } from "@/core/ageing";
import { type Evidence, lightRecord, type OrderedLimit, seekEvidence } from "@/core/attribution";
import { againstRest, hourIndex, planeGroups } from "@/core/attribution/parts";
import { type MeterSeries, meteredOnto } from "@/core/ledger";
import { endUtcMs } from "@/core/series";
import { nameplateW, partOfSite, type Site } from "@/core/site";
import { medianOf } from "@/core/statistics";
import { HOUR_MS } from "@/core/units";
import { sliceWeather } from "@/core/weather";
import { ageOnAxis } from "@/core/yield";
import { type OpenLedger, rangeOf } from "../ledger";
import { snowReport } from "./dirt-and-snow";
import { type UpHours, upByMonth, upOfParts } from "./up-hours";
import { upTo } from "./up-to";

export interface PartTerms {
  /** Local dates of cleanings. */
  readonly cleanings: readonly string[];
  readonly limits: readonly OrderedLimit[];
  readonly calibrations: readonly string[];
  readonly draws: number;
  readonly seed: number;
}

/** A part with its index by local day, before it is set against the others. */
interface Part {
  readonly id: string;
  readonly source: PartReport["source"];
  readonly site: Site;
  readonly days: readonly string[];
  readonly cleanLog: Float64Array;
  readonly ageing: AgeingReading;
  readonly snow: PartReport["snow"];
  /** Its hours up; null where it has no meter of its own. */
  readonly up: ReadonlyMap<string, UpHours> | null;
}

/** More planes than these share too few hours each. */
const MOST_GROUPS = 3;
/**
 * Told by hours, a part carries some of what the others do: the sky model says how much of an hour's light each plane had. On simulated plants of
 * another sky model differences came out up to two fifths too small.
 */
const MIXED_FRAC = 0.5;

/**
 * Reads each part of a plant: by its own meter where arrays have one, else by the hours at which arrays that look different ways have their
 * sun, with the hours in which the plant was up. Gives the share that is done; empty where nothing tells parts apart.
 */
export function* partReports(
  ledger: OpenLedger,
  evidence: Evidence,
  terms: PartTerms,
): Generator<number, { parts: PartReport[]; up: Map<string, UpHours> }> {
  const parts = ledger.partMeters.length > 0 ? yield* byMeters(ledger, terms) : byHours(evidence, terms);
  const days = evidence.frame.days.keys;
  const logs = parts.map((part) => onDays(part, days));
  const reports = parts.map((part, k): PartReport => {
    const { id, source, site, ageing } = part;
    const isKnown = !ageing.isTooSoon && Number.isFinite(ageing.perYearFrac);
    const apart = isKnown && parts.length > 1 ? againstRest(logs, k, { draws: terms.draws, seed: terms.seed }) : null;
    const mixed = source === "hours" ? MIXED_FRAC * Math.abs(apart?.value ?? offRest(parts, k)) : 0;
    const half = Math.hypot((ageing.high - ageing.low) / 2, mixed);
    const [low, high] = [ageing.perYearFrac - half, ageing.perYearFrac + half];
    return {
      id,
      source,
      arrays: site.arrays.map(({ name }) => name),
      years: ageing.years,
      perYearFrac: isKnown ? ageing.perYearFrac : null,
      low: isKnown ? low : null,
      high: isKnown ? high : null,
      isTooSoon: ageing.isTooSoon,
      rateVerdict: rateVerdict({ ...ageing, low, high }, site.warranty),
      againstRest: apart && { value: apart.value, low: apart.low - mixed, high: apart.high + mixed },
      usedDays: ageing.usedDays,
      snow: part.snow,
    };
  });
  return { parts: reports, up: upOf(ledger.site, evidence, parts) };
}

/** By the parts' own meters where they read the whole plant, else by the whole. */
function upOf(whole: Site, evidence: Evidence, parts: readonly Part[]): Map<string, UpHours> {
  const own = parts.flatMap(({ site, up }) => (up ? [{ ratedW: nameplateW(site), up }] : []));
  const read = new Set(parts.flatMap(({ site, up }) => (up ? site.arrays.map(({ id }) => id) : [])));
  const all = upByMonth(evidence);
  // Months in which a part was not read are told by the whole.
  return read.size === whole.arrays.length ? new Map([...all, ...upOfParts(own)]) : all;
}

/** How far a part's own rate lies from the mean of the others': what is left where no day tells them all at once. */
function offRest(parts: readonly Part[], own: number): number {
  const others = parts.filter((_, k) => k !== own).map(({ ageing }) => ageing.perYearFrac);
  const off = parts[own]!.ageing.perYearFrac - others.reduce((sum, rate) => sum + rate, 0) / others.length;
  return Number.isFinite(off) ? off : 0;
}

function* byMeters(ledger: OpenLedger, terms: PartTerms): Generator<number, Part[]> {
  const out: Part[] = [];
  for (const [k, meter] of ledger.partMeters.entries()) {
    const count = ledger.partMeters.length;
    const part = yield* upTo(k / count, (k + 1) / count, byMeter(ledger, meter, terms));
    if (part) out.push(part);
  }
  return out;
}

/** Searches the arrays of one meter like a plant of their own, over the time in which it was read. */
function* byMeter(
  { site: whole, weather: all }: OpenLedger,
  meter: MeterSeries,
  { cleanings, limits, calibrations, draws, seed }: PartTerms,
): Generator<number, Part | null> {
  const { from, to } = rangeOf(all!.axis, meter.axis.startUtcMs, endUtcMs(meter.axis));
  if (to <= from) return null;
  const site = partOfSite(whole, whole.meters.find(({ id }) => id === meter.meterId)!.arrays);
  const weather = sliceWeather(all!, from, to);
  const metered = meteredOnto(weather.axis, [meter], site);
  const evidence = yield* seekEvidence({
    site,
    weather,
    metered,
    meters: [meter],
    cleanings,
    limits,
    calibrations,
    months: [],
    draws,
    seed,
  });
  const { cleanLog } = evidence.soiling;
  return {
    id: meter.meterId,
    source: "meter",
    site,
    days: evidence.frame.days.keys,
    cleanLog,
    ageing: evidence.ageing,
    snow: snowOf(evidence),
    up: upByMonth(evidence),
  };
}

function byHours(evidence: Evidence, { calibrations, draws, seed }: PartTerms): Part[] {
  const { frame, soiling, index } = evidence;
  const groups = planeGroups(frame.site.arrays);
  if (frame.resolution !== "hours" || groups.length < 2 || groups.length > MOST_GROUPS) return [];
  const { commissioned, place } = frame.site;
  const ageAtStartYears = commissioned ? ageOnAxis(commissioned, place.timeZone, frame.axis).startYears : 0;
  const days = frame.days.keys;
  return hourIndex(evidence, groups).map((cleanLog, g) => ({
    id: groups[g]![0]!.id,
    source: "hours",
    site: { ...frame.site, arrays: groups[g]! },
    days,
    cleanLog,
    ageing: readAgeing({
      days,
      cleanLog,
      rawLog: cleanLog,
      causesOutLog: cleanLog,
      weight: index.weight,
      dirtFrac: soiling.lostFracByDay,
      months: [],
      ageAtStartYears,
      light: lightRecord(frame, calibrations),
      dirtOffsets: soiling.offsets,
      draws,
      seed,
    }),
    snow: null,
    up: null,
  }));
}

function snowOf(evidence: Evidence): PartReport["snow"] {
  const { winters, spells } = snowReport(evidence);
  const hours = spells.map(({ fromUtcMs, toUtcMs }) => (toUtcMs - fromUtcMs) / HOUR_MS);
  return {
    days: winters.reduce((sum, { days }) => sum + days, 0),
    lostKwh: winters.reduce((sum, { lostKwh }) => sum + lostKwh, 0),
    falls: spells.length,
    bareHours: hours.length > 0 ? medianOf(hours) : null,
  };
}

/** A part's log on the days of the whole plant. */
function onDays({ days, cleanLog }: Part, whole: readonly string[]): Float64Array {
  const place = new Map(days.map((day, d) => [day, d]));
  return Float64Array.from(whole, (day) => cleanLog[place.get(day) ?? -1] ?? Number.NaN);
}
