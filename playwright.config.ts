import { defineConfig } from "@playwright/test";
import chromiumLaunch from "./scripts/lib/chromium.json" with { type: "json" };

/** Journeys in Debian's Chromium against the served build; the address comes from `npm test`. */
export default defineConfig({
  testDir: "test/journeys",
  workers: 2,
  // Journeys share one database and go one after the other; the rules for everyone only read, and use what the machine has. `npm test` runs
  // the one after the other.
  projects: [
    { name: "journeys", testIgnore: "axe.spec.ts", workers: 1 },
    { name: "everyone", testMatch: "axe.spec.ts", fullyParallel: true },
  ],
  timeout: 60_000,
  expect: { timeout: 25_000 },
  reporter: [["list"], ["json", { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_FILE ?? "test-results/browser.json" }]],
  use: {
    baseURL: process.env.DUSTY_LEDGER_ADDRESS ?? "http://127.0.0.1:3000",
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: "reduce" },
    launchOptions: chromiumLaunch,
  },
});
