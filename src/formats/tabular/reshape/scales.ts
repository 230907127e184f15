import type { ProblemLog } from "@/contracts/problems";
import { meaningOf, unitOf } from "../tables/column-words";
import type { TableSource } from "../tables/source";
import { asItStands, column, type Look, lookOf, type PlainColumn, recut } from "./recut";

const EXPONENT = /(^|[\s_-])(sf|scale ?factor|exponent|power of ten|zehnerpotenz)$/i;
const FACTOR = /(^|[\s_-])(factor|multiplier|faktor|multiplikator|facteur|scale|scaling)$/i;
/** Factors that are readings of their own. */
const NO_SCALE = /power ?factor|leistungsfaktor|capacity|load factor|fill ?factor|cos/i;
const UNIT = /^(unit|units|uom|einheit|unit[ée]|unidad|unit[àa])$/i;
const KNOWN_UNIT = /^(k|m)?wh?$/i;
const TO_KILO: Readonly<Record<string, number>> = { wh: 0.001, kwh: 1, mwh: 1000, w: 0.001, kw: 1, mw: 1000 };

/** A column of scale factors is no reading: it multiplies the register that it stands for, and is gone. */
export function applyScales(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const scales = new Map<number, { readonly of: number; readonly isExponent: boolean }>();
  look.shape.headers.forEach((header, index) => {
    const kind = NO_SCALE.test(header) ? null : EXPONENT.test(header.trim()) ? "exponent" : FACTOR.test(header.trim()) ? "factor" : null;
    const of = kind && registerOf(look, index);
    if (kind && of !== null) scales.set(index, { of: of, isExponent: kind === "exponent" && isExponent(look, index) });
  });
  if (scales.size === 0) return source;
  const columns = look.shape.headers.flatMap((header, index): PlainColumn[] => {
    if (scales.has(index)) return [];
    const own = [...scales].find(([, { of }]) => of === index);
    if (!own) return [asItStands(look, index)];
    const [at, { isExponent: byTen }] = own;
    log.add(
      "scaled-column",
      "notice",
      { row: look.shape.firstRow, column: header },
      { by: look.shape.headers[at]!, how: byTen ? "power of ten" : "factor" },
    );
    return [{ header, from: index, cell: (row) => times(row[index] ?? "", byTen ? 10 ** number(row[at] ?? "") : number(row[at] ?? "")) }];
  });
  return recut(source, look, columns);
}

/** The register of a scale: the column of the same name without its ending, else the numbers to its left. */
function registerOf(look: Look, index: number): number | null {
  const { headers } = look.shape;
  const stem = headers[index]!.trim()
    .replace(EXPONENT, "")
    .replace(FACTOR, "")
    .replaceAll(/[\s_-]+/g, " ")
    .trim()
    .toLowerCase();
  const plain = (header: string): string =>
    header
      .trim()
      .replaceAll(/[\s_-]+/g, " ")
      .toLowerCase();
  const named = stem === "" ? -1 : headers.findIndex((header, at) => at !== index && plain(header).startsWith(stem));
  if (named >= 0) return named;
  return index > 0 && column(look, index - 1).every((cell) => cell === "" || !Number.isNaN(number(cell))) ? index - 1 : null;
}

/** Small whole numbers, some of them not positive or all of them few: powers of ten rather than factors. */
const isExponent = (look: Look, index: number): boolean =>
  column(look, index).every((cell) => cell === "" || (Number.isInteger(number(cell)) && Math.abs(number(cell)) <= 10));

const number = (cell: string): number => (cell.trim() === "" ? Number.NaN : Number(cell.trim().replace(",", ".")));

/** A cell times a factor, written as it was; what is no number stays, to be told. */
function times(cell: string, factor: number): string {
  const value = number(cell);
  if (Number.isNaN(value) || Number.isNaN(factor)) return Number.isNaN(value) ? cell : "";
  const text = String(Number((value * factor).toPrecision(12)));
  return cell.includes(",") ? text.replace(".", ",") : text;
}

/** A column that names the unit of each row's number goes over to the header; rows in another unit are brought to the first row's. */
export function applyUnits(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const at = look.shape.headers.findIndex(
    (header, index) =>
      UNIT.test(header.trim()) &&
      column(look, index)
        .filter(Boolean)
        .every((cell) => KNOWN_UNIT.test(cell)),
  );
  const of = at < 0 ? -1 : valueBeside(look, at);
  const first = at < 0 ? "" : (column(look, at).find(Boolean) ?? "").toLowerCase();
  if (of < 0 || !Object.hasOwn(TO_KILO, first)) return source;
  log.add("unit-column", "notice", { row: look.shape.firstRow, column: look.shape.headers[at]! }, { unit: first });
  const columns = look.shape.headers.flatMap((header, index): PlainColumn[] => {
    if (index === at) return [];
    if (index !== of) return [asItStands(look, index)];
    const cell = (row: readonly string[]): string => {
      const unit = (row[at] ?? "").trim().toLowerCase();
      return unit === first || unit === "" ? (row[index] ?? "") : times(row[index] ?? "", (TO_KILO[unit] ?? Number.NaN) / TO_KILO[first]!);
    };
    return [{ header: `${header} ${first}`, from: index, cell }];
  });
  return recut(source, look, columns);
}

/** The column of numbers that a unit stands for: one without a unit of its own, of energy or power by its words, else the nearest to the left. */
function valueBeside(look: Look, at: number): number {
  const free = look.shape.headers
    .map((header, index) => ({ header, index }))
    .filter(
      ({ header, index }) => index !== at && unitOf(header) === null && column(look, index).some((cell) => !Number.isNaN(number(cell))),
    )
    .filter(({ index }) => column(look, index).every((cell) => cell === "" || !Number.isNaN(number(cell))));
  const told = free.find(({ header }) => meaningOf(header, null) !== null);
  return told?.index ?? free.filter(({ index }) => index < at).at(-1)?.index ?? -1;
}
