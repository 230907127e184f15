import { endUtcMs } from "../series";
import { siteAcRatedW } from "../site";
import { medianOf, quantileOf, selected } from "../statistics";
import { hoursOfStep } from "../units";
import type { Examined } from "./examined";
import type { Finding } from "./finding";

/** Clipped AC can't pass the rating by more than meter error. */
const OVER_RATING = 1.015;
/** Export ends this much earlier in the day than production: the house eats dawn and dusk. */
const SHORT_DAY_FRAC = 0.86;
const LEAST_DAYS = 20;

/** Whether an AC meter's readings look like another point: the DC side, or what is left after the house took its share. */
export function findMeteringPoint(x: Examined): Finding[] {
  const stretch = { fromUtcMs: x.axis.startUtcMs, toUtcMs: endUtcMs(x.axis) };
  const whole = { ...stretch, count: x.energyKwh.length, kwh: null };
  const dc = looksDc(x);
  if (dc) {
    const { efficiencyFrac } = dc;
    return [{ kind: "looks-dc", ...whole, confidenceFrac: 0.85, facts: dc, remedy: { op: "scale", factor: efficiencyFrac, ...stretch } }];
  }
  const exported = looksExported(x);
  return exported ? [{ kind: "looks-export", ...whole, confidenceFrac: 0.75, facts: exported, remedy: null }] : [];
}

/** Peaks beyond what the inverters can give, by less than nameplate: counted before the inverter. */
function looksDc(x: Examined): { peakKwh: number; ratedKwh: number; efficiencyFrac: number; ratio: number } | null {
  const { site, energyKwh, mostKwh } = x;
  if (site.inverters.length === 0) return null;
  const ratedKwh = (siteAcRatedW(site) / 1000) * hoursOfStep(x.axis.stepMinutes);
  const possible = selected(energyKwh, (kwh) => kwh > 0.2 * ratedKwh && kwh <= mostKwh);
  const over = selected(possible, (kwh) => kwh > OVER_RATING * ratedKwh).length;
  if (over < LEAST_DAYS || over / Math.max(1, possible.length) < 0.002) return null;
  if (!isOverThroughout(energyKwh, ratedKwh, mostKwh)) return null;
  const efficiency = medianOf(site.inverters.map((inverter) => inverter.ratedEfficiencyFrac));
  return { peakKwh: quantileOf(possible, 0.999), ratedKwh, efficiencyFrac: efficiency, ratio: medianOf(x.days.ratio) };
}

/** Stretches into which a record is cut, a reading that is near the rating, and the share of such that has to pass it in each. */
const STRETCHES = 3;
const NEAR_RATING = 0.95;
const LEAST_OVER_FRAC = 0.05;

/** A meter sits where it sits from its first day on: one that passes the rating from some day on was exchanged for one that reads high. */
function isOverThroughout(energyKwh: Float64Array, ratedKwh: number, mostKwh: number): boolean {
  const length = Math.ceil(energyKwh.length / STRETCHES);
  for (let from = 0; from < energyKwh.length; from += length) {
    const near = selected(energyKwh.subarray(from, from + length), (kwh) => kwh > NEAR_RATING * ratedKwh && kwh <= mostKwh);
    const over = selected(near, (kwh) => kwh > OVER_RATING * ratedKwh).length;
    if (near.length >= LEAST_DAYS && over < LEAST_OVER_FRAC * near.length) return false;
  }
  return true;
}

/** Clear days that begin late and end early while noon is whole: the house took the edges. */
function looksExported({ days }: Examined): { lengthFrac: number; ratio: number; days: number } | null {
  const bright = [...days.lengthFrac.keys()].filter((d) => !Number.isNaN(days.lengthFrac[d]) && days.ratio[d]! > 0.3);
  if (bright.length < LEAST_DAYS) return null;
  const lengthFrac = medianOf(bright.map((d) => days.lengthFrac[d]!));
  const ratio = medianOf(bright.map((d) => days.ratio[d]!));
  return lengthFrac < SHORT_DAY_FRAC && ratio < 0.9 ? { lengthFrac, ratio, days: bright.length } : null;
}
