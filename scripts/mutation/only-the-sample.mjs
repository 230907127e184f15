import { appendFileSync, readFileSync } from "node:fs";
import { declareFactoryPlugin, PluginKind } from "@stryker-mutator/api/plugin";

/**
 * Lets the runner try the drawn mutants alone. It takes ranges of code, and a range holds more mutants than the one that was drawn:
 * the others are turned away here, before a test runs.
 */
function onlyTheSample() {
  const drawn = new Set(JSON.parse(readFileSync(process.env.MUTATION_SAMPLE, "utf8")));
  return {
    init: async () => undefined,
    check: async (mutants) =>
      Object.fromEntries(
        mutants.map(({ id, fileName, location: { start, end }, mutatorName, replacement }) => {
          const file = fileName.replaceAll("\\", "/").replace(/^.*\/(src\/core\/)/, "$1");
          const key = [file, start.line, start.column, end.line, end.column, mutatorName, replacement].join("|");
          return [id, drawn.has(key) ? { status: "passed" } : { status: "compileError", reason: "not drawn" }];
        }),
      ),
  };
}

/** Writes each mutant that no test noticed as soon as it is known: a long run can be worked on while it goes. */
function survivors() {
  return {
    onMutantTested({ status, fileName, location: { start }, mutatorName, replacement }) {
      if (status !== "Survived" && status !== "NoCoverage") return;
      const file = fileName.replaceAll("\\", "/").replace(/^.*\/(src\/core\/)/, "$1");
      const line = [status, `${file}:${start.line}:${start.column}`, mutatorName, JSON.stringify(replacement)].join("\t");
      appendFileSync(process.env.MUTATION_SURVIVORS, `${line}\n`);
    },
  };
}

export const strykerPlugins = [
  declareFactoryPlugin(PluginKind.Checker, "only-the-sample", onlyTheSample),
  declareFactoryPlugin(PluginKind.Reporter, "survivors", survivors),
];
