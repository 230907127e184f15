import { type MixedPlace, type MixedYear, mixedYear, type StringModule } from "../electrical";
import type { ReferenceParameters } from "../module";
import { circuitOf, type Site } from "../site";
import { type PreparedWeather, planeHours } from "../yield";

/** Some modules of one kind in a string, all alike. */
export interface MixedModules {
  readonly module: string;
  readonly count: number;
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
  /** Share of the light that reaches each bypassed group. */
  readonly groupLightFrac: readonly number[];
  readonly irradianceWm2: number;
  readonly cellTempC: number;
}

/** Voltage at which a bypass diode conducts, V: between a Schottky's and a silicon diode's. */
export const BYPASS_DROP_V = 0.5;

/** Circuits of the site's modules whose datasheets hold enough. */
export const circuitsOf = ({ modules }: Site): ReadonlyMap<string, ReferenceParameters> =>
  new Map(
    Object.entries(modules).flatMap(([name, module]) => {
      const circuit = circuitOf(module);
      return circuit ? [[name, circuit] as const] : [];
    }),
  );

/** The modules of each string at one moment. Throws a RangeError for a module without a circuit. */
export const stringsNow = (
  strings: readonly (readonly MixedModules[])[],
  circuits: ReadonlyMap<string, ReferenceParameters>,
): { modules: StringModule[] }[] =>
  strings.map((parts) => ({
    modules: parts.flatMap(({ module, count, groupLightFrac, irradianceWm2, cellTempC }) => {
      const reference = circuits.get(module);
      if (!reference) throw new RangeError(`Module ${module} has no circuit`);
      const one = { reference, groupIrradianceWm2: groupLightFrac.map((share) => share * irradianceWm2), cellTempC };
      return Array.from({ length: count }, () => one);
    }),
  }));

/** A mean year of mixed strings in the weather of a site; `years` is how many the weather holds. Null where a module has no circuit. */
export function mixedYearOnSite(
  site: Site,
  prepared: PreparedWeather,
  strings: readonly (readonly MixedModules[])[],
  years: number,
): MixedYear | null {
  const circuits = circuitsOf(site);
  const mounting = site.arrays[0]!.mounting;
  const parts = strings.flat();
  if (parts.some(({ module }) => !circuits.has(module))) return null;
  const hours = planeHours(
    site,
    prepared,
    parts.map(({ tiltDeg, azimuthDeg }) => ({ tiltDeg, azimuthDeg, mounting })),
  );
  let next = 0;
  const places = strings.map((own) =>
    own.flatMap(({ module, count, groupLightFrac }): MixedPlace[] => {
      const place = { ...hours[next++]!, reference: circuits.get(module)!, groupLightFrac, pmpW: site.modules[module]!.pmpW };
      return Array.from({ length: count }, () => place);
    }),
  );
  return mixedYear(places, BYPASS_DROP_V, (hours[0]?.hoursEach ?? 0) / years);
}
