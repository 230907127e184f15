/* eslint-disable no-empty-pattern -- the test runner reads a hook's pattern to know what it asks for */
import { createHash } from "node:crypto";
import { writeFileSync } from "node:fs";
import path from "node:path";
import { afterAll, afterEach, inject } from "vitest";

/** What the runner keeps of a run; files of a run share it, as they share what they import. */
interface Runner {
  noticed?: string;
  readonly __stryker__?: { readonly mutantCoverage?: { readonly static: Hits; readonly perTest: Readonly<Record<string, Hits>> } };
}
type Hits = Readonly<Record<string, number>>;

const runner = globalThis as Runner;
const told = inject as (key: string) => string | undefined;

function hits(): Map<string, number> {
  const sum = new Map<string, number>();
  const seen = runner.__stryker__?.mutantCoverage;
  for (const part of seen ? [seen.static, ...Object.values(seen.perTest)] : [])
    for (const [mutant, times] of Object.entries(part)) sum.set(mutant, (sum.get(mutant) ?? 0) + times);
  return sum;
}

if (told("mode") === "mutant") {
  // A mutant is noticed by the first test that fails: the files after it are not even read.
  const mutant = told("activeMutant");
  if (mutant !== undefined && runner.noticed === mutant) throw new Error("Noticed already.");
  afterEach(({ task }) => {
    if (task.result?.state === "fail" && mutant !== undefined) runner.noticed = mutant;
  });
} else if (process.env.MUTATION_FOLDER) {
  const folder = process.env.MUTATION_FOLDER;
  const before = hits();

  // biome-ignore lint/correctness/noEmptyPattern: the test runner reads the pattern to know what a hook asks for
  afterAll(({}, suite) => {
    const file = (suite as unknown as { readonly file?: { readonly filepath: string } }).file?.filepath ?? "";
    const met = [...hits()].filter(([mutant, times]) => times > (before.get(mutant) ?? 0)).map(([mutant]) => mutant);
    const name = createHash("sha256").update(file).digest("hex");
    writeFileSync(path.join(folder, `met-${name}.json`), JSON.stringify({ file, met }));
  });
}
