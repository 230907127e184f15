import { indexAt, type TimeAxis } from "../series";
import type { SunColumns } from "../sun";
import { DAY_MS, MINUTE_MS } from "../units";
import type { ClearYear } from "./clear-year";
import type { ExpectedSeries } from "./expected";
import { bestOf, LIT_FRAC, litEdges } from "./lit-edges";

/** A series by solar day (midnight of local mean solar time): one value a day in each column; NaN where it can't be told. */
export interface SolarDays {
  readonly count: number;
  readonly perDay: number;
  readonly firstIndex: number;
  readonly energyKwh: Float64Array;
  /** Share of the day's sunlit intervals that were read. */
  readonly readFrac: Float64Array;
  /** Energy over what the model owes for the day, cloudless where no model run is given. */
  readonly ratio: Float64Array;
  /** Middle of the productive part of the day minus the model's, minutes: positive when the clock runs ahead. */
  readonly midOffsetMin: Float64Array;
  /** Length of the productive part over the model's. */
  readonly lengthFrac: Float64Array;
  /** Rain of the day, mm; null where none was read. */
  readonly rainMm: Float64Array | null;
  /** Whether `ratio` is to a model run over real weather. */
  readonly byWeather: boolean;
}

export interface SolarDayInput {
  readonly axis: TimeAxis;
  readonly energyKwh: Float64Array;
  readonly sun: Pick<SunColumns, "up">;
  readonly clear: ClearYear;
  readonly expected: ExpectedSeries | null;
  readonly ratedKwh: number;
}

/** Days with less than this share of their sunlit intervals read tell nothing of their shape. */
const WHOLE_FRAC = 0.98;
/** Days that owe less than this share of round-the-clock rated output are too dark for a ratio (a usual day owes a fifth). */
const LEAST_EXPECTED_FRAC = 0.004;

/** Sums and shapes by solar day. */
export function solarDays({ axis, energyKwh, sun, clear, expected, ratedKwh }: SolarDayInput): SolarDays {
  const { perDay, firstIndex } = clear;
  const count = Math.ceil((axis.count - firstIndex) / perDay);
  const column = (): Float64Array => new Float64Array(count).fill(Number.NaN);
  const out = { energyKwh: column(), readFrac: column(), ratio: column(), midOffsetMin: column(), lengthFrac: column() };
  for (let d = 0; d < count; d++) {
    const from = firstIndex + d * perDay;
    const [lo, hi] = [Math.max(0, from), Math.min(axis.count, from + perDay)];
    let [sum, lit, read, best] = [0, 0, 0, 0];
    for (let i = lo; i < hi; i++) {
      const kwh = energyKwh[i]!;
      const up = sun.up[i]! > 0;
      if (up) lit++;
      if (Number.isNaN(kwh)) continue;
      if (up) read++;
      sum += kwh;
      if (kwh > best) best = kwh;
    }
    out.readFrac[d] = lit > 0 ? read / lit : 1;
    if (read === 0) continue;
    out.energyKwh[d] = sum;
    const expectedKwh = expected
      ? sumOfDay(expected.axis, expected.kwh, axis.startUtcMs + from * axis.stepMinutes * MINUTE_MS)
      : Number.NaN;
    const row = clear.rowOf(d) * perDay;
    const owes = expected ? expectedKwh : sumOf(clear.kwh, row, row + perDay);
    if (owes > LEAST_EXPECTED_FRAC * ratedKwh * perDay) out.ratio[d] = sum / owes;
    if (lit === 0 || read < lit * WHOLE_FRAC || hi - lo < perDay) continue;
    shape(energyKwh, from, Math.max(best, 0) * LIT_FRAC, clear, row, d, out, axis.stepMinutes);
  }
  const rain = expected?.rainMm ?? null;
  const rainMm =
    rain && expected
      ? Float64Array.from({ length: count }, (_, d) =>
          sumOfDay(expected.axis, rain, axis.startUtcMs + (firstIndex + d * perDay) * axis.stepMinutes * MINUTE_MS),
        )
      : null;
  return { count, perDay, firstIndex, byWeather: expected !== null, rainMm, ...out };
}

function shape(
  energyKwh: Float64Array,
  from: number,
  least: number,
  clear: ClearYear,
  row: number,
  d: number,
  out: { midOffsetMin: Float64Array; lengthFrac: Float64Array },
  stepMinutes: number,
): void {
  const own = litEdges(energyKwh, from, clear.perDay, least);
  const model = litEdges(clear.kwh, row, clear.perDay, bestOf(clear.kwh, row, clear.perDay) * LIT_FRAC);
  if (!own || !model) return;
  out.midOffsetMin[d] = ((own.first + own.last - model.first - model.last) / 2) * stepMinutes;
  out.lengthFrac[d] = (own.last - own.first + 1) / (model.last - model.first + 1);
}

/** Sum of a column over a day from an instant on; NaN outside its axis. */
function sumOfDay(axis: TimeAxis, values: Float64Array, fromUtcMs: number): number {
  const from = Math.max(0, indexAt(axis, fromUtcMs));
  const to = Math.min(axis.count, indexAt(axis, fromUtcMs + DAY_MS));
  return to > from ? sumOf(values, from, to) : Number.NaN;
}

function sumOf(values: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += values[i]!;
  return sum;
}
