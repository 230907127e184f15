import type { TimeAxis } from "../series";
import type { Site } from "../site";
import { zoneOffset } from "../time";
import { MINUTE_MS } from "../units";
import { findNegative, findNight } from "./below-zero";
import { findClock } from "./clock";
import { examined, otherEnergy } from "./examined";
import type { ExpectedSeries } from "./expected";
import type { Finding } from "./finding";
import { findFrozen } from "./frozen";
import { findGaps } from "./gaps";
import { findLevelSteps } from "./level";
import { findMeteringPoint } from "./metering-point";
import { derived } from "./remedies";
import { findSpikes } from "./spikes";
import { findStandIn } from "./stand-in";
import { findUnitFactors } from "./unit-factors";

export interface ExaminationInput {
  readonly axis: TimeAxis;
  /** As recorded, kWh an interval; NaN where nothing was. */
  readonly energyKwh: Float64Array;
  readonly site: Site;
  /** What the model owes over real weather, where there is weather; without it the cloudless sky is the measure. */
  readonly expected: ExpectedSeries | null;
  readonly mostKwh: number;
}

/**
 * Everything that is wrong, or may be, with a metered series, in order of time. Units are told first, and what follows looks at the
 * series with its units put right, so that one fault is not told twice.
 */
export function examine({ axis, energyKwh, site, expected, mostKwh }: ExaminationInput): Finding[] {
  const raw = examined(axis, energyKwh, site, expected, mostKwh);
  const units = findUnitFactors(raw);
  const remedies = units.map((finding) => finding.remedy!);
  const x = units.length > 0 ? otherEnergy(raw, derived(axis, energyKwh, remedies, raw.sun), expected) : raw;
  const clock = findClock(x);
  const gaps = findGaps(x).filter((gap) => !madeByClock(gap, clock, site.place.timeZone));
  const caughtUp = gaps.filter((gap) => gap.kind === "caught-up");
  const negative = findNegative(x);
  const night = findNight(x, caughtUp);
  const whole = findMeteringPoint(x);
  const point = whole.length > 0 ? whole : findStandIn(x, expected);
  // What runs through another point has a level of its own: steps in it are the house's, not the plant's.
  const elsewhere = [...negative, ...night, ...whole].some(({ kind }) => ELSEWHERE.includes(kind));
  const found = [
    ...units,
    ...gaps,
    ...findFrozen(x),
    ...findSpikes(x, caughtUp),
    ...negative,
    ...night,
    ...clock,
    ...(elsewhere ? [] : findLevelSteps(x)),
    ...point,
  ];
  return found.sort((a, b) => a.fromUtcMs - b.fromUtcMs || a.kind.localeCompare(b.kind));
}

const ELSEWHERE: readonly Finding["kind"][] = ["looks-net", "looks-export", "battery"];

/** A clock that changes, or is put right, leaves a hole of its own: no reading is missing. */
function madeByClock(gap: Finding, clock: readonly Finding[], timeZone: string): boolean {
  const long = (gap.toUtcMs - gap.fromUtcMs) / MINUTE_MS;
  const near = (utcMs: number): boolean => Math.abs(utcMs - gap.fromUtcMs) <= long * MINUTE_MS;
  const put = clock.some((shift) => Math.abs(Number(shift.facts.minutes)) === long && (near(shift.fromUtcMs) || near(shift.toUtcMs)));
  const offset = zoneOffset(timeZone);
  const reach = 2 * long * MINUTE_MS;
  return put || (long <= 60 && offset(gap.fromUtcMs - reach) !== offset(gap.toUtcMs + reach));
}
