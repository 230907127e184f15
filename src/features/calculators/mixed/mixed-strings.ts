import { type MixedGroups, type MixedPart, type MixedStrings, mixedStringsSchema } from "@/contracts/mixed-string";
import type { ReferenceParameters } from "@/core/module";
import type { Site } from "@/core/site";

type Modules = Site["modules"];

/** Standard test conditions: what a nameplate speaks of. */
const FULL_LIGHT_WM2 = 1000;
const STANDARD_CELL_C = 25;
const MOST_STRINGS = 12;

const groupsOfModule = (modules: Modules, module: string): number => Math.max(1, modules[module]?.bypassDiodes || 1);

/** A first mixed array at standard test conditions: modules of the book, and one of another kind among them. */
export function firstGroups(site: Site, modules: Modules, circuits: ReadonlyMap<string, ReferenceParameters>): MixedGroups {
  const array = site.arrays.find(({ module }) => circuits.has(module)) ?? site.arrays[0]!;
  const own = circuits.has(array.module) ? array.module : ([...circuits.keys()][0] ?? array.module);
  const other = [...Object.keys(site.modules), ...circuits.keys()].find((name) => name !== own && circuits.has(name)) ?? own;
  const count = Math.min(59, Math.max(1, (array.modulesPerString ?? Math.min(12, array.count)) - 1));
  const part = (module: string, so: number): MixedPart => ({
    module,
    count: so,
    tiltDeg: array.tiltDeg,
    azimuthDeg: array.azimuthDeg,
    groupLightFrac: new Array<number>(groupsOfModule(modules, module)).fill(1),
    irradianceWm2: FULL_LIGHT_WM2,
    cellTempC: STANDARD_CELL_C,
  });
  return [{ alike: 1, parts: [part(own, count), part(other, 1)] }];
}

/** Every string by itself. */
export const stringsOf = (groups: MixedGroups): MixedStrings =>
  groups.flatMap(({ alike, parts }) => Array.from({ length: alike }, () => parts));

/** How modules are connected in one choice; `as-set` where it is none of them. */
export const CONNECTIONS = ["series", "by-kind", "parallel"] as const;
export type Connection = (typeof CONNECTIONS)[number];

/** All the modules there are, kind by kind. */
const kindsOf = (groups: MixedGroups): MixedPart[] => {
  const kinds = new Map<string, MixedPart>();
  for (const { alike, parts } of groups)
    for (const part of parts) {
      const key = JSON.stringify({ ...part, count: 0 });
      kinds.set(key, { ...part, count: (kinds.get(key)?.count ?? 0) + part.count * alike });
    }
  return [...kinds.values()];
};

/** The same modules connected otherwise; null where a bench holds no so many strings, or strings so long. */
export function connected(groups: MixedGroups, connection: Connection): MixedGroups | null {
  const kinds = kindsOf(groups);
  const made: MixedGroups =
    connection === "series"
      ? [{ alike: 1, parts: kinds }]
      : connection === "by-kind"
        ? kinds.map((part) => ({ alike: 1, parts: [part] }))
        : kinds.map((part) => ({ alike: part.count, parts: [{ ...part, count: 1 }] }));
  const strings = made.reduce((sum, { alike }) => sum + alike, 0);
  return strings <= MOST_STRINGS && mixedStringsSchema.safeParse(stringsOf(made)).success ? made : null;
}

/** Which of the choices an array is; null: none of them. */
export const connectionOf = (groups: MixedGroups): Connection | null => {
  const as = JSON.stringify(stringsOf(groups));
  return (
    CONNECTIONS.find((connection) => {
      const made = connected(groups, connection);
      return made !== null && JSON.stringify(stringsOf(made)) === as;
    }) ?? null
  );
};

/** Arrays that a module was dropped from stand with another in its place. */
export const knownGroups = (groups: MixedGroups, circuits: ReadonlyMap<string, ReferenceParameters>): boolean =>
  groups.every(({ parts }) => parts.every(({ module }) => circuits.has(module)));
