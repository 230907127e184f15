import { defineConfig } from "@playwright/test";
import chromiumLaunch from "./scripts/lib/chromium.json" with { type: "json" };

/** Journeys in Debian's Chromium against the served build; the address comes from `npm test`. */
export default defineConfig({
  testDir: "e2e",
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 15_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/browser.json" }]],
  use: {
    baseURL: process.env.DUSTY_LEDGER_ADDRESS ?? "http://127.0.0.1:3000",
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: "reduce" },
    launchOptions: chromiumLaunch,
  },
});
