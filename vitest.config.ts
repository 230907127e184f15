import path from "node:path";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: {
    alias: Object.entries({ "@": "src", "@simulators": "simulators", "@test": "test", "@generated": "generated" }).map(
      ([name, folder]) => ({
        find: new RegExp(`^${name}(?=/|$)`),
        replacement: path.resolve(import.meta.dirname, folder),
      }),
    ),
  },
  test: {
    maxWorkers: 2,
    unstubGlobals: true,
    projects: [
      {
        extends: true,
        // No test of these changes a module, and stubs are taken back: files share what they import, which is half of their time.
        test: {
          name: "unit",
          include: ["src/**/*.test.ts", "scripts/**/*.test.ts", "test/validation/**/*.test.ts"],
          testTimeout: 30_000,
          isolate: false,
        },
      },
      {
        extends: true,
        test: { name: "database", include: ["test/database/**/*.test.ts"], fileParallelism: false, testTimeout: 60_000 },
      },
    ],
  },
});
