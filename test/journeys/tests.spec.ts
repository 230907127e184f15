import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";

test("a capacity test says what passes, opens its workings, and is kept and made once more", async ({ page }) => {
  await page.goto("/books/packing-shed/tests");
  const verdict = page.getByTestId("capacity-verdict");
  await expect(verdict).toContainText(/the plant gives .* kW, \d\d\.\d\s%/);
  // Lines of the filters account for all intervals that are left.
  const left = page.getByTestId("capacity-filters").locator("tbody tr td:last-child");
  const kept = Number((await left.last().textContent())!.replace(/\D/g, ""));
  await page.getByRole("button", { name: /^\d\d\.\d\s% ± \d/ }).click();
  await expect(page.getByText("Capacity over its target").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByLabel("Least light, W/m²").fill("700");
  await expect.poll(async () => Number((await left.last().textContent())!.replace(/\D/g, ""))).toBeLessThan(kept);
  await page.getByLabel("Pass line").fill("120");
  await expect(verdict).toContainText("failed");
  const name = `handover ${Date.now()}`;
  await page.getByLabel("Name").fill(name);
  await page.getByRole("button", { name: "Keep this test" }).click();
  await expect(page.getByText(`“${name}” is kept with its figures.`)).toBeVisible();
  await page.getByRole("link", { name: "Kept tests" }).click();
  const line = page.getByRole("heading", { name }).locator("..");
  await expect(line).toContainText("failed");
  await line.getByRole("button", { name: "Make it once more" }).click();
  await expect(line.getByTestId("repeated")).toContainText("Every figure is the same to the last digit.");
  const saving = page.waitForEvent("download");
  await line.getByRole("link", { name: "Save as evidence" }).click();
  const evidence = readFileSync(await (await saving).path(), "utf8");
  await page.getByRole("link", { name: "Check an evidence file" }).click();
  const check = page.getByTestId("evidence-verdict");
  const bring = (text: string) =>
    page.getByTestId("evidence-file").setInputFiles({ name: "e.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await bring(evidence);
  await expect(check).toContainText(
    /Not a letter was changed since it was signed with the key ([0-9a-f]{4} ){3}[0-9a-f]{4}, which is this house's own/,
  );
  await expect(page.getByText("weather-mast-simulated")).toBeVisible();
  await bring(evidence.replace('"outcome": "failed"', '"outcome": "passed"'));
  await expect(check).toContainText("This file is not what was signed");
  await page.goto("/books/packing-shed/tests?view=kept");
  await line.getByRole("link", { name: "Open its terms" }).click();
  await expect(page.getByLabel("Least light, W/m²")).toHaveValue("700");
  await page.goto("/books/packing-shed/tests?view=kept");
  page.on("dialog", (dialog) => void dialog.accept());
  await line.getByRole("button", { name: "Take it away" }).click();
  await expect(page.getByRole("heading", { name })).toBeHidden();
});

test("a guarantee is settled by year, with everything in and without what the contract leaves out", async ({ page }) => {
  await page.goto("/books/packing-shed/tests?view=guarantee");
  const verdict = page.getByTestId("guarantee-verdict");
  await expect(verdict).toContainText("Write what the contract guarantees");
  const years = page.getByTestId("guarantee-years").locator("tbody tr");
  // A page that has just come may not listen yet.
  await expect(async () => {
    await page.getByLabel("Guaranteed in the first year").fill("98");
    await page.getByLabel("Guaranteed in the first year").fill("99");
    await expect(years.first()).toBeVisible({ timeout: 4000 });
  }).toPass();
  await page.getByLabel("First day of the contract").fill("2021-01-01");
  await page.getByLabel("Damages").fill("0.10");
  await expect(years.first()).toContainText("2021-01-01");
  await expect(years).toHaveCount(5);
  const leftOut = years.nth(2).locator("td").nth(3);
  await expect(leftOut).toHaveText("0");
  await page.getByRole("button", { name: "Leave out days" }).click();
  await page.getByLabel("First day", { exact: true }).fill("2023-06-01");
  await page.getByLabel("Last day", { exact: true }).fill("2023-06-20");
  await page.getByLabel("Why").fill("work on the network");
  await expect(leftOut).not.toHaveText("0");
  await page.getByLabel("Guaranteed in the first year").fill("130");
  await expect(verdict).toContainText(/5 of 5 years are missed, .* kWh short in all: .* of damages/);
});

test("a book without measured light says what would carry a test", async ({ page }) => {
  await page.goto("/books/bore-field/tests");
  await expect(page.getByTestId("capacity-verdict")).toBeVisible();
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles("test/fixtures/plants/bills-house/bills-house.site.json");
  await expect(page).toHaveURL(/readings$/);
  const slug = new URL(page.url()).pathname.split("/")[2]!;
  await page.goto(`/books/${slug}/tests`);
  await expect(page.getByTestId("test-withheld")).toContainText(/No capacity can be tested here\. Bring/);
});
