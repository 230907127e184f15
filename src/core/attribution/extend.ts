import type { MeteredOnAxis, MeterSeries } from "../ledger";
import { indexAt } from "../series";
import type { Site } from "../site";
import type { Weather } from "../weather";
import { prepareWeather } from "../yield";
import { cutFracOf } from "./ceiling/cut-frac";
import { insideHours, swingInside } from "./ceiling/inside-hours";
import type { AgeingRead, RunEvidence } from "./evidence";
import { ageAtStartOf, ageingRateOf, beforeCeiling, capped, ceilingKwhOf, expectedSoFar, rated, unbroken } from "./expected";
import type { FittedAttribution } from "./fitted";
import { heldBy, noHeat } from "./heat/detect";
import { asOrdered, type OrderedLimit } from "./limit/ordered";
import { either, standstill, withStringsBack } from "./outage/standstill";
import { siteWithOffset } from "./plane/turned-site";
import { dayIndex } from "./record/day-index";
import { type AttributionFrame, attributionFrame } from "./record/frame";
import { toHours } from "./record/hours";
import { shadeOf, touchedByShade } from "./shade/detect";
import { rainByDay, retainedBy } from "./soiling/washing";
import { backAgain, type StringsOut, stringsOut } from "./strings/detect";

/** The last weeks of a record, with what an earlier search of the record holds to. */
export interface ExtendInput {
  readonly site: Site;
  /** Begins some weeks before the laws' end, so that what is usual can be told. */
  readonly weather: Weather;
  readonly metered: MeteredOnAxis;
  readonly meters: readonly MeterSeries[];
  readonly cleanings: readonly string[];
  readonly limits: readonly OrderedLimit[];
  readonly fitted: FittedAttribution;
  /** Share lost to dirt by local day, as the search had it; days after it follow the law. */
  readonly dirtByDay: ReadonlyMap<string, number>;
}

/** The ageing that an earlier search read. */
const ageingBy = ({ ageing }: ExtendInput["fitted"]): AgeingRead =>
  ageing
    ? { isTooSoon: false, perYearFrac: ageing.perYearFrac, firstStep: { frac: ageing.firstStepFrac, low: ageing.firstStepFrac } }
    : { isTooSoon: true, perYearFrac: Number.NaN, firstStep: null };

/**
 * Evidence of a record's last weeks by the laws of an earlier search: standstill, snow and strings that go out are sought; level, ageing,
 * dirt's growth, plane, shade and ceiling are taken as they were found. Null where readings are coarser than hours.
 */
export function extendEvidence({ site, weather, metered, meters, cleanings, limits, fitted, dirtByDay }: ExtendInput): RunEvidence | null {
  const hourly = toHours(weather, metered);
  const prepared = prepareWeather(site.place, hourly.weather);
  const offsetSite = siteWithOffset(site, fitted.planeOffset);
  const frame = attributionFrame(offsetSite, prepared, hourly.metered);
  if (frame.resolution !== "hours") return null;
  const ceiling = fitted.ceilingW === null ? null : { powerW: fitted.ceilingW, heldFrac: 0, heldSteps: 0 };
  const ceilingKwh = ceilingKwhOf(frame, ceiling);
  const wereOut = fitted.stringsOut.map(
    ({ fromUtcMs, ...string }): StringsOut => ({
      ...string,
      from: Math.max(0, indexAt(frame.axis, fromUtcMs)),
      to: frame.axis.count,
      restored: false,
    }),
  );
  const cleaned = new Set(cleanings.map((date) => frame.days.keys.indexOf(date)).filter((day) => day >= 0));
  const shaded = touchedByShade(
    frame,
    fitted.shade.map((field) => ({ ...field, isShaded: true })),
  );
  const open = wereOut.length > 0 ? thatCameBack(frame, shaded, wereOut, ceilingKwh, fitted.endUtcMs, cleaned) : wereOut;
  const { outages, curtailed, snow, spoilt } = asOrdered(standstill(frame, ceilingKwh, open, shaded), frame, limits);
  const heat = fitted.heat ? heldBy(frame, { spoilt, curtailed }, ceilingKwh, { law: fitted.heat, spans: [] }) : noHeat(frame.axis.count);
  const index = withStringsBack(frame, dayIndex(frame, either(either(spoilt, heat.touched), shaded), ceilingKwh), open);
  const strings = [...open, ...stringsOut(frame, index, cleaned)];
  const soiling = { lostFracByDay: dirtAfter(frame.days.keys, rainByDay(frame), cleaned, fitted, dirtByDay) };
  const ageing = ageingBy(fitted);
  const ageAtStart = ageAtStartOf(frame);
  const perYear = ageingRateOf(ageing, site);
  const parts = { frame, soiling, strings };
  const expected = expectedSoFar(parts, ageAtStart, perYear);
  const ratingRetained = rated(expected, { retained: Float64Array.from(fitted.retained), levelFrac: 1 }, ceilingKwh);
  const shade = { lostFrac: shadeOf(frame, capped(expected, ratingRetained, ceilingKwh), fitted.shade), isSeen: fitted.shade.length > 0 };
  const inside = insideHours(frame, meters);
  return {
    ...parts,
    stepsAnHour: hourly.steps,
    ceiling,
    outages,
    curtailed,
    snow,
    heat,
    planeOffset: fitted.planeOffset,
    shade,
    ageing,
    ratingRetained,
    ceilingKwh,
    cutFrac: cutFracOf(
      frame,
      inside,
      beforeCeiling({ strings, snow, outages, curtailed, heat, shade, ratingRetained }, expected),
      ceilingKwh,
    ),
    swingScale: (inside && swingInside(frame, inside, ceilingKwh)?.scale) ?? 1,
    expectedKwh: unbroken(parts, ageAtStart, perYear, ratingRetained),
  };
}

/** Strings that were out at the laws' end, those that came back since ended where they did. */
function thatCameBack(
  frame: AttributionFrame,
  shaded: Uint8Array,
  wereOut: readonly StringsOut[],
  ceilingKwh: number,
  endUtcMs: number,
  cleaned: ReadonlySet<number>,
): StringsOut[] {
  const { spoilt } = standstill(frame, ceilingKwh, wereOut, shaded);
  const index = dayIndex(frame, either(spoilt, shaded), ceilingKwh);
  const lastDay = frame.days.binOf[Math.min(frame.axis.count - 1, Math.max(0, indexAt(frame.axis, endUtcMs)))]!;
  return wereOut.map((string) => {
    const back = backAgain(frame, index, string, lastDay, cleaned);
    return back === null ? string : { ...string, to: back, restored: true };
  });
}

/** Dirt by day: as the search had it, then growing by its rate, washed by rain and taken by cleanings. */
function dirtAfter(
  days: readonly string[],
  rainMm: Float64Array,
  cleaned: ReadonlySet<number>,
  { dirtPerDayFrac, washing }: FittedAttribution,
  known: ReadonlyMap<string, number>,
): Float64Array {
  const out = new Float64Array(days.length);
  for (let d = 0; d < days.length; d++) {
    const before = d === 0 ? 0 : out[d - 1]! * retainedBy(rainMm[d - 1]!, washing);
    out[d] = known.get(days[d]!) ?? (cleaned.has(d) ? 0 : before + dirtPerDayFrac);
  }
  return out;
}
