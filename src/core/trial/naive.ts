import type { CalendarBins } from "../time";

/** What a hurried reader would say: raw readings of each side by themselves, stretched to a year by days. */
export interface NaiveTrial {
  readonly a: number;
  readonly b: number;
  readonly frac: number;
  readonly days: { readonly a: number; readonly b: number };
}

export function naiveTrial(
  days: CalendarBins,
  a: { readonly meteredKwh: Float64Array; readonly kwp: number },
  b: { readonly meteredKwh: Float64Array; readonly kwp: number },
): NaiveTrial {
  const stretch = ({ meteredKwh, kwp }: { meteredKwh: Float64Array; kwp: number }): { kwh: number; days: number } => {
    const read = new Set<number>();
    let kwh = 0;
    for (let i = 0; i < meteredKwh.length; i++)
      if (!Number.isNaN(meteredKwh[i])) {
        kwh += meteredKwh[i]!;
        read.add(days.binOf[i]!);
      }
    return { kwh: read.size > 0 ? (kwh / kwp / read.size) * 365 : Number.NaN, days: read.size };
  };
  const [left, right] = [stretch(a), stretch(b)];
  return { a: left.kwh, b: right.kwh, frac: right.kwh / left.kwh - 1, days: { a: left.days, b: right.days } };
}
