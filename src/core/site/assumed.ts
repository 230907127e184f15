import type { PlantBasis } from "../basis";
import type { EstimatedField } from "../module";
import type { Assumption } from "./assumption";
import type { ModuleType, PvArray, Site } from "./types";

/** What a plant that is known by its datasheet has. */
const OF_DATASHEET = ["vocV", "iscA", "vmpV", "impA"] as const;

/** Assumptions that an expected energy hangs on; the height of a place changes the air alone. */
const OF_ENERGY: readonly Assumption[] = ["tilt", "azimuth", "modules", "inverter"];

/** What is known of a plant, as far as an answer hangs on it: where anything of it was taken for granted that is said, else whether its modules are known by their datasheet. */
export function plantBasis({ assumed, arrays, modules }: Pick<Site, "assumed" | "arrays" | "modules">, bearing = OF_ENERGY): PlantBasis {
  if (assumed.some((what) => bearing.includes(what))) return "assumed";
  const used = [...new Set(arrays.map(({ module }) => module))].flatMap((key) => (modules[key] ? [modules[key]] : []));
  const isKnown = (module: ModuleType): boolean =>
    OF_DATASHEET.every((field) => module[field] !== null && !module.estimated.includes(field));
  return used.every(isKnown) ? "datasheet" : "nameplate";
}

type Fields = Pick<Site, "assumed" | "arrays" | "modules" | "inverters" | "place">;

/** What each assumption hangs on: where it differs from before, somebody said it. */
const SAID: Readonly<Record<Assumption, (site: Fields) => unknown>> = {
  elevation: ({ place }) => place.elevationM,
  tilt: ({ arrays }) => arrays.map(({ tiltDeg, tiltSchedule }: PvArray) => [tiltDeg, tiltSchedule]),
  azimuth: ({ arrays }) => arrays.map(({ azimuthDeg }) => azimuthDeg),
  modules: ({ arrays, modules }) => [arrays.map(({ count, module }) => [count, module]), Object.values(modules).map(({ pmpW }) => pmpW)],
  inverter: ({ inverters }) => inverters.map(({ acRatedW }) => acRatedW),
};

const differs = (a: unknown, b: unknown): boolean => JSON.stringify(a) !== JSON.stringify(b);

/** A site without the assumptions and estimates that somebody wrote over since it was as before. */
export function asSaid<T extends Fields>(before: Fields, after: T): T {
  const modules = Object.fromEntries(
    Object.entries(after.modules).map(([key, module]) => {
      const was = before.modules[key];
      const stands = (field: EstimatedField): boolean =>
        module[field] !== null && (!was || was[field] === module[field] || !was.estimated.includes(field));
      return [key, { ...module, estimated: module.estimated.filter(stands) }];
    }),
  );
  return { ...after, modules, assumed: after.assumed.filter((what) => !differs(SAID[what](before), SAID[what](after))) };
}
