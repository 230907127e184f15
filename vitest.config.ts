import path from "node:path";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": path.resolve(import.meta.dirname, "src") } },
  test: {
    projects: [
      { extends: true, test: { name: "unit", include: ["src/**/*.test.ts", "test/unit/**/*.test.ts"], testTimeout: 30_000 } },
      {
        extends: true,
        test: { name: "database", include: ["test/database/**/*.test.ts"], fileParallelism: false, testTimeout: 60_000 },
      },
    ],
  },
});
