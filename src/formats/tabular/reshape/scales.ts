import type { ProblemLog } from "@/contracts/problems";
import { MISSING, type NumberGrammar, sniffNumbers, toNumber } from "@/core/readings";
import { meaningOf, unitOf } from "../tables/column-words";
import type { TableSource } from "../tables/source";
import { asItStands, column, type Look, lookOf, type PlainColumn, recut } from "./recut";

const EXPONENT = /(^|[\s_-])(sf|exponent|power of ten|zehnerpotenz)$/i;
const FACTOR = /(^|[\s_-])(scale ?factor|factor|multiplier|faktor|multiplikator|facteur|scale|scaling)$/i;
/** Factors that are readings of their own. */
const NO_SCALE = /power ?factor|leistungsfaktor|capacity|load factor|fill ?factor|cos/i;
const UNIT = /^(unit|units|uom|einheit|unit[ée]|unidad|unit[àa])$/i;
const TO_KILO: Readonly<Record<string, number>> = { wh: 0.001, kwh: 1, mwh: 1000, w: 0.001, kw: 1, mw: 1000 };
const MOST_EXPONENT = 10;
/** A point for decimals and nothing between thousands, as numbers are written by programs. */
const PLAIN: NumberGrammar = { decimal: ".", thousands: "" };

interface Scale {
  /** The column that it multiplies. */
  readonly register: number;
  readonly isExponent: boolean;
}

/** A column of scale factors is no reading: it multiplies the register that it stands for, and is gone. */
export function applyScales(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const scales = new Map<number, Scale>();
  look.shape.headers.forEach((header, index) => {
    const scale = scaleAt(look, header.trim(), index);
    if (scale) scales.set(index, scale);
  });
  if (scales.size === 0) return source;
  const columns = look.shape.headers.flatMap((header, index): PlainColumn[] => {
    if (scales.has(index)) return [];
    const own = [...scales].find(([, { register }]) => register === index);
    if (!own) return [asItStands(look, index)];
    const [at, { isExponent }] = own;
    log.add(
      "scaled-column",
      "notice",
      { row: look.shape.firstRow, column: header },
      { by: look.shape.headers[at]!, how: isExponent ? "exponent" : "factor" },
    );
    const scaleOf = (cell: string): number => (isExponent ? 10 ** numberIn(cell) : numberIn(cell));
    const times = timesOf(look, index);
    return [{ header, cell: (row) => times(row[index] ?? "", scaleOf(row[at] ?? "")) }];
  });
  return recut(source, look, () => columns);
}

/** What a column scales; null where it is no scale. A name of powers of ten is one; a "scale factor" is taken for one where some are not positive, which no factor is. */
function scaleAt(look: Look, header: string, index: number): Scale | null {
  if (NO_SCALE.test(header) || !(EXPONENT.test(header) || FACTOR.test(header))) return null;
  const values = column(look, index).filter(Boolean).map(numberIn);
  const register = registerOf(look, index);
  if (register === null || values.length === 0 || values.some(Number.isNaN)) return null;
  const isSmallWhole = values.every((value) => Number.isInteger(value) && Math.abs(value) <= MOST_EXPONENT);
  return { register, isExponent: isSmallWhole && (EXPONENT.test(header) || values.some((value) => value <= 0)) };
}

const plainName = (header: string): string =>
  header
    .trim()
    .replaceAll(/[\s_-]+/g, " ")
    .toLowerCase();

/** The register of a scale: the column of the same name without its ending, with or without a unit, else the numbers to its left. */
function registerOf(look: Look, index: number): number | null {
  const { headers } = look.shape;
  const stem = plainName(headers[index]!.trim().replace(EXPONENT, "").replace(FACTOR, ""));
  const isNamed = (header: string, at: number): boolean =>
    stem !== "" && at !== index && (plainName(header) === stem || plainName(header).startsWith(`${stem} `));
  const named = headers.findIndex(isNamed);
  if (named >= 0) return named;
  return index > 0 && isNumeric(look, index - 1) ? index - 1 : null;
}

const isNumeric = (look: Look, index: number): boolean => {
  const grammar = sniffNumbers(column(look, index));
  return column(look, index).every((cell) => MISSING.has(cell.toLowerCase()) || !Number.isNaN(toNumber(cell, grammar)));
};

const numberIn = (cell: string): number => toNumber(cell.trim().replace(",", "."), PLAIN);

/** Multiplies cells of a column, read as that column is written, and writes them so again. What is no number stays; a number whose scale is none is told beside it, so that the reader tells it. */
function timesOf(look: Look, index: number): (cell: string, factor: number) => string {
  const grammar = sniffNumbers(column(look, index));
  return (cell, factor) => {
    const value = toNumber(cell.trim(), grammar);
    if (Number.isNaN(value)) return cell;
    if (Number.isNaN(factor)) return `${cell.trim()} × ?`;
    return String(Number((value * factor).toPrecision(12))).replace(".", grammar.decimal);
  };
}

/** A column that names the unit of each row's number goes over to the header; rows in another unit are brought to the first row's. */
export function applyUnits(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  if (!look) return source;
  const unitIn = (cell: string | undefined): string => (cell ?? "").trim().toLowerCase();
  const at = look.shape.headers.findIndex(
    (header, index) =>
      UNIT.test(header.trim()) &&
      column(look, index)
        .filter(Boolean)
        .every((cell) => Object.hasOwn(TO_KILO, unitIn(cell))),
  );
  const of = at < 0 ? -1 : valueBeside(look, at);
  const first = unitIn(at < 0 ? "" : column(look, at).find(Boolean));
  if (of < 0 || first === "") return source;
  log.add("unit-column", "notice", { row: look.shape.firstRow, column: look.shape.headers[at]! }, { unit: first });
  const times = timesOf(look, of);
  const factorOf = (unit: string): number => (Object.hasOwn(TO_KILO, unit) ? TO_KILO[unit]! / TO_KILO[first]! : Number.NaN);
  const cell = (row: readonly string[]): string => {
    const [value, unit] = [row[of] ?? "", unitIn(row[at])];
    return unit === first || unit === "" ? value : times(value, factorOf(unit));
  };
  const columns = look.shape.headers.flatMap((header, index): PlainColumn[] => {
    if (index === at) return [];
    return [index === of ? { header: `${header} ${first}`, cell } : asItStands(look, index)];
  });
  return recut(source, look, () => columns);
}

/** The column of numbers that a unit stands for: one without a unit of its own, of energy or power by its words, else the nearest to the left. */
function valueBeside(look: Look, at: number): number {
  const free = look.shape.headers
    .map((header, index) => ({ header, index }))
    .filter(({ header, index }) => index !== at && unitOf(header) === null && column(look, index).some(Boolean) && isNumeric(look, index));
  const told = free.find(({ header }) => meaningOf(header, null) !== null);
  return told?.index ?? free.filter(({ index }) => index < at).at(-1)?.index ?? -1;
}
