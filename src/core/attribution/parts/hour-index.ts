import { inverse, Matrix } from "ml-matrix";
import { type PvArray, partOfSite } from "../../site";
import { monthBins } from "../../time";
import { runPrepared } from "../../yield";
import { type Evidence, HEALTHY } from "..";
import { AT_CEILING_FRAC, CLEAR_WEIGHT, DIM_FRAC, LEAST_HOURS, LEAST_RATIO, LOW_SUN, MOST_INFLATION, MOST_RATIO } from "./thresholds";

/**
 * Log of metered over expected without ageing by day and by group of arrays behind one meter, told by the hours at which each has its sun:
 * least squares of a clear day's metered hours on what each group owes in them, dirt put back. NaN where a day does not tell.
 */
export function hourIndex(evidence: Evidence, groups: readonly (readonly PvArray[])[]): Float64Array[] {
  const { frame, soiling, index, ratingRetained, ceilingKwh } = evidence;
  const { axis, days, sun, meteredKwh, read, lit, ratedKwh, openKwh } = frame;
  const expected = groups.map((arrays) => expectedBy(evidence, arrays));
  const skip = spoiltSteps(evidence);
  const out = groups.map(() => new Float64Array(days.keys.length).fill(Number.NaN));
  let from = 0;
  while (from < axis.count) {
    const day = days.binOf[from]!;
    let to = from + 1;
    while (to < axis.count && days.binOf[to] === day) to++;
    if (index.weight[day]! > CLEAR_WEIGHT) {
      const hours = steps(from, to).filter(isUsable);
      const shares = hours.length >= LEAST_HOURS ? sharesOf(hours) : null;
      const clean = 1 - soiling.lostFracByDay[day]!;
      shares?.forEach((share, g) => {
        if (share > LEAST_RATIO && share < MOST_RATIO) out[g]![day] = Math.log(share / clean);
      });
    }
    from = to;
  }
  return out;

  function isUsable(i: number): boolean {
    if (skip[i] === 1 || read[i] === 0 || lit[i] === 0 || !(sun.up[i]! > LOW_SUN)) return false;
    return openKwh[i]! > DIM_FRAC * ratedKwh && openKwh[i]! < AT_CEILING_FRAC * ceilingKwh && meteredKwh[i]! < AT_CEILING_FRAC * ceilingKwh;
  }

  function sharesOf(hours: readonly number[]): number[] | null {
    const gram = Matrix.zeros(groups.length, groups.length);
    const meteredSum = Matrix.zeros(groups.length, 1);
    for (const i of hours) {
      const row = expected.map((kwh) => kwh[i]! * ratingRetained[i]!);
      row.forEach((a, g) => {
        meteredSum.set(g, 0, meteredSum.get(g, 0) + a * meteredKwh[i]!);
        row.forEach((b, h) => void gram.set(g, h, gram.get(g, h) + a * b));
      });
    }
    if (gram.diagonal().some((square) => !(square > 0))) return null;
    const inverted = invert(gram);
    const isTellable = inverted?.diagonal().every((value, g) => value > 0 && value * gram.get(g, g) < MOST_INFLATION);
    return inverted && isTellable ? inverted.mmul(meteredSum).to1DArray() : null;
  }
}

/** Null for groups that owe the same in every hour of a day. */
function invert(gram: Matrix): Matrix | null {
  try {
    return inverse(gram);
  } catch {
    return null;
  }
}

const steps = (from: number, to: number): number[] => Array.from({ length: to - from }, (_, k) => from + k);

function expectedBy({ frame }: Evidence, arrays: readonly PvArray[]): Float64Array {
  const part = partOfSite(
    frame.site,
    arrays.map(({ id }) => id),
  );
  const bins = monthBins(frame.axis, frame.site.place.timeZone);
  return runPrepared(part, frame.prepared, bins, HEALTHY).expectedKwh;
}

/** 1 where the plant stood still, lay under snow or had a string out. */
function spoiltSteps({ frame, outages, snow, strings }: Evidence): Uint8Array {
  const out = Uint8Array.from(outages.downFrac, (lost) => (lost > 0 ? 1 : 0));
  for (const { from, to } of [...snow.spells, ...strings]) out.fill(1, from, Math.min(to, frame.axis.count));
  return out;
}
