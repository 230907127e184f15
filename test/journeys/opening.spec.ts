import { expect, test } from "@playwright/test";

test("a book is opened with a town and a line about the roof, and nothing is stored before", async ({ page }) => {
  await page.goto("/");
  const before = await page.getByRole("table").first().getByRole("row").count();
  await page.getByRole("link", { name: "Open a book" }).click();
  await expect(page.getByRole("heading", { name: "Open a book" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Open the book" })).toBeDisabled();
  await expect(page.getByText("It needs a place and a roof")).toBeVisible();

  await page.getByRole("combobox", { name: "Town, or coordinates" }).fill("reykj");
  await page.getByRole("option", { name: /^Reykjav.k, Iceland/ }).click();
  await expect(page.getByText(/Reykjav.k, Iceland: 64\.1\d° north, 21\.\d\d° west; clock of Atlantic\/Reykjavik/)).toBeVisible();
  await expect(page.getByText("It needs a roof")).toBeVisible();

  const line = page.getByLabel("The roof, in one line");
  await line.fill("12 × 410 W of 1.95 m² and 23 %, 40° south; 8 × 410 W, 10° bananas");
  await expect(page.getByTestId("understood")).toContainText("12 modules of 410\u00a0W".replace("\u00a0", " "));
  await expect(page.getByTestId("understood")).toContainText("8.20 kWp");
  await expect(page.getByText(/make 449 W, not 410 W/)).toBeVisible();
  await expect(page.getByText("Not understood, and left out: “bananas”.")).toBeVisible();
  await expect(page.getByTestId("assumed")).toContainText("height above the sea, inverter (96 %, no limit), azimuth");
  // With bills alone: a promise can be held against them, no cause told.
  await page.getByLabel("Bills").check();
  const row = (name: string) => page.getByRole("row", { name: new RegExp(`^${name}`) });
  await expect(row("metered against promise")).toContainText("yes");
  await expect(row("rate of ageing")).toContainText("not yet");

  // Going away and coming back loses nothing; the shelf has no book more.
  await page.goto("/");
  expect(await page.getByRole("table").first().getByRole("row").count()).toBe(before);
  await page.goto("/open");
  await expect(line).toHaveValue(/bananas/);
  await expect(page.getByLabel("Bills")).toBeChecked();
  await line.fill("12 × 410 W, 40° south, 5 kW inverter");
  await page.getByRole("button", { name: "Open the book" }).click();
  await page.waitForURL(/\/money\?view=bills/);
  const slug = /\/books\/([^/]+)/.exec(page.url())![1]!;

  const { site } = (await (await page.request.get(`/api/books/${slug}`)).json()) as {
    site: {
      assumed: string[];
      inverters: { acRatedW: number }[];
      modules: Record<string, { vocV: number | null }>;
      arrays: { tiltDeg: number }[];
    };
  };
  expect(site.assumed).toEqual(["elevation"]);
  expect(site.inverters.map(({ acRatedW }) => acRatedW)).toEqual([5000]);
  expect(site.modules["410 W"]!.vocV).toBeNull();

  // The nameplate's gaps are estimated on request, and stand as estimates; what is written is known.
  await page.goto(`/books/${slug}/site`);
  await expect(page.getByTestId("assumed")).toContainText("height above the sea");
  await expect(page.getByText("A voltage, a current, the count of cells or the area would tell the rest.")).toBeVisible();
  await page.getByLabel("Imp, A").fill("13.1");
  await page.getByRole("button", { name: "Estimate what the nameplate leaves out" }).click();
  await expect(page.getByLabel("Voc, V")).toHaveValue("37.71");
  await expect(page.getByText(/Estimated from the nameplate: .*Voc ± 4\s%/)).toBeVisible();
  await page.getByLabel("Elevation, m").fill("20");
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText(/^Saved/)).toBeVisible();
  await expect(page.getByTestId("assumed")).toHaveCount(0);
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});
