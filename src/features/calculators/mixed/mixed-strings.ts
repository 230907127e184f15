import type { MixedPart, MixedStrings } from "@/contracts/mixed-string";
import type { ReferenceParameters } from "@/core/module";
import type { Site } from "@/core/site";

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
