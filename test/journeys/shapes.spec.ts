import { expect, type Page, test } from "@playwright/test";

const SITE = "test/fixtures/plants/bills-house/bills-house.site.json";
const pad = (value: number): string => String(value).padStart(2, "0");
const watts = (hour: number): number => Math.max(0, Math.round(2400 * Math.sin(((hour - 6) / 12) * Math.PI)));

async function openBook(page: Page): Promise<void> {
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles(SITE);
  await expect(page).toHaveURL(/readings$/);
}

const drop = (page: Page, name: string, lines: readonly string[]) =>
  page.getByTestId("file").setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(`${lines.join("\n")}\n`) });

test("a table of a number a row is spread into columns, said so, and stored", async ({ page }) => {
  await openBook(page);
  const rows = Array.from({ length: 72 }, (_, k) => k).flatMap((k) => {
    const time = `2023-06-${pad(1 + Math.floor(k / 24))}T${pad(k % 24)}:00:00Z`;
    return [`${time},WR1,ac power W,${watts(k % 24)}`, `${time},WR1,grid voltage V,231`];
  });
  await drop(page, "long.csv", ["time,device,quantity,value", ...rows]);
  await expect(page.getByTestId("preview")).toContainText("Each row holds one number and says of what");
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
});

test("readings that are all zero are asked about before they are stored", async ({ page }) => {
  await openBook(page);
  const rows = Array.from({ length: 20 * 24 }, (_, k) => `2023-06-${pad(1 + Math.floor(k / 24))}T${pad(k % 24)}:00:00Z,0`);
  await drop(page, "zeros.csv", ["time,energy_kwh", ...rows]);
  const question = page.getByRole("combobox", { name: "Are all 480 readings really zero?" });
  await expect(question).toBeVisible();
  await expect(page.getByRole("button", { name: "Put it in the book" })).toBeDisabled();
  await question.click();
  await page.getByRole("option", { name: "store them all the same" }).click();
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
});

test("a book whose light is in doubt says so on its first page, and causes and ageing say by how much", async ({ page }) => {
  await page.goto("/books/drying-barn/ledger");
  await expect(page.getByTestId("light-clause")).toContainText("The light sensor drifts");
  await page.getByRole("link", { name: "Causes" }).click();
  await expect(page.getByText(/reads 1\.\d+ % a year less/)).toBeVisible();
  await page.goto("/books/drying-barn/ageing");
  await expect(page.getByTestId("ageing-verdict")).toContainText("the rate is corrected by");
});

test("a ceiling that moved and a summer without a fan are told with their days", async ({ page }) => {
  await page.goto("/books/ice-works/ledger?view=causes&year=all");
  await expect(page.getByText(/gives no more than 86\.\d kW any longer, from 1\d Apr 2024 on/)).toBeVisible();
  await expect(page.getByText("Held back by heat sooner than usual")).toBeVisible();
  await expect(page.getByText(/less for every kelvin above \d+ °C at their intake from \d+ (May|Jun) to \d+ Sep 2022/)).toBeVisible();
});
