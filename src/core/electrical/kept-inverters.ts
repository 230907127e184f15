import { arrayNameplateW, type Inverter, type Site } from "../site";
import { LIMIT_KEYS, siteStringCheck } from "./string-check";

/** An inverter that stays while what stands before it changes. */
export interface KeptInverter {
  readonly id: string;
  /** All devices of it together, W. */
  readonly acRatedW: number;
  readonly dcBeforeW: number;
  readonly dcNowW: number;
  /** Whether the strings that there are now keep its limits; null where that is not known. */
  readonly holds: boolean | null;
}

/** What an inverter's arrays are made of: kind of module by its whole sheet, number, and how they are connected. */
const madeOf = (site: Site, { arrays }: Inverter): string =>
  JSON.stringify(
    site.arrays
      .filter(({ id }) => arrays.includes(id))
      .map(({ id, module, count, modulesPerString }) => [id, site.modules[module], count, modulesPerString]),
  );

const dcOf = (site: Site, { arrays }: Inverter): number =>
  site.arrays.reduce((sum, array) => sum + (arrays.includes(array.id) ? arrayNameplateW(site, array) : 0), 0);

const devicesOf = (site: Site, { perModule, arrays }: Inverter): number =>
  perModule ? site.arrays.reduce((n, array) => n + (arrays.includes(array.id) ? array.count : 0), 0) : 1;

/** Inverters that are the same in both sites while the modules before them are not. */
export function keptInverters(before: Site, now: Site): KeptInverter[] {
  return now.inverters.flatMap((inverter) => {
    const old = before.inverters.find(({ id }) => id === inverter.id);
    if (!old || JSON.stringify({ ...old, arrays: [] }) !== JSON.stringify({ ...inverter, arrays: [] })) return [];
    if (madeOf(before, old) === madeOf(now, inverter)) return [];
    const states = now.arrays
      .filter(({ id }) => inverter.arrays.includes(id))
      .flatMap((array) => {
        const check = siteStringCheck(now, array, inverter);
        return LIMIT_KEYS.map((key) => check[key].holds);
      });
    return [
      {
        id: inverter.id,
        acRatedW: inverter.acRatedW * devicesOf(now, inverter),
        dcBeforeW: dcOf(before, old),
        dcNowW: dcOf(now, inverter),
        holds: states.includes(false) ? false : states.includes(null) ? null : true,
      },
    ];
  });
}
