import path from "node:path";
import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";

const root = path.resolve(import.meta.dirname, "..", "..");

/** The tests nearest to the changed file first: a wrong is mostly noticed at home, and the first test that fails ends the run. */
class NearestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const changed = (this.ctx.config.related ?? [])[0]?.split("/") ?? [];
    const near = ({ moduleId }: TestSpecification): number => {
      const parts = moduleId.split("/");
      return parts.findIndex((part, k) => part !== changed[k]);
    };
    return (await super.sort(files)).toReversed().sort((a, b) => near(b) - near(a));
  }
}

/** The tests that rule the core: those beside it and the vectors of the references. */
export default defineConfig({
  root,
  resolve: {
    alias: Object.entries({ "@": "src", "@simulators": "simulators", "@test": "test", "@generated": "generated" }).map(
      ([name, folder]) => ({ find: new RegExp(`^${name}(?=/|$)`), replacement: path.resolve(root, folder) }),
    ),
  },
  test: {
    include: ["src/core/**/*.test.ts", "test/validation/**/*.test.ts"],
    testTimeout: 30_000,
    unstubGlobals: true,
    isolate: false,
    sequence: { sequencer: NearestFirst },
  },
});
