import { arrayLayout } from "./layout";
import type { PvArray, Site } from "./types";

/** A module's place in its array: row 0 along the upper edge, column 0 at the left of who stands before it. */
export interface ModulePlace {
  readonly id: string;
  readonly array: string;
  readonly row: number;
  readonly column: number;
}

/** In which order ids run over an array. */
export interface GridOrder {
  readonly from: "upper-left" | "upper-right" | "lower-left" | "lower-right";
  readonly along: "rows" | "columns";
  /** Whether every second line runs back, as a cable does. */
  readonly turns: boolean;
}

export const PLAIN_ORDER: GridOrder = { from: "upper-left", along: "rows", turns: false };

const NATURAL = new Intl.Collator("en", { numeric: true });

/** Ids as people count: B2 before B10. */
export const inNaturalOrder = (ids: readonly string[]): string[] => [...ids].sort(NATURAL.compare);

/** An array's grid with ids laid into it in an order; "" where a place stays free. */
export function gridInOrder(site: Site, array: PvArray, ids: readonly string[], { from, along, turns }: GridOrder): string[][] {
  const { rows, columns } = arrayLayout(site, array);
  const grid = Array.from({ length: rows }, () => new Array<string>(columns).fill(""));
  const [lines, length] = along === "rows" ? [rows, columns] : [columns, rows];
  ids.slice(0, Math.min(array.count, rows * columns)).forEach((id, k) => {
    const line = Math.floor(k / length);
    if (line >= lines) return;
    const at = turns && line % 2 === 1 ? length - 1 - (k % length) : k % length;
    const [row, column] = along === "rows" ? [line, at] : [at, line];
    const down = from.startsWith("lower") ? rows - 1 - row : row;
    const across = from.endsWith("right") ? columns - 1 - column : column;
    grid[down]![across] = id;
  });
  return grid;
}

/**
 * Where each module lies: as the site's grids say, and what no grid names by its name (an id that begins with an array's) or in natural order, array
 * after array, those with electronics at each module first. An id that finds no place is not among them.
 */
export function modulePlaces(site: Site, ids: readonly string[]): readonly ModulePlace[] {
  const laid = new Set(site.arrays.flatMap(({ moduleIds }) => moduleIds.flat()));
  const open = site.arrays.filter(({ moduleIds }) => moduleIds.length === 0);
  const grids = gridsInOrder(site, open, inNaturalOrder(ids.filter((id) => !laid.has(id))));
  const known = new Set(ids);
  return site.arrays.flatMap((array) => placesOf(array.id, grids.get(array.id) ?? array.moduleIds).filter(({ id }) => known.has(id)));
}

/** Names laid into arrays that have no grid of their own. */
function gridsInOrder(site: Site, open: readonly PvArray[], ids: readonly string[]): ReadonlyMap<string, readonly (readonly string[])[]> {
  const own = ids.map((id) => namedAfter(id, open));
  const named = new Map(open.map((array) => [array.id, ids.filter((_, k) => own[k] === array.id).slice(0, array.count)]));
  const taken = new Set([...named.values()].flat());
  const free = ids.filter((id) => !taken.has(id));
  const readFirst = open.toSorted((a, b) => Number(hasOwnElectronics(site, b)) - Number(hasOwnElectronics(site, a)));
  return new Map(
    readFirst.map((array) => {
      const own = named.get(array.id)!;
      return [array.id, gridInOrder(site, array, own.length > 0 ? own : free.splice(0, array.count), PLAIN_ORDER)];
    }),
  );
}

/** Modules are read one by one where each has electronics of its own. */
const hasOwnElectronics = (site: Site, { id, shadeRule }: PvArray): boolean =>
  shadeRule === "module-level" || site.inverters.some(({ perModule, arrays }) => perModule && arrays.includes(id));

/** The array whose id or name an id begins with, the longest of them; null for none. */
function namedAfter(id: string, arrays: readonly PvArray[]): string | null {
  const plain = id.toLowerCase();
  const begins = arrays.flatMap((array) =>
    [array.id, array.name]
      .filter((own) => own !== "" && plain.startsWith(own.toLowerCase()))
      .map((own) => ({ array: array.id, length: own.length })),
  );
  return begins.sort((one, other) => other.length - one.length)[0]?.array ?? null;
}

const placesOf = (array: string, grid: readonly (readonly string[])[]): ModulePlace[] =>
  grid.flatMap((cells, row) => cells.flatMap((id, column) => (id === "" ? [] : [{ id, array, row, column }])));
