import { writeFile } from "node:fs/promises";
import path from "node:path";
import { measureChain } from "./chain";
import { measureImport } from "./import";

const row = (name: string, ours: string, beside: string, limit: string): string => `| ${name} | ${ours} | ${beside} | ${limit} |`;

/** Measures everything in one run and writes it to docs/performance.md. */
const imported = await measureImport();
const chain = measureChain();
const text = `# Performance

Written by \`npm run bench\`; ours and what stands beside it are measured in the same run, on a machine with 2 cores. Never a timed test.

| What | Ours | Beside it | Limit |
|---|---:|---:|---:|
${[
  row(
    "Chain, sun computed, every account by month: ns an hourly step",
    chain.computedNs.toFixed(0),
    `${chain.limit.computedNs.toFixed(0)} plain C loop with libm, energy only (ratio ${(chain.computedNs / chain.limit.computedNs).toFixed(2)})`,
    "",
  ),
  row(
    "Chain, sun cached, every account by month: ns an hourly step",
    chain.cachedNs.toFixed(0),
    `${chain.limit.cachedNs.toFixed(0)} plain C loop, energy only (ratio ${(chain.cachedNs / chain.limit.cachedNs).toFixed(2)})`,
    "",
  ),
  row("A year of hours, sun computed: ms", chain.yearMs.toFixed(2), "", "8"),
  row(
    `Import of ${imported.rows.toLocaleString("en")} rows (${imported.megabytes.toFixed(0)} MB): s`,
    imported.importSeconds.toFixed(2),
    `${imported.copySeconds.toFixed(2)} psql \\copy into a table with a primary key (ratio ${(imported.importSeconds / imported.copySeconds).toFixed(2)})`,
    "ratio 3",
  ),
  row("Preview of the same file: s", imported.previewSeconds.toFixed(2), "", ""),
  row(
    "Preview and import together, ratio to \\copy",
    ((imported.importSeconds + imported.previewSeconds) / imported.copySeconds).toFixed(2),
    "",
    "ratio 3",
  ),
  row("Peak memory of the process through both: MB", imported.peakMegabytes.toFixed(0), "", "300"),
  row(`Reading the ${imported.pages} day pages back (9.5 years of 5 minutes): ms`, imported.readTenYearsMs.toFixed(0), "", "tens"),
].join("\n")}

The chain books ten loss accounts a step; the C loop only makes the energy. \`bench/limit/chain.c\` is compiled with \`gcc -O3 -march=native\`.
The import parses, checks and groups every row into day pages, then copies ${imported.pages} rows; \`\\copy\` writes a million rows and an index.
`;
await writeFile(path.join(import.meta.dirname, "..", "docs", "performance.md"), text);
console.log(text);
