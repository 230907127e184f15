import { fillSnowCover } from "../../snow";
import { medianOf, senSlope } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { AttributionFrame } from "../record/frame";
import { type SnowEvidence, snowfallSteps } from "./detect";
import { sureFrac } from "./sure";
import { LEAST_APART_C, LEAST_LOST_FRAC, LEAST_SCATTER_FRAC, LEAST_SEASON_MONTHS, MOST_COLD_FRAC, SEASON_MONTHS } from "./thresholds";

interface MonthSum {
  expected: number;
  meteredSum: number;
  covered: number;
  /** Air temperature by owed energy. */
  warmth: number;
  read: boolean;
  /** Month of the year, 0 to 11. */
  readonly month: number;
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
    const sum = months.get(monthOf(i)) ?? {
      expected: 0,
      meteredSum: 0,
      covered: 0,
      warmth: 0,
      read: true,
      month: Number(monthOf(i).slice(5)) - 1,
    };
    sum.expected += kwh;
    sum.warmth += kwh * weather.airTempC[i]!;
    sum.covered += kwh * cover[i]!;
    if (Number.isNaN(meteredKwh[i])) sum.read = false;
    else sum.meteredSum += meteredKwh[i]!;
    months.set(monthOf(i), sum);
  }
  const bare = [...months.values()].filter((m) => m.read && m.covered < 0.01 * m.expected);
  const usualOf = usualOfSeason(bare, usualByWarmth(bare));
  const scatterOf = scatterAbout(bare, usualOf);
  const lostFrac = new Float64Array(axis.count);
  const spells: { from: number; to: number }[] = [];
  for (let i = 0; i < axis.count; i++) {
    const month = months.get(monthOf(i));
    if (!month?.read || !(month.covered > 0) || cover[i] === 0) continue;
    const usual = usualOf(month);
    if (Number.isNaN(usual)) continue;
    const lack = Math.max(0, month.expected * usual - month.meteredSum);
    const missing = lack * sureFrac(lack, scatterOf(month));
    if (missing < LEAST_LOST_FRAC * month.expected) continue;
    lostFrac[i] = Math.min(1, (cover[i]! * missing) / (month.covered * usual));
    const last = spells.at(-1);
    if (last && last.to === i) last.to = i + 1;
    else if (openKwh[i]! > 0.01 * ratedKwh) spells.push({ from: i, to: i + 1 });
  }
  const doubtKwhByMonth = new Map(
    [...months].map(([key, month]) => [key, Math.max(scatterOf(month), LEAST_SCATTER_FRAC * month.expected)] as const),
  );
  return { lostFrac, covered: Uint8Array.from(cover, (share) => (share > 0 ? 1 : 0)), spells, doubtKwhByMonth };
}

/** By how much a month without snow misses its usual, one deviation, kWh. Months that owe little miss more of it: errors of single days add up as their root. */
function scatterAbout(bare: readonly MonthSum[], usualOf: (month: MonthSum) => number): (month: MonthSum) => number {
  const meanKwh = bare.reduce((sum, { expected }) => sum + expected, 0) / Math.max(1, bare.length);
  const off = (month: MonthSum): number =>
    Math.abs(month.meteredSum - usualOf(month) * month.expected) / Math.sqrt(month.expected * meanKwh);
  const scatterIn = (months: readonly MonthSum[]): number => (months.length > 0 ? MAD_TO_DEVIATION * medianOf(months.map(off)) : 0);
  const all = scatterIn(bare);
  return ({ expected, month }) => {
    const near = bare.filter((other) => monthsApart(other.month, month) <= 2 * SEASON_MONTHS);
    const scatter = near.length >= 2 * LEAST_SEASON_MONTHS ? Math.max(all, scatterIn(near)) : all;
    return scatter * Math.sqrt(expected * meanKwh);
  };
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

const monthsApart = (a: number, b: number): number => Math.min((a - b + 12) % 12, (b - a + 12) % 12);

/** The same where bare months of the same season, in other years, give less or more all alike: what stands before a low sun takes from them, and no snow. */
function usualOfSeason(bare: readonly MonthSum[], byWarmth: (month: MonthSum) => number): (month: MonthSum) => number {
  return (month) => {
    const usual = byWarmth(month);
    const near = bare.filter((other) => monthsApart(other.month, month.month) <= SEASON_MONTHS);
    if (near.length < LEAST_SEASON_MONTHS) return usual;
    return usual * Math.min(1, medianOf(near.map((other) => other.meteredSum / (other.expected * byWarmth(other)))));
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
