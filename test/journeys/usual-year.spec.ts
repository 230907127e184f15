import { expect, type Page, test } from "@playwright/test";

/** A book of somebody who has a roof, a place and twelve monthly bills of production, and no weather. */
async function bookOf(page: Page, name: string): Promise<string> {
  const shed = (await (await page.request.get("/api/books/packing-shed")).json()) as { site: Record<string, unknown> };
  const made = await page.request.post("/api/books", {
    data: { ...shed.site, name, revisions: [] },
    headers: { origin: new URL(page.url()).origin },
  });
  expect(made.status(), await made.text()).toBeLessThan(300);
  return ((await made.json()) as { slug: string }).slug;
}

test("a usual year's light answers what it can, and withholds what it can't", async ({ page }) => {
  await page.goto("/");
  const slug = await bookOf(page, "Roof without a mast");
  await page.goto(`/books/${slug}/readings?view=type`);
  // Twelve months of production, typed.
  await page.getByText("Months", { exact: true }).click();
  const cell = (row: number, column: string) => page.getByRole("textbox", { name: `${column}, row ${row}`, exact: true });
  for (let month = 1; month <= 12; month++) {
    await cell(month, "month").fill(`2024-${String(month).padStart(2, "0")}`);
    await cell(month, "energy_kwh").fill(String([4200, 5100, 7200, 9100, 10_200, 10_600, 10_100, 9400, 7900, 6100, 4300, 3100][month - 1]));
  }
  await page.getByRole("button", { name: "Look at 12 rows" }).click();
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");

  // Held against the promise, it needs no sun.
  await page.goto(`/books/${slug}/ledger?year=2024`);
  await expect(page.getByTestId("no-weather")).toContainText(
    /87\u202f300 kWh metered, 95\.0\s% of the promise of 12 months that have both/,
  );
  await page.goto(`/books/${slug}/yield`);
  await expect(page.getByText("No weather yet")).toBeVisible();

  await page.goto(`/books/${slug}/readings?view=type`);
  await page.getByText("Sunshine", { exact: true }).click();
  // The meter's twelve months make a sun of their own, which says what it is good for.
  await page.getByLabel("Fill in by climate").selectOption({ label: "this book's own meter" });
  await expect(page.getByText("silent about how well the plant does")).toBeVisible();
  await expect(page.getByRole("textbox", { name: "sun, row 7", exact: true })).toHaveValue(/^[5-8]\.\d+$/);
  await page.getByLabel("Fill in by climate").selectOption({ label: "Dry summer, mild wet winter" });
  await expect(page.getByLabel("For the years from")).toHaveValue("2024");
  await page.getByRole("button", { name: "Look at the year" }).click();
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");

  await page.goto(`/books/${slug}/ledger?year=2024`);
  await expect(page.getByTestId("usual-year")).toContainText("Its own weather is not known here");
  await expect(page.locator(`[data-figure="performance-index/2024"]`)).toHaveCount(0);
  await expect(page.getByText("usual year").first()).toBeVisible();
  await page.goto(`/books/${slug}/ledger?view=promise&year=2024`);
  await expect(page.getByTestId("promise-verdict")).toContainText("of the promise. How much of that the weather took is not known");
  await page.goto(`/books/${slug}/ageing`);
  await expect(page.getByTestId("ageing-withheld")).toContainText("no rate of ageing is told from it");
  await page.goto(`/books/${slug}/yield?year=2024`);
  await expect(page.getByText("expected of a usual year, not of this one")).toBeVisible();
  await expect(page.getByText("A usual year's light can't say what was lost in this one.")).toBeVisible();
});
