import { endUtcMs } from "../series";
import { MINUTE_MS } from "../units";
import type { Evidence } from "./evidence";
import type { HeatLaw } from "./heat/detect";
import type { PlaneOffset } from "./plane/turned-site";
import type { ShadedField } from "./shade/detect";
import type { Washing } from "./soiling/washing";
import type { StringsOut } from "./strings/detect";

/** What a search found that holds on: enough to read the days after its record without searching it again. */
export interface FittedAttribution {
  /** End of the record that they were read from. */
  readonly endUtcMs: number;
  readonly ceilingW: number | null;
  /** Kept share of nameplate by load. */
  readonly retained: readonly number[];
  readonly dirtPerDayFrac: number;
  readonly washing: Washing;
  /** Null where nothing could be told: then the book's budget holds. */
  readonly ageing: { readonly perYearFrac: number; readonly firstStepFrac: number } | null;
  /** Null where the book's plane is right. */
  readonly planeOffset: PlaneOffset | null;
  readonly shade: readonly ShadedField[];
  /** How the most that the inverters give falls with heat; null where it is not seen to. */
  readonly heat: HeatLaw | null;
  /** Strings that were still out at the end. */
  readonly stringsOut: readonly (Pick<StringsOut, "lostFrac" | "measuredFrac" | "part"> & { readonly fromUtcMs: number })[];
}

/** The laws of a whole search. */
export function fittedOf({
  frame,
  ceiling,
  rating,
  soiling,
  ageing,
  planeOffset: turn,
  shade,
  heat,
  strings,
}: Evidence): FittedAttribution {
  const known = !ageing.isTooSoon && !Number.isNaN(ageing.perYearFrac);
  const utcOf = (i: number): number => frame.axis.startUtcMs + i * frame.axis.stepMinutes * MINUTE_MS;
  return {
    endUtcMs: endUtcMs(frame.axis),
    ceilingW: ceiling?.powerW ?? null,
    retained: [...rating.retained],
    dirtPerDayFrac: soiling.ratePerDay,
    washing: soiling.washing,
    ageing: known
      ? { perYearFrac: ageing.perYearFrac, firstStepFrac: ageing.firstStep && ageing.firstStep.low > 0 ? ageing.firstStep.frac : 0 }
      : null,
    planeOffset: turn,
    shade: shade.isSeen
      ? shade.fields.filter(({ isShaded }) => isShaded).map(({ azimuthDeg, elevationDeg, ratio }) => ({ azimuthDeg, elevationDeg, ratio }))
      : [],
    heat: heat.law,
    stringsOut: strings
      .filter(({ restored }) => !restored)
      .map(({ from, lostFrac, measuredFrac, part }) => ({ fromUtcMs: utcOf(from), lostFrac, measuredFrac, part })),
  };
}
