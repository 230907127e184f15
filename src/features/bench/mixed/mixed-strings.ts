import type { MixedPart, MixedStrings } from "@/contracts/mixed-string";
import type { StringModule } from "@/core/electrical";
import { fitDatasheet, type ReferenceParameters } from "@/core/module";
import type { ModuleType, Site } from "@/core/site";

/** Circuits of the site's modules whose datasheets hold enough. */
export function circuitsOf(site: Site): ReadonlyMap<string, ReferenceParameters> {
  return new Map(
    Object.entries(site.modules).flatMap(([name, module]) => {
      const circuit = circuitOf(module);
      return circuit ? [[name, circuit] as const] : [];
    }),
  );
}

function circuitOf({ iscA, vocV, impA, vmpV, alphaIscPerK, betaVocPerK, cellsInSeries }: ModuleType): ReferenceParameters | null {
  if (iscA === null || vocV === null || impA === null || vmpV === null || cellsInSeries === null) return null;
  return fitDatasheet({ iscA, vocV, impA, vmpV, alphaIscPerK, betaVocPerK, cellsInSeries });
}

/** The modules of each string as they stand now. */
export const modulesOf = (strings: MixedStrings, circuits: ReadonlyMap<string, ReferenceParameters>): { modules: StringModule[] }[] =>
  strings.map((parts) => ({
    modules: parts.flatMap(({ module, count, groupLightFrac, irradianceWm2, cellTempC }) =>
      Array.from({ length: count }, () => ({
        reference: circuits.get(module)!,
        groupIrradianceWm2: groupLightFrac.map((share) => share * irradianceWm2),
        cellTempC,
      })),
    ),
  }));

/** A first mixed array: the book's own string, one module of it dimmed. */
export function firstStrings(site: Site, circuits: ReadonlyMap<string, ReferenceParameters>): MixedStrings {
  const array = site.arrays.find(({ module }) => circuits.has(module)) ?? site.arrays[0]!;
  const count = Math.min(60, Math.max(2, array.modulesPerString ?? Math.min(12, array.count)));
  const groups = Math.max(1, site.modules[array.module]!.bypassDiodes || 1);
  const part = (own: number, light: number): MixedPart => ({
    module: array.module,
    count: own,
    tiltDeg: array.tiltDeg,
    azimuthDeg: array.azimuthDeg,
    groupLightFrac: new Array<number>(groups).fill(light),
    irradianceWm2: 800,
    cellTempC: 45,
  });
  return [[part(count - 1, 1), part(1, 0.4)]];
}
