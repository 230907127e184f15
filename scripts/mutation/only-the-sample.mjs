import { readFileSync } from "node:fs";
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

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, "only-the-sample", onlyTheSample)];
