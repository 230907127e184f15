import type { MeteredOnAxis, MeterSeries } from "../ledger";
import { indexAt } from "../series";
import type { Site } from "../site";
import type { Weather } from "../weather";
import { ageOnAxis, prepareWeather } from "../yield";
import { cutFracSeen, insideHours, swingInside } from "./ceiling/inside-hours";
import type { CauseLaws } from "./fitted";
import { either, standstill, withStringsBack } from "./outage/standstill";
import { ageingRateOf, beforeCeiling, capped, ceilingKwhOf, owedSoFar, type RunEvidence, rated, unbroken } from "./pipeline";
import { turnedSite } from "./plane/turned-site";
import { dayIndex } from "./record/day-index";
import { type CauseBasis, causeBasis } from "./record/frame";
import { toHours } from "./record/hours";
import { shadeOf, touchedByShade } from "./shade/detect";
import { keptBy, rainByDay } from "./soiling/washing";
import { backAgain, type StringsOut, stringsOut } from "./strings/detect";

/** The last weeks of a record, with what an earlier search of the record holds to. */
export interface ExtendInput {
  readonly site: Site;
  /** Begins some weeks before the laws' end, so that what is usual can be told. */
  readonly weather: Weather;
  readonly metered: MeteredOnAxis;
  readonly meters: readonly MeterSeries[];
  readonly cleanings: readonly string[];
  readonly laws: CauseLaws;
  /** Share lost to dirt by local day, as the search had it; days after it follow the law. */
  readonly dirtByDay: ReadonlyMap<string, number>;
}

/**
 * Evidence of a record's last weeks by the laws of an earlier search: standstill, snow and strings that go out are sought; level, ageing,
 * dirt's growth, plane, shade and ceiling are taken as they were found. Null where readings are coarser than hours.
 */
export function extendEvidence({ site, weather, metered, meters, cleanings, laws, dirtByDay }: ExtendInput): RunEvidence | null {
  const hourly = toHours(weather, metered);
  const prepared = prepareWeather(site.place, hourly.weather);
  const turned = turnedSite(site, laws.turn);
  const basis = causeBasis(turned, prepared, hourly.metered);
  if (basis.resolution !== "hours") return null;
  const ceiling = laws.ceilingW === null ? null : { powerW: laws.ceilingW, heldFrac: 0, heldSteps: 0 };
  const ceilingKwh = ceilingKwhOf(basis, ceiling);
  const wereOut = laws.stringsOut.map(
    ({ fromUtcMs, ...string }): StringsOut => ({
      ...string,
      from: Math.max(0, indexAt(basis.axis, fromUtcMs)),
      to: basis.axis.count,
      restored: false,
    }),
  );
  const cleaned = new Set(cleanings.map((date) => basis.days.keys.indexOf(date)).filter((day) => day >= 0));
  const shaded = touchedByShade(
    basis,
    laws.shade.map((field) => ({ ...field, isShaded: true })),
  );
  const open = wereOut.length > 0 ? thatCameBack(basis, shaded, wereOut, ceilingKwh, laws.endUtcMs, cleaned) : wereOut;
  const { outages, held, snow, spoilt } = standstill(basis, ceilingKwh, open, shaded);
  const index = withStringsBack(basis, dayIndex(basis, either(spoilt, shaded), ceilingKwh), open);
  const strings = [...open, ...stringsOut(basis, index, cleaned)];
  const soiling = { lostFracByDay: dirtAfter(basis.days.keys, rainByDay(basis), cleaned, laws, dirtByDay) };
  const ageing = laws.ageing
    ? {
        isTooSoon: false,
        perYearFrac: laws.ageing.perYearFrac,
        firstStep: { frac: laws.ageing.firstStepFrac, low: laws.ageing.firstStepFrac },
      }
    : { isTooSoon: true, perYearFrac: Number.NaN, firstStep: null };
  const ageAtStart = site.commissioned ? ageOnAxis(site.commissioned, site.place.timeZone, basis.axis).startYears : 0;
  const perYear = ageingRateOf(ageing, site);
  const parts = { basis, soiling, strings };
  const owed = owedSoFar(parts, ageAtStart, perYear);
  const ratingKept = rated(owed, { kept: Float64Array.from(laws.kept), levelFrac: 1 }, ceilingKwh);
  const shade = { lostFrac: shadeOf(basis, capped(owed, ratingKept, ceilingKwh), laws.shade), isSeen: laws.shade.length > 0 };
  const inside = insideHours(basis, meters);
  return {
    ...parts,
    stepsAnHour: hourly.steps,
    ceiling,
    outages,
    held,
    snow,
    turn: laws.turn,
    shade,
    ageing,
    ratingKept,
    ceilingKwh,
    cutFrac: inside && cutFracSeen(basis, inside, beforeCeiling({ strings, snow, outages, held, shade, ratingKept }, owed), ceilingKwh),
    swingScale: (inside && swingInside(basis, inside, ceilingKwh)?.scale) ?? 1,
    owedKwh: unbroken(parts, ageAtStart, perYear, ratingKept),
  };
}

/** Strings that were out at the laws' end, those that came back since ended where they did. */
function thatCameBack(
  basis: CauseBasis,
  shaded: Uint8Array,
  wereOut: readonly StringsOut[],
  ceilingKwh: number,
  endUtcMs: number,
  cleaned: ReadonlySet<number>,
): StringsOut[] {
  const { spoilt } = standstill(basis, ceilingKwh, wereOut, shaded);
  const index = dayIndex(basis, either(spoilt, shaded), ceilingKwh);
  const lastDay = basis.days.binOf[Math.min(basis.axis.count - 1, Math.max(0, indexAt(basis.axis, endUtcMs)))]!;
  return wereOut.map((string) => {
    const back = backAgain(basis, index, string, lastDay, cleaned);
    return back === null ? string : { ...string, to: back, restored: true };
  });
}

/** Dirt by day: as the search had it, then growing by its rate, washed by rain and taken by cleanings. */
function dirtAfter(
  days: readonly string[],
  rainMm: Float64Array,
  cleaned: ReadonlySet<number>,
  { dirtPerDayFrac, washing }: CauseLaws,
  known: ReadonlyMap<string, number>,
): Float64Array {
  const out = new Float64Array(days.length);
  for (let d = 0; d < days.length; d++) {
    const before = d === 0 ? 0 : out[d - 1]! * keptBy(rainMm[d - 1]!, washing);
    out[d] = known.get(days[d]!) ?? (cleaned.has(d) ? 0 : before + dirtPerDayFrac);
  }
  return out;
}
