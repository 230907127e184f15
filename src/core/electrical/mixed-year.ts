import type { ReferenceParameters } from "../module";
import { arrayCurve } from "./array-curve";
import type { StringModule } from "./cell-group";

/** A module's place in a mixed array: which circuit, and how its light and warmth stand to the site's hour. */
export interface MixedPlace {
  readonly reference: ReferenceParameters;
  readonly pmpW: number;
  /** Light in its own plane, W/m2, and cell temperature, C, by sampled hour. */
  readonly irradianceWm2: Float64Array;
  readonly cellTempC: Float64Array;
  /** Share of the light that reaches each of its groups. */
  readonly groupLightFrac: readonly number[];
}

export interface MixedYear {
  /** DC energy of the year: all on one input, every string on its own, every module on its own, kWh. */
  readonly togetherKwh: number;
  readonly byStringKwh: number;
  readonly byModuleKwh: number;
  /** Rule of thumb: the sum of nameplates times each hour's light. */
  readonly nameplateKwh: number;
}

const MICRO_LIGHT_WM2 = 15;

/**
 * DC energy of mixed strings over sampled hours that stand for `hoursEach` hours, with trackers that find the highest maximum.
 * A year sampled by one lit hour in seven is that of all hours within half a percent (tested).
 */
export function mixedYear(strings: readonly (readonly MixedPlace[])[], bypassDropV: number, hoursEach: number): MixedYear {
  const hours = strings[0]?.[0]?.irradianceWm2.length ?? 0;
  const sums = { together: 0, byString: 0, byModule: 0, nameplate: 0 };
  for (let h = 0; h < hours; h++) {
    const lit = strings.map((places) => places.map((place) => moduleAt(place, h)));
    if (lit.every((modules) => modules.every((module) => Math.max(...module.groupIrradianceWm2) < MICRO_LIGHT_WM2))) continue;
    const best = (modules: readonly (readonly StringModule[])[]): number =>
      arrayCurve({ strings: modules.map((each) => ({ modules: each })), bypassDropV }).peaks[0]?.powerW ?? 0;
    sums.together += best(lit);
    sums.byString += strings.length > 1 ? lit.reduce((sum, modules) => sum + best([modules]), 0) : 0;
    sums.byModule += aloneW(lit.flat(), bypassDropV);
    for (const places of strings) for (const place of places) sums.nameplate += (place.pmpW * place.irradianceWm2[h]!) / 1000;
  }
  const kwh = (watts: number): number => (watts * hoursEach) / 1000;
  return {
    togetherKwh: kwh(sums.together),
    byStringKwh: kwh(strings.length > 1 ? sums.byString : sums.together),
    byModuleKwh: kwh(sums.byModule),
    nameplateKwh: kwh(sums.nameplate),
  };
}

const moduleAt = ({ reference, groupLightFrac, irradianceWm2, cellTempC }: MixedPlace, h: number): StringModule => ({
  reference,
  groupIrradianceWm2: groupLightFrac.map((share) => share * irradianceWm2[h]!),
  cellTempC: cellTempC[h]!,
});

/** Sum of what each module would give alone; like ones are solved once. */
function aloneW(modules: readonly StringModule[], bypassDropV: number): number {
  const known = new Map<string, number>();
  return modules.reduce((sum, module) => {
    const key = `${module.reference.photocurrentA} ${module.reference.seriesOhm} ${module.cellTempC} ${module.groupIrradianceWm2.join()}`;
    const cached = known.get(key) ?? arrayCurve({ strings: [{ modules: [module] }], bypassDropV }).peaks[0]?.powerW ?? 0;
    known.set(key, cached);
    return sum + cached;
  }, 0);
}
