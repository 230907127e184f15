import path from "node:path";
import { defineConfig } from "vitest/config";
import { NearestFirst } from "./nearest-first";

const root = path.resolve(import.meta.dirname, "..", "..");

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
    setupFiles: [path.resolve(root, "scripts/mutation/each-file.setup.ts")],
    sequence: { sequencer: NearestFirst },
  },
});
