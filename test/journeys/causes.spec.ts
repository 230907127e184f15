import { expect, test } from "@playwright/test";

test("a newcomer finds why the hut's winter was bad", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Alpine hut", exact: true }).last().click();
  await page.getByRole("link", { name: "2024", exact: true }).click();
  await expect(page).toHaveURL(/year=2024/);
  await expect(page.getByText(/^2024:/)).toBeVisible();
  await page.getByRole("link", { name: "Causes", exact: true }).click();
  await expect(page.getByTestId("causes-verdict")).toContainText(/causes touch this span/);
  const string = page.getByRole("listitem").filter({ hasText: "1 of 4 strings gave nothing" });
  await expect(string).toContainText(/fell by 2\d(\.\d)? % within a day/);
  await expect(string).toContainText("fuse of string 3 replaced");
  await string.getByRole("button", { name: /1 of 4 strings/ }).click();
  await expect(page.getByRole("img", { name: /Metered and expected energy by day around/ })).toBeVisible();
  await string.getByRole("button", { name: /kWh$/ }).last().click();
  await expect(page.getByTestId("working")).toContainText("medians".slice(0, 6));
});

test("expected stays, losses found stand beside it, and a year may begin in July", async ({ page }) => {
  await page.goto("/books/packing-shed/ledger?year=2025");
  await expect(page.getByText(/An outage, 6 to 15 October, took/)).toBeVisible();
  await expect(page.getByText(/is within what instruments can tell/)).toBeVisible();
  const october = page.getByRole("row", { name: /^Oct/ });
  await expect(october).toContainText("Outage");
  const figure = async (name: string): Promise<number> =>
    Number(
      (await page.locator(`main [data-figure="${name}/2025"]`).last().textContent())!.replace(/[\u202f\s]/g, "").replace("\u2212", "-"),
    );
  const [expected, found, unexplained, metered] = [
    await figure("expected"),
    await figure("found"),
    await figure("unexplained"),
    await figure("metered"),
  ];
  expect(Math.abs(expected - found - unexplained - metered)).toBeLessThanOrEqual(2);
  await page.getByLabel(/year starts in/).selectOption("7");
  await expect(page).toHaveURL(/starts=7/);
  await page.getByRole("link", { name: "FY2024", exact: true }).first().click();
  await expect(page.getByText(/^12 months to 30 June 2024:/)).toBeVisible();
  await expect(page.locator("tbody tr")).toHaveCount(12);
  await expect(page.locator("tbody tr").first()).toContainText("Jul");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as XLSX" }).click();
  expect((await download).suggestedFilename()).toBe("packing-shed-ledger-FY2024.xlsx");
});

test("a posting is moved with a reason, the month closed, and reopened with a reason", async ({ page }) => {
  await page.goto("/books/packing-shed/ledger/2023-09");
  const table = page.getByTestId("postings");
  await expect(table).toContainText("Soiling");
  await page.waitForLoadState("networkidle");
  await page.getByRole("button", { name: "Move Soiling" }).click();
  await page.getByLabel("of Soiling, kWh").fill("10");
  await page.getByLabel(/^why/).fill("a crane stood there for a day");
  await page.getByRole("button", { name: "Move it" }).click();
  await expect(page.getByText(/10\.0 kWh moved from Soiling to Unexplained: a crane/)).toBeVisible();
  await page.getByLabel("note to the month").fill("signed");
  await page.getByRole("button", { name: "Close the month" }).click();
  await expect(page.getByRole("heading", { name: "Postings of the month, closed" })).toBeVisible();
  await page.goto("/books/packing-shed/ledger?year=2023");
  await expect(page.getByRole("row", { name: /^Sep/ })).toContainText("closed");
  await page.goto("/books/packing-shed/ledger/2023-09");
  await page.getByLabel("why it is reopened").fill("the meter was read again");
  await page.getByRole("button", { name: "Reopen the month" }).click();
  await expect(page.getByRole("button", { name: "Close the month" })).toBeVisible();
  await page.getByRole("button", { name: "take back" }).click();
  await expect(page.getByText(/10\.0 kWh moved from Soiling to Unexplained: a crane/)).toHaveCount(1);
  await expect(page.getByRole("list", { name: "Trail" })).toContainText("reopened: the meter was read again");
});

