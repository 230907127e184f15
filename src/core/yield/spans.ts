import type { TimeAxis } from "../series";
import { type Site, siteSegments } from "../site";
import type { CalendarBins } from "../time";

/** Intervals [from, to) in one bin and one arrangement of the site. */
export interface YieldSpan {
  readonly from: number;
  readonly to: number;
  readonly bin: number;
  /** Month of the bin, 0 to 11; bins are local days or months, so that a bin has one. */
  readonly month: number;
  readonly site: Site;
}

/** Cuts an axis wherever the bin or the site changes. */
export function* yieldSpans(site: Site, axis: TimeAxis, bins: CalendarBins): Generator<YieldSpan> {
  for (const segment of siteSegments(site, axis)) {
    let from = segment.from;
    while (from < segment.to) {
      const bin = bins.binOf[from]!;
      const to = endOfBin(bins.binOf, bin, from, segment.to);
      yield { from, to, bin, month: Number(bins.keys[bin]!.slice(5, 7)) - 1, site: segment.site };
      from = to;
    }
  }
}

/** First index after a bin: bins rise along the axis, so the end is found by halving. */
function endOfBin(binOf: Uint16Array, bin: number, from: number, until: number): number {
  let low = from + 1;
  let high = until;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (binOf[middle]! > bin) high = middle;
    else low = middle + 1;
  }
  return low;
}
