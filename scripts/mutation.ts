import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { Stryker } from "@stryker-mutator/core";
import { group } from "d3";
import { coreFiles, drawMutants, mutantKey, mutantsOf } from "./mutation/sample";
import { scoreOf, scoreTable, type Tried } from "./mutation/score";

/**
 * How many small wrongs in the core the tests notice: `npm run mutation` tries a seeded sample spread over all folders,
 * `-- --folder money` all mutants of one, `--only money,yield` the sample's share of some, `--write` puts the table into
 * docs/quality.md, `--survivors FILE` lists what no test saw.
 */
const { values: options } = parseArgs({
  options: {
    folder: { type: "string" },
    seed: { type: "string", default: "1" },
    size: { type: "string", default: "600" },
    least: { type: "string", default: "14" },
    workers: { type: "string", default: "2" },
    only: { type: "string" },
    survivors: { type: "string" },
    write: { type: "boolean", default: false },
  },
});
const root = path.join(import.meta.dirname, "..");
process.chdir(root);
const all = await mutantsOf(root, coreFiles(root, options.folder));
const count = { seed: Number(options.seed), size: Number(options.size), least: Number(options.least) };
const sample = options.folder ? all.filter(({ equivalent }) => equivalent === null) : drawMutants(all, count);
const only = options.only?.split(",");
const drawn = sample.filter((mutant) => !only || only.includes(mutant.folder));
console.log(`${drawn.length} of ${all.length} mutants are tried.`);

const folder = mkdtempSync(path.join(os.tmpdir(), "dusty-ledger-mutation-"));
process.env.MUTATION_FOLDER = folder;
if (options.survivors) {
  process.env.MUTATION_SURVIVORS = path.resolve(options.survivors);
  writeFileSync(options.survivors, "");
}
process.env.MUTATION_SAMPLE = path.join(folder, "sample.json");
writeFileSync(process.env.MUTATION_SAMPLE, JSON.stringify(drawn.map(mutantKey)));
try {
  const results = await new Stryker({
    mutate: options.folder
      ? coreFiles(root, options.folder)
      : drawn.map(({ file, location: { start, end } }) => `${file}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`),
    plugins: ["@stryker-mutator/vitest-runner", path.join(root, "scripts/mutation/only-the-sample.mjs")],
    checkers: ["only-the-sample"],
    testRunner: "vitest",
    vitest: { configFile: "scripts/mutation/vitest.config.ts", related: true },
    coverageAnalysis: "perTest",
    concurrency: Number(options.workers),
    tempDirName: path.join(folder, "work"),
    ignorePatterns: [".next", "dist", "var", "docs/screenshots", "e2e", "bench"],
    reporters: options.survivors ? ["progress-append-only", "survivors"] : ["progress-append-only"],
    disableTypeChecks: false,
    // A run may take as long as all tests took together; the default half on top only waits for mutants that never end.
    timeoutFactor: 1,
    incremental: false,
    allowEmpty: true,
  }).runMutationTest();
  const chosen = new Set(drawn.map(mutantKey));
  const tried = results
    .map((result) => ({
      ...result,
      file: path.relative(root, result.fileName).replaceAll(path.sep, "/"),
      location: { start: fromZero(result.location.start), end: fromZero(result.location.end) },
    }))
    .filter((result) => chosen.has(mutantKey(result)))
    .map((result) => ({ ...result, folder: result.file.split("/")[2] ?? "" }));
  // The runner names mutants in its own way: were they not matched, the score would be of nothing.
  if (tried.length !== drawn.length) throw new Error(`${tried.length} results for ${drawn.length} drawn mutants: they are not the same.`);
  report(tried);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

/** The runner's results count lines and columns from one, its instrumenter from nothing. */
function fromZero({ line, column }: { line: number; column: number }) {
  return { line: line - 1, column: column - 1 };
}

function report(tried: Tried[]): void {
  const equivalents = new Map(
    [...group(all, (mutant) => mutant.folder)].map(([name, rows]) => [name, rows.filter((row) => row.equivalent !== null).length]),
  );
  const table = scoreTable(tried, equivalents);
  const { share, tried: n } = scoreOf(tried);
  console.log(table);
  if (!options.write || options.folder || only) return;
  const file = path.join("docs", "quality.md");
  const said = `Seed ${count.seed}, ${n} of ${all.length} mutants: ${(share * 100).toFixed(1)} % noticed.\n\n${table}`;
  writeFileSync(file, readFileSync(file, "utf8").replace(/(<!-- mutation -->\n)[\s\S]*?(\n<!-- \/mutation -->)/, `$1${said}$2`));
}