test("a cleaning written down later is matched when causes are sought again", async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto("/books/packing-shed/ledger?view=causes&year=2022");
  await expect(page.getByText("Cleaning that nobody wrote down").first()).toBeVisible();
  await page.getByRole("link", { name: "Write another in the field book" }).click();
  await page.getByRole("button", { name: "Cleaning", exact: true }).click();
  await page.getByLabel("Day", { exact: true }).fill("2022-07-12");
  await page.getByLabel("Note").fill("remembered later");
  await page.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Cleaning of 2022-07-12 is written down.")).toBeVisible();
  await page.goto("/books/packing-shed/ledger?view=causes&year=2022");
  const row = page.getByRole("row", { name: /2022-07-12 cleaning remembered later/ });
  // A worker does it within seconds, and the page follows by itself.
  await expect(row).toContainText(/took off/, { timeout: 60_000 });
  await page.goto("/books/packing-shed/field-book");
  await page.getByRole("button", { name: "Remove the entry of 2022-07-12" }).click();
  await expect(page.getByText("remembered later")).toHaveCount(0, { timeout: 20_000 });
});

test("ageing says its rate, its methods and its letter; dirt and promise say theirs", async ({ page }) => {
  await page.goto("/books/packing-shed/ageing");
  await expect(page.getByTestId("ageing-verdict")).toContainText(/Ageing 0\.\d\d % a year \(0\.\d\d to \d\.\d\d\)/);
  await expect(page.getByRole("row", { name: /Year on year/ })).toContainText("trust this one");
  await expect(page.getByRole("region", { name: "Evidence sheet" })).toContainText(/Left out of the index/);
  await page.getByTestId("ageing-verdict").getByRole("button").first().click();
  await expect(page.getByTestId("working")).toContainText("median over all pairs of days one year apart");
  await page.goto("/books/packing-shed/ledger?view=dirt&year=2023");
  await expect(page.getByTestId("dirt-verdict")).toContainText(/Dirt grows by 0\.\d+.*of the light in 2023/);
  await expect(page.getByRole("row", { name: /2023-06-28 field book/ })).toBeVisible();
  await page.goto("/books/packing-shed/ledger?view=dirt&year=2025");
  await expect(page.getByTestId("dirt-verdict")).toContainText("of the light in 2025");
  await expect(page.getByRole("row", { name: /2023-06-28 field book/ })).toHaveCount(0);
  await expect(page.getByRole("link", { name: "Decisions, Cleaning" })).toBeVisible();
  await page.goto("/books/packing-shed/ledger?view=promise");
  await expect(page.getByTestId("promise-verdict")).toContainText(/of the promise/);
  await page.goto("/books/packing-shed/ledger?view=figures&year=2025");
  await expect(page.getByRole("row", { name: /^October/ })).toBeVisible();
});

test("the trainer tells right from wrong", async ({ page }) => {
  await page.goto("/trainer");
  await page.getByRole("button", { name: "Nine days of nothing" }).click();
  await page.getByLabel("snow, kWh").fill("1270");
  await page.getByRole("button", { name: "Compare with the truth" }).click();
  await expect(page.getByRole("status")).toContainText("Not yet.");
  await page.getByLabel("snow, kWh").fill("0");
  await page.getByLabel("downtime, kWh").fill("1250");
  await page.getByRole("button", { name: "Compare with the truth" }).click();
  await expect(page.getByRole("status")).toContainText("You found it.");
  await expect(page.getByText("1 of 1 found so far.")).toBeVisible();
});

test("parts of a plant age for themselves, and the snow view says which array sheds when; a figure opens its working", async ({ page }) => {
  await page.goto("/books/ferry-office/ageing");
  const parts = page.getByRole("region", { name: "Part by part" });
  await expect(parts.getByRole("row", { name: /^Quay side/ })).toContainText("its hours");
  await parts
    .getByRole("row", { name: /^Lane side/ })
    .getByRole("button")
    .nth(1)
    .click();
  await expect(page.getByTestId("working")).toContainText("Ageing of Lane side");
  await page.goto("/books/hill-school/ageing");
  await page
    .getByTestId("parts-verdict")
    .getByRole("button", { name: /Too soon to tell the parts apart/ })
    .click();
  await expect(page.getByTestId("working")).toContainText("days that tell");
  await page.goto("/books/hill-school/ledger?view=dirt");
  const shed = page.getByRole("region", { name: "Which array sheds when" });
  await expect(shed.getByRole("row", { name: /^Gym roof/ })).toHaveCount(2);
});
