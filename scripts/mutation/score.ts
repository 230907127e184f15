import type { MutantResult } from "@stryker-mutator/api/core";
import { group } from "d3";

export type Tried = { folder: string; status: MutantResult["status"] };

/** What was noticed of what was tried, with the 95 % interval of Wilson (1927), "Probable inference, the law of succession". */
export type Score = { tried: number; noticed: number; share: number; low: number; high: number };

const Z95 = 1.959964;

export function scoreOf(tried: Tried[]): Score {
  const valid = tried.filter(({ status }) => status !== "CompileError" && status !== "Ignored" && status !== "RuntimeError");
  const noticed = valid.filter(({ status }) => status === "Killed" || status === "Timeout").length;
  const n = valid.length;
  if (n === 0) return { tried: 0, noticed: 0, share: Number.NaN, low: Number.NaN, high: Number.NaN };
  const share = noticed / n;
  const spread = (Z95 / (1 + Z95 ** 2 / n)) * Math.sqrt((share * (1 - share)) / n + Z95 ** 2 / (4 * n * n));
  const middle = (share + Z95 ** 2 / (2 * n)) / (1 + Z95 ** 2 / n);
  return { tried: n, noticed, share, low: middle - spread, high: middle + spread };
}

const percent = (value: number) => (Number.isFinite(value) ? `${Math.round(value * 100)} %` : "–");

/** The table of `docs/quality.md`: a line a folder and one for all. */
export function scoreTable(tried: Tried[], equivalents: ReadonlyMap<string, number>): string {
  const folders = [...group(tried, ({ folder }) => folder)].sort(([a], [b]) => (a < b ? -1 : 1));
  const line = (name: string, rows: Tried[], marked: number) => {
    const { tried: n, noticed, share, low, high } = scoreOf(rows);
    return `| ${name} | ${n} | ${noticed} | ${percent(share)} | ${percent(low)} to ${percent(high)} | ${marked} |`;
  };
  return [
    "| folder of `src/core` | tried | noticed | score | 95 % interval | marked equivalent |",
    "|---|---:|---:|---:|---:|---:|",
    ...folders.map(([name, rows]) => line(name, rows, equivalents.get(name) ?? 0)),
    line(
      "**all**",
      tried,
      [...equivalents.values()].reduce((sum, value) => sum + value, 0),
    ),
  ].join("\n");
}
