import type { JsonColumns } from "@/contracts/feeds";
import { FetchFailure } from "./ports";

const at = (node: unknown, path: string): unknown =>
  path
    .split(".")
    .reduce<unknown>((held, key) => (typeof held === "object" && held !== null ? (held as Record<string, unknown>)[key] : undefined), node);

const cell = (value: unknown): string =>
  typeof value === "number" || typeof value === "string" ? String(value).replaceAll(/[",\n]/g, " ") : "";

/** A JSON answer as the table that the import reads, so that there is one reader for everything. Throws FetchFailure where the rows are not where they should be. */
export function tableOfJson(text: string, columns: JsonColumns): string {
  let tree: unknown;
  try {
    tree = JSON.parse(text);
  } catch (cause) {
    throw new FetchFailure("not-json", {}, { cause });
  }
  const rows = at(tree, columns.rows);
  if (!Array.isArray(rows)) throw new FetchFailure("no-rows", { path: columns.rows });
  const lines = rows.map((row) =>
    [cell(at(row, columns.time)), ...columns.values.map(({ field, factor }) => scaled(at(row, field), factor))].join(","),
  );
  return [["time", ...columns.values.map(({ quantity }) => quantity)].join(","), ...lines].join("\n");
}

const scaled = (value: unknown, factor: number): string =>
  typeof value === "number" && factor !== 1 ? String(value * factor) : cell(value);
