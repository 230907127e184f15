import type { TimeAxis } from "../series";
import { siteAcRatedW } from "../site";
import type { CalendarBins } from "../time";
import { hoursOfStep } from "../units";
import type { TrialSide } from "./side";

/** How often a side lay on its inverters' rating. */
export interface ClippingDays {
  readonly days: number;
  readonly hours: number;
  /** AC rating at the meter, W; null where the book has none. */
  readonly ceilingW: number | null;
}

/** A step this near the rating was held there. */
const AT_CEILING_FRAC = 0.985;

export function clippingDays({ site }: TrialSide, acKwh: Float64Array, axis: TimeAxis, days: CalendarBins): ClippingDays {
  const ratedW = siteAcRatedW(site) * (1 - site.losses.acWiringFrac);
  if (!(ratedW > 0)) return { days: 0, hours: 0, ceilingW: null };
  const least = AT_CEILING_FRAC * (ratedW / 1000) * hoursOfStep(axis.stepMinutes);
  const clipped = new Set<number>();
  let steps = 0;
  for (let i = 0; i < axis.count; i++)
    if (acKwh[i]! >= least) {
      clipped.add(days.binOf[i]!);
      steps++;
    }
  return { days: clipped.size, hours: steps * hoursOfStep(axis.stepMinutes), ceilingW: ratedW };
}
