import { expect, type Page, test } from "@playwright/test";

const THIN = "\u202f";

async function writeAs(page: Page, region: string, units: "Metric" | "Imperial"): Promise<void> {
  await page.getByRole("button", { name: "Numbers and units" }).first().click();
  await page.getByLabel("Numbers and days as in").selectOption({ label: region });
  await page.getByText(units, { exact: true }).click();
  await Promise.all([page.waitForEvent("load"), page.getByRole("button", { name: "Write like this" }).click()]);
}

test("each reader's own marks, days and units, and files in one way for all", async ({ page }) => {
  const faults: string[] = [];
  page.on("console", (message) => message.type() === "error" && faults.push(message.text()));
  await page.goto("/books/packing-shed/ledger?year=2025");
  const metered = page.locator('[data-figure="metered/2025"]').first();
  const shown = (await metered.textContent())!;
  expect(shown).toContain(THIN);
  const plain = shown.replaceAll(THIN, "");
  await writeAs(page, "Germany", "Metric");
  await expect(metered).toHaveText(shown.replace(THIN, "."));
  // Another reader's page is their own, and the file is everybody's.
  const other = await page.context().browser()!.newContext();
  const theirs = await other.newPage();
  await theirs.goto(page.url());
  await expect(theirs.locator('[data-figure="metered/2025"]').first()).toHaveText(shown);
  await other.close();
  await page.goto("/books/ferry-office/site");
  await expect(page.getByLabel("Latitude, ° (north +)")).toHaveValue("54,4");
  await writeAs(page, "United States", "Imperial");
  await expect(page.getByLabel("Elevation, ft")).toHaveValue("19.69");
  await page.goto("/books/packing-shed/ledger?year=2025");
  await expect(metered).toHaveText(`${plain.slice(0, -3)},${plain.slice(-3)}`);
  // The page that the server drew is the page that the browser makes of it.
  expect(faults).toEqual([]);
});

test("a field reads what people type, shows what it understood, and loses no letter of what it does not", async ({ page }) => {
  await page.goto("/books/ferry-office/site");
  const elevation = page.getByLabel("Elevation, m");
  await elevation.fill("4900 ft");
  await expect(page.getByText(`= 1${THIN}493.52 m`)).toBeVisible();
  await elevation.blur();
  await expect(elevation).toHaveValue("1493.52");
  const azimuth = page.getByLabel("Azimuth, °").first();
  await azimuth.fill("105 W");
  await azimuth.blur();
  await expect(azimuth).toHaveValue("105 W");
  await expect(page.getByText("Number and letter name two sides")).toBeVisible();
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText(/^Saved/)).toHaveCount(0);
  await azimuth.fill("south-west");
  await azimuth.blur();
  await expect(azimuth).toHaveValue("225");
  await page.getByLabel("Latitude, ° (north +)").fill("31 S");
  await page.getByLabel("Coldest air on record, °C").fill("-20 F");
  await expect(page.getByText("= −28.8889 °C")).toBeVisible();
});
