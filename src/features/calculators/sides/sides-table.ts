import type { MeterMonths } from "@/contracts/meter-months";
import { type ChangeRow, DIFFERING, type Differing, type TotalRow } from "@/core/trial";
import { typedNumber } from "@/core/typed";
import { MONTHS_LONG } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-sides";
import { writingNow } from "@/wording/writing";

/** A typed number; null where there is none. */
const read = (text: string | undefined): number | null =>
  text === undefined || text.trim() === "" ? null : typedNumber(text, writingNow().decimal);

/** The month that a typed label speaks of, January is 1: "2025-03", "March 2025", "Mar", "3/2025"; null where it is none. */
export function monthOfLabel(label: string): number | null {
  const tidy = label.trim().toLowerCase();
  const iso = /^\d{4}[-/.](\d{1,2})$/.exec(tidy) ?? /^(\d{1,2})[-/.]\d{4}$/.exec(tidy);
  if (iso) return Number(iso[1]) >= 1 && Number(iso[1]) <= 12 ? Number(iso[1]) : null;
  const name = tidy.replace(/[^a-z]/g, "");
  if (name.length < 3) return null;
  const at = MONTHS_SHORT.findIndex((short) => name.startsWith(short.toLowerCase()));
  return at >= 0 && (MONTHS_LONG[at]!.toLowerCase().startsWith(name) || name === MONTHS_SHORT[at]!.toLowerCase()) ? at + 1 : null;
}

/** Lines of a typed table as totals of two sides; empty lines are none. */
export const totalRows = (cells: readonly (readonly string[])[]): TotalRow[] =>
  cells.flatMap(([label = "", a, b], k) => {
    if ([a, b].every((cell) => (cell ?? "").trim() === "")) return [];
    return [{ label: label.trim() || say.lineOf(k + 1), month: monthOfLabel(label), a: read(a), b: read(b) }];
  });

/** The same as months before and after a change. */
export const changeRows = (cells: readonly (readonly string[])[]): ChangeRow[] =>
  cells.flatMap(([label = "", before, after, otherBefore, otherAfter], k) => {
    if ([before, after].every((cell) => (cell ?? "").trim() === "")) return [];
    return [
      {
        label: label.trim() || say.lineOf(k + 1),
        before: read(before),
        after: read(after),
        otherBefore: read(otherBefore),
        otherAfter: read(otherAfter),
      },
    ];
  });

/** Cells that hold something and no number, by their place: none goes by unsaid. */
export const unreadCells = (cells: readonly (readonly string[])[]): { readonly row: number; readonly text: string }[] =>
  cells.flatMap((row, k) => row.slice(1).flatMap((text) => (text.trim() !== "" && read(text) === null ? [{ row: k + 1, text }] : [])));

/** Months of two meters of a book, side by side. */
export function cellsOfMeters(meters: MeterMonths, a: string, b: string): string[][] {
  const monthsOf = (id: string) => new Map(meters.find(({ meterId }) => meterId === id)?.months.map(({ key, kwh }) => [key, kwh]) ?? []);
  const [left, right] = [monthsOf(a), monthsOf(b)];
  const keys = [...new Set([...left.keys(), ...right.keys()])].sort();
  const text = (kwh: number | undefined): string =>
    kwh === undefined ? "" : String(Number(kwh.toFixed(1))).replace(".", writingNow().decimal);
  return keys.map((key) => [key, text(left.get(key)), text(right.get(key))]);
}

/** What somebody may tick as different between two sides. */
export const TICKED: readonly Differing[] = DIFFERING.filter((what) => what !== "metering");
