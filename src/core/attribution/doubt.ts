import { togetherOf, Z_95 } from "../statistics";
import { DAYS_PER_YEAR } from "../units";
import type { RunEvidence } from "./evidence";

/** Days on either side of a time of year that share its sun and its air. */
const SEASON_DAYS = 30;
/** Fewer sound days of a season tell nothing of it: all are asked. */
const LEAST_DAYS = 15;
/** A day is sound where this share of what it owes was read and nothing held it. */
const SOUND_FRAC = 0.9;
/** The meter and the light may part by this much at any time of the year, one deviation: a class B meter and a class B sensor together (IEC 62053-21; ISO 9060:2018). */
const LEAST_OFF_FRAC = 0.02;

/** How far, two sided 95 %, the energy that steps [from, to) were expected to give may be off, as a share of it. */
export type Doubt = (from: number, to: number) => number;

/** So many days tell what one alone would, at most: a spell of weather. */
const MOST_TOGETHER = 5;

interface SoundDay {
  readonly day: number;
  readonly dueKwh: number;
  /** Metered over expected, less one. */
  readonly off: number;
}

/**
 * What the account is off by on days with nothing wrong, at the same time of the year: their mean is an error that a span of days shares, their scatter one that grows
 * less over more days. Source for days that follow each other: Bayley & Hammersley, 1946.
 */
export function doubtOf(evidence: RunEvidence): Doubt {
  const sound = soundDays(evidence);
  const { binOf } = evidence.frame.days;
  return (from, to) => {
    const [first, last] = [binOf[from]!, binOf[Math.min(binOf.length, to) - 1]!];
    const middle = (first + last) / 2;
    const near = sound.filter(({ day }) => awayInYear(day, middle) <= SEASON_DAYS);
    const own = near.length < LEAST_DAYS ? sound : near;
    if (own.length < 2) return LEAST_OFF_FRAC * Z_95;
    const due = own.reduce((sum, { dueKwh }) => sum + dueKwh, 0);
    const mean = own.reduce((sum, { dueKwh, off }) => sum + dueKwh * off, 0) / due;
    const variance = own.reduce((sum, { dueKwh, off }) => sum + dueKwh * (off - mean) ** 2, 0) / due;
    const days = last - first + 1;
    const together = togetherOf(
      Float64Array.from(own, ({ off }) => off - mean),
      MOST_TOGETHER,
    );
    return Z_95 * Math.sqrt(mean ** 2 + (variance * Math.min(days, together)) / days + LEAST_OFF_FRAC ** 2);
  };
}

/** Days between two days of the year, whatever the years. */
function awayInYear(a: number, b: number): number {
  const away = Math.abs(a - b) % DAYS_PER_YEAR;
  return Math.min(away, DAYS_PER_YEAR - away);
}

function soundDays({ frame, expectedKwh, ceilingKwh, shade, snow, outages, curtailed, heat, strings }: RunEvidence): SoundDay[] {
  const { days, read, lit, meteredKwh } = frame;
  const held = new Uint8Array(days.keys.length);
  const sums = { due: new Float64Array(held.length), all: new Float64Array(held.length), metered: new Float64Array(held.length) };
  for (let i = 0; i < expectedKwh.length; i++) {
    const day = days.binOf[i]!;
    if (snow.covered[i] === 1 || outages.downFrac[i]! > 0 || curtailed.touched[i] === 1 || heat.touched[i] === 1) held[day] = 1;
    const kwh = Math.min(ceilingKwh, expectedKwh[i]! * (1 - shade.lostFrac[i]!));
    if (!(kwh > 0)) continue;
    sums.all[day]! += kwh;
    if (read[i] === 0 || lit[i] === 0) continue;
    sums.due[day]! += kwh;
    sums.metered[day]! += meteredKwh[i]!;
  }
  for (const { from, to } of strings) held.fill(1, days.binOf[from], days.binOf[Math.min(days.binOf.length - 1, to)]! + 1);
  return [...sums.due.keys()]
    .filter((day) => held[day] === 0 && sums.due[day]! > SOUND_FRAC * sums.all[day]!)
    .map((day) => ({ day, dueKwh: sums.due[day]!, off: sums.metered[day]! / sums.due[day]! - 1 }));
}
