import { sniffNumbers, toNumber } from "@/core/readings";
import type { ModuleType } from "@/core/site";
import { say } from "@/wording/screens/site";

type Matrix = NonNullable<ModuleType["powerMatrix"]>;

/** A matrix as a table of a report: temperatures in the first line, then a line a light. */
export const matrixText = (matrix: Matrix | null): string =>
  matrix === null
    ? ""
    : [
        ["W/m²", ...matrix.cellTempC].join("\t"),
        ...matrix.irradianceWm2.map((light, g) => [light, ...matrix.powerW[g]!.map((power) => power ?? "–")].join("\t")),
      ].join("\n");

type Read = { readonly matrix: Matrix | null } | { readonly refusal: string };

const MISSING = new Set(["", "-", "–", "—", "n/a", "na", "x"]);

/** The same read from what was typed or pasted; lights and temperatures in any order. Nothing is no matrix. */
export function matrixOfText(text: string): Read {
  const lines = text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== "")
    .map(cellsOf);
  if (lines.length === 0) return { matrix: null };
  const [head, ...rows] = lines as [string[], ...string[][]];
  const width = Math.max(...rows.map((row) => row.length), 0);
  const heads = head.length === width - 1 ? head : head.slice(1);
  const bare = (cell: string): string => cell.replace(/\s*(°?\s*C|W(\/m[²2])?)\s*$/i, "").trim();
  const grammar = sniffNumbers(lines.flat().map(bare));
  const numberIn = (cell: string): number => toNumber(bare(cell), grammar);
  const temperatures = heads.map(numberIn);
  if (rows.length === 0 || temperatures.length === 0 || temperatures.some(Number.isNaN)) return { refusal: say.matrixFirstLine };
  const read: { light: number; powers: (number | null)[] }[] = [];
  for (const [k, [first = "", ...cells]] of rows.entries()) {
    const powers = temperatures.map((_, t) => (MISSING.has((cells[t] ?? "").trim().toLowerCase()) ? null : numberIn(cells[t]!)));
    const light = numberIn(first);
    if (Number.isNaN(light) || powers.some(Number.isNaN)) return { refusal: say.matrixLine(k + 2, lines[k + 1]!.join(" ")) };
    read.push({ light, powers });
  }
  read.sort((a, b) => a.light - b.light);
  const order = temperatures.map((_, t) => t).sort((a, b) => temperatures[a]! - temperatures[b]!);
  return {
    matrix: {
      irradianceWm2: read.map(({ light }) => light),
      cellTempC: order.map((t) => temperatures[t]!),
      powerW: read.map(({ powers }) => order.map((t) => powers[t]!)),
    },
  };
}

/** Cells of a line: by tabs, semicolons or several spaces where there are any, else by single ones. */
const cellsOf = (line: string): string[] => {
  const parts = /[\t;]/.test(line) ? line.split(/[\t;]/) : line.trim().split(/\s+/);
  return parts.map((cell) => cell.trim());
};
