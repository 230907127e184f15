import type { MeteredSpan } from "../readings";
import { medianOf } from "../statistics";
import { DAY_MS, HOUR_MS } from "../units";
import type { ExpectedBetween } from "./counters";
import type { Finding } from "./finding";

/** A span is one day's total when it is so long, hours; a clock change makes it an hour shorter or longer. */
const DAY_HOURS = { least: 22, most: 26 } as const;
/** Days on both sides that give this share of the usual: a plant that stood still for exactly one calendar day, and was whole before and after, is hardly ever met. */
const WHOLE_FRAC = 0.5;
/** Days with output that tell what is usual. */
const LEAST_DAYS = 10;

/**
 * Days of a table whose total is exactly nothing between two usual days: a logger that wrote nothing, rather than a plant that was switched off and on
 * again at midnight. Spans of one meter in order of time. Without expected energy the days around tell what is usual.
 */
export function findFalseZeros(spans: readonly MeteredSpan[], expected: ExpectedBetween): Finding[] {
  const days = spans.filter(isDay);
  const owed = days.map(({ fromUtcMs, toUtcMs }) => expected(fromUtcMs, toUtcMs));
  const ratios = days.flatMap(({ kwh }, d) => (kwh > 0 && owed[d]! > 0 ? [kwh / owed[d]!] : []));
  if (days.filter(({ kwh }) => kwh > 0).length < LEAST_DAYS) return [];
  const usual = ratios.length >= LEAST_DAYS ? medianOf(ratios) : Number.NaN;
  return days.flatMap((day, d) => {
    const [before, after] = [days[d - 1], days[d + 1]];
    if (day.kwh !== 0 || !before || !after || !follows(before, day) || !follows(day, after)) return [];
    if (!isUsual(d - 1) || !isUsual(d + 1)) return [];
    const owes = owed[d]! * usual;
    const between = (before.kwh + after.kwh) / 2;
    return [zeroOf(day, Number.isNaN(owes) ? between : owes)];
  });

  /** Whether a day gave what it owed; where nobody knows that, what its neighbourhood of a month gives. */
  function isUsual(d: number): boolean {
    const measure = owed[d]! * usual;
    if (!Number.isNaN(measure)) return days[d]!.kwh >= WHOLE_FRAC * measure && days[d]!.kwh > 0;
    const near = days.slice(Math.max(0, d - 15), d + 16).filter(({ kwh }) => kwh > 0);
    return days[d]!.kwh >= WHOLE_FRAC * medianOf(near.map(({ kwh }) => kwh));
  }
}

const isDay = ({ fromUtcMs, toUtcMs }: MeteredSpan): boolean =>
  toUtcMs - fromUtcMs >= DAY_HOURS.least * HOUR_MS && toUtcMs - fromUtcMs <= DAY_HOURS.most * HOUR_MS;

const follows = (first: MeteredSpan, then: MeteredSpan): boolean => Math.abs(then.fromUtcMs - first.toUtcMs) < DAY_MS / 12;

/** Believed so far: a lone calendar day without output is a logger's far more often than a plant's. */
const SURE_FRAC = 0.9;

function zeroOf({ fromUtcMs, toUtcMs }: MeteredSpan, owedKwh: number): Finding {
  const stretch = { fromUtcMs, toUtcMs };
  return {
    kind: "false-zero",
    ...stretch,
    count: 1,
    kwh: 0,
    confidenceFrac: SURE_FRAC,
    facts: { owedKwh },
    remedy: { op: "drop", ...stretch },
  };
}
