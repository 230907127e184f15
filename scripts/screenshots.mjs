import { existsSync } from "node:fs";
import { mkdir, readFile } from "node:fs/promises";
import { serverPrograms } from "./lib/cluster.mjs";
import { startHouse } from "./lib/house.mjs";
import { checkNode, ensureDebian, ensurePackages } from "./lib/install.mjs";
import { inProject } from "./lib/run.mjs";

const MOST_RECKONING_MS = 180_000;

/** One picture of each main view, from a fresh demo. */
const VIEWS = [
  { name: "shelf", path: "/" },
  { name: "ledger", path: "/books/packing-shed/ledger?year=2025" },
  { name: "tests-dark", path: "/books/packing-shed/tests", colorScheme: "dark", settle: 3000 },
  { name: "causes", path: "/books/alpine-hut/ledger?year=2024&view=causes" },
  { name: "modules", path: "/books/hill-school/ledger?view=modules", settle: 2500 },
  { name: "ageing", path: "/books/packing-shed/ageing" },
  {
    name: "spot-check-phone",
    path: "/books/packing-shed/field-book?view=spot",
    width: 390,
    height: 844,
    act: async (page) => {
      const position = page.getByRole("group", { name: "module 1" });
      for (const [label, value] of [
        ["Light, W/m²", "640"],
        ["Back, °C", "38"],
        ["Isc, A", "3.1"],
      ])
        await position.getByLabel(label).fill(value);
    },
  },
  { name: "month", path: "/books/packing-shed/ledger/2025-10?day=2025-10-06" },
  { name: "yield", path: "/books/packing-shed/yield?year=2025", settle: 2500 },
  {
    name: "what-if",
    path: "/books/packing-shed/yield?view=what-if&year=2025",
    settle: 3000,
    act: async (page) => {
      const slide = async (name, key, times) => {
        await page.getByRole("slider", { name }).focus();
        for (let k = 0; k < times; k++) await page.keyboard.press(key);
      };
      const keep = async (name) => {
        await page.getByRole("textbox", { name: "Name of the variant" }).fill(name);
        await page.getByRole("button", { name: "Keep as a variant" }).click();
        await page.waitForTimeout(800);
      };
      await slide("Tilt, ° from flat", "ArrowRight", 10);
      await keep("ten degrees steeper");
      await slide("Azimuth, ° from north", "ArrowRight", 40);
      await keep("and turned 40° west");
    },
  },
  { name: "site", path: "/books/bore-field/site" },
  { name: "shade", path: "/books/ferry-office/site?view=shade", settle: 3000 },
  {
    name: "tilt-planner",
    path: "/books/bore-field/bench?view=tilt",
    act: (page) => page.getByTestId("planner-sentence").getByText("brings").waitFor(),
  },
  { name: "readings", path: "/books/packing-shed/readings?view=record" },
  {
    name: "findings",
    path: "/",
    act: async (page) => {
      const plant = (name) => inProject("test", "fixtures", "plants", "southern-ranch", name);
      await page.getByTestId("site-file").setInputFiles(plant("southern-ranch.site.json"));
      await page.waitForURL(/readings$/);
      for (const name of ["weather.csv.gz", "production.csv.gz"]) {
        await page.getByTestId("file").setInputFiles(plant(name));
        await page.getByRole("button", { name: "Put it in the book" }).click();
        await page.getByTestId("import-done").waitFor();
      }
      await page.getByRole("link", { name: "See what the examination found" }).click();
      await page.locator("ol button[aria-expanded]").first().click();
    },
  },
  { name: "money", path: "/books/ferry-office/money" },
  { name: "bills", path: "/books/ferry-office/money?view=bills" },
  {
    name: "opening",
    path: "/open",
    act: async (page) => {
      await page.getByRole("combobox", { name: "Town, or coordinates" }).fill("47.26, 11.39");
      await page.getByLabel("The roof, in one line").fill("12 × 410 W, 40° south-east; 8 × 410 W, 10° west; 6 kW inverter");
      await page.getByLabel("Bills").check();
    },
  },
  {
    name: "decision",
    path: "/books/packing-shed/money?view=cases",
    settle: 3000,
    act: (page) => page.getByRole("button", { name: "After a new roof" }).click(),
  },
];

checkNode();
await ensurePackages();
await ensureDebian(["postgresql-15"], () => serverPrograms() !== null);
await ensureDebian(["chromium"], () => existsSync("/usr/bin/chromium"));
const { chromium } = await import("@playwright/test");
const chromiumLaunch = JSON.parse(await readFile(inProject("scripts", "lib", "chromium.json"), "utf8"));
const house = await startHouse({ firstPort: 3500, hasWorker: false });
const { site } = house;
const browser = await chromium.launch(chromiumLaunch);
await mkdir(inProject("docs", "screenshots"), { recursive: true });
for (const { name, path, width = 1280, height = 800, colorScheme = "light", settle = 600, act } of VIEWS) {
  const context = await browser.newContext({ viewport: { width, height }, colorScheme, reducedMotion: "reduce", timezoneId: "UTC" });
  const page = await context.newPage();
  await page.goto(site.address + path);
  await page.evaluate(() => document.fonts.ready);
  // Figures that are being reckoned come by themselves.
  await page.waitForFunction(() => document.querySelector("[data-fleeting]") === null, null, { timeout: MOST_RECKONING_MS });
  await page.waitForTimeout(settle);
  if (act) {
    await act(page);
    await page.waitForTimeout(2500);
  }
  await page.screenshot({ path: inProject("docs", "screenshots", `${name}.png`), animations: "disabled", caret: "hide" });
  await context.close();
}
await browser.close();
await house.stop();
console.log(`${VIEWS.length} pictures in docs/screenshots`);
