import { fillSnowCover } from "../snow";
import { medianOf } from "../statistics";
import type { CauseBasis } from "./basis";
import { type SnowEvidence, snowfallSteps } from "./snow";

/** A month that lacks less than this of its usual output shows nothing: weather of single months is read no better. */
const LEAST_LOST_FRAC = 0.005;

interface MonthSum {
  owed: number;
  paid: number;
  covered: number;
  read: boolean;
}

/**
 * Snow where only months are known: what a month with snow on the modules lacks against the months without, laid on the hours in which
 * the sliding model has the modules covered. Source: Marion et al., 2013.
 */
export function monthSnow(basis: CauseBasis): SnowEvidence {
  const { axis, days, openKwh, meteredKwh, ratedKwh } = basis;
  const cover = coverOf(basis);
  const months = new Map<string, MonthSum>();
  const monthOf = (i: number): string => days.keys[days.binOf[i]!]!.slice(0, 7);
  for (let i = 0; i < axis.count; i++) {
    const kwh = openKwh[i]!;
    if (!(kwh > 0)) continue;
    const sum = months.get(monthOf(i)) ?? { owed: 0, paid: 0, covered: 0, read: true };
    sum.owed += kwh;
    sum.covered += kwh * cover[i]!;
    if (Number.isNaN(meteredKwh[i])) sum.read = false;
    else sum.paid += meteredKwh[i]!;
    months.set(monthOf(i), sum);
  }
  const usual = medianOf([...months.values()].filter((m) => m.read && m.covered < 0.01 * m.owed).map((m) => m.paid / m.owed));
  const lostFrac = new Float64Array(axis.count);
  const spells: { from: number; to: number }[] = [];
  for (let i = 0; i < axis.count; i++) {
    const month = months.get(monthOf(i));
    if (!month?.read || !(month.covered > 0) || cover[i] === 0 || Number.isNaN(usual)) continue;
    const missing = Math.max(0, month.owed * usual - month.paid);
    if (missing < LEAST_LOST_FRAC * month.owed) continue;
    lostFrac[i] = Math.min(1, (cover[i]! * missing) / (month.covered * usual));
    const last = spells.at(-1);
    if (last && last.to === i) last.to = i + 1;
    else if (openKwh[i]! > 0.01 * ratedKwh) spells.push({ from: i, to: i + 1 });
  }
  return { lostFrac, covered: Uint8Array.from(cover, (share) => (share > 0 ? 1 : 0)), spells };
}

function coverOf(basis: CauseBasis): Float64Array {
  const { axis, weather, site, openKwh, ratedKwh } = basis;
  const tilt = site.arrays[0]?.tiltDeg ?? 0;
  const poa = openKwh.map((kwh) => (1000 * (kwh || 0)) / ratedKwh);
  return fillSnowCover(
    snowfallSteps(basis),
    poa,
    weather.airTempC,
    { sinTilt: Math.sin((tilt * Math.PI) / 180), stepHours: axis.stepMinutes / 60, coveringCm: 1 },
    new Float64Array(axis.count),
  );
}
