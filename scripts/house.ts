import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { houseRows as rows } from "./house/rows";

/** Measures how the code lives up to its own rules and writes the figures into docs/quality.md; with `--list` it says where each stands. */
if (process.argv.includes("--list")) {
  for (const { what, places } of rows) for (const place of places) console.log(`${what}\t${place.file}:${place.line}\t${place.what}`);
} else {
  for (const { what, limit, places } of rows) console.log(`${String(places.length).padStart(5)}  ${what} (limit ${limit})`);
}
if (process.argv.includes("--write")) {
  const file = path.join(import.meta.dirname, "..", "docs", "quality.md");
  const table = [
    "| what | now | limit |",
    "|---|---:|---:|",
    ...rows.map(({ what, limit, places }) => `| ${what} | ${places.length} | ${limit} |`),
  ].join("\n");
  const text = readFileSync(file, "utf8");
  writeFileSync(file, text.replace(/(<!-- house -->\n)[\s\S]*?(\n<!-- \/house -->)/, `$1${table}$2`));
}
