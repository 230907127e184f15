import { fillSnowCover } from "../../snow";
import { medianOf, senSlope } from "../../statistics";
import type { AttributionFrame } from "../record/frame";
import { type SnowEvidence, snowfallSteps } from "./detect";
import { LEAST_APART_C, LEAST_LOST_FRAC, MOST_COLD_FRAC } from "./thresholds";

interface MonthSum {
  expected: number;
  meteredSum: number;
  covered: number;
  /** Air temperature by owed energy. */
  warmth: number;
  read: boolean;
}

/**
 * Snow where only months are known: what a month with snow on the modules lacks against the months without, laid on the hours in which
 * the sliding model has the modules covered. Source: Marion et al., 2013.
 */
export function monthSnow(frame: AttributionFrame): SnowEvidence {
  const { axis, days, openKwh, meteredKwh, ratedKwh, weather } = frame;
  const cover = coverOf(frame);
  const months = new Map<string, MonthSum>();
  const monthOf = (i: number): string => days.keys[days.binOf[i]!]!.slice(0, 7);
  for (let i = 0; i < axis.count; i++) {
    const kwh = openKwh[i]!;
    if (!(kwh > 0)) continue;
    const sum = months.get(monthOf(i)) ?? { expected: 0, meteredSum: 0, covered: 0, warmth: 0, read: true };
    sum.expected += kwh;
    sum.warmth += kwh * weather.airTempC[i]!;
    sum.covered += kwh * cover[i]!;
    if (Number.isNaN(meteredKwh[i])) sum.read = false;
    else sum.meteredSum += meteredKwh[i]!;
    months.set(monthOf(i), sum);
  }
  const usualOf = usualByWarmth([...months.values()].filter((m) => m.read && m.covered < 0.01 * m.expected));
  const lostFrac = new Float64Array(axis.count);
  const spells: { from: number; to: number }[] = [];
  for (let i = 0; i < axis.count; i++) {
    const month = months.get(monthOf(i));
    if (!month?.read || !(month.covered > 0) || cover[i] === 0) continue;
    const usual = usualOf(month);
    if (Number.isNaN(usual)) continue;
    const missing = Math.max(0, month.expected * usual - month.meteredSum);
    if (missing < LEAST_LOST_FRAC * month.expected) continue;
    lostFrac[i] = Math.min(1, (cover[i]! * missing) / (month.covered * usual));
    const last = spells.at(-1);
    if (last && last.to === i) last.to = i + 1;
    else if (openKwh[i]! > 0.01 * ratedKwh) spells.push({ from: i, to: i + 1 });
  }
  return { lostFrac, covered: Uint8Array.from(cover, (share) => (share > 0 ? 1 : 0)), spells };
}

/**
 * What a month without snow gives of what it owes, by how warm it was: cold months without snow are few, and a model that is a little off in
 * the cold would take from each of them.
 */
function usualByWarmth(bare: readonly MonthSum[]): (month: MonthSum) => number {
  const warmthOf = ({ expected, warmth }: MonthSum): number => warmth / expected;
  const [warm, ratio] = [bare.map(warmthOf), bare.map(({ expected, meteredSum: paid }) => paid / expected)];
  const { slope, pairs } = senSlope(warm, ratio, { leastApart: LEAST_APART_C });
  const [middleC, middle] = [medianOf(warm), medianOf(ratio)];
  return (month) => {
    const off = pairs > 0 ? (slope * (warmthOf(month) - middleC)) / middle : 0;
    return middle * (1 + Math.max(-MOST_COLD_FRAC, Math.min(MOST_COLD_FRAC, off)));
  };
}

function coverOf(frame: AttributionFrame): Float64Array {
  const { axis, weather, site, openKwh, ratedKwh } = frame;
  const tilt = site.arrays[0]?.tiltDeg ?? 0;
  const poa = openKwh.map((kwh) => (1000 * (kwh || 0)) / ratedKwh);
  return fillSnowCover(
    snowfallSteps(frame),
    poa,
    weather.airTempC,
    { sinTilt: Math.sin((tilt * Math.PI) / 180), stepHours: axis.stepMinutes / 60, coveringCm: 1 },
    new Float64Array(axis.count),
  );
}
