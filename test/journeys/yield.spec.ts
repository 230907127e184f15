import { expect, type Page, test } from "@playwright/test";
import { openBook } from "../open-book";

const kwhIn = (text: string): number => Number(text.replaceAll("\u202f", "").replace("\u2212", "-").replace("+", ""));
const slider = (page: Page, name: string) => page.getByRole("slider", { name });

async function press(page: Page, name: string, key: string, times: number): Promise<void> {
  await slider(page, name).focus();
  for (let k = 0; k < times; k++) await page.keyboard.press(key);
}

const plantsShare = (page: Page) => page.getByRole("table", { name: "The plant's share" });

test("the plant's share adds up, opens its workings, and says what would come back", async ({ page }) => {
  await page.goto("/books/packing-shed/yield?year=2025");
  const rows = plantsShare(page).locator("tbody tr:has(td)");
  await expect(rows.first()).toContainText("Reference");
  const figures = new Map<string, number>();
  for (const row of await rows.all())
    figures.set((await row.locator("th").textContent()) ?? "", kwhIn((await row.locator("td").first().textContent()) ?? ""));
  const accounts = [...figures].filter(([name]) => !["Reference", "Expected"].includes(name));
  const lost = accounts.reduce((sum, [, kwh]) => sum + kwh, 0);
  expect(Math.abs(figures.get("Reference")! - lost - figures.get("Expected")!)).toBeLessThanOrEqual(accounts.length / 2 + 1);
  // What does clipping cost a year? The row says both readings.
  const clipping = rows.filter({ hasText: "Clipping" });
  await expect(clipping.locator("td").last()).toHaveText(/\d/);
  await clipping.locator("td").last().getByRole("button").click();
  await expect(page.getByRole("dialog")).toContainText("Without clipping");
});

test("what can be had back says with which loss and in which money, and leads to it", async ({ page }) => {
  await page.goto("/books/packing-shed/yield?year=2025");
  const outage = page.getByRole("table", { name: "Yours to regain" }).getByRole("row", { name: /^Outage/ });
  await expect(outage).toContainText(/\d+/);
  await outage.getByRole("link").click();
  await expect(page).toHaveURL(/ledger\?view=causes&year=2025/);
  await expect(page.getByText(/The plant stood still from 6 Oct to 15 Oct 2025/)).toBeVisible();
});

test("a span of months is chosen, and the sentence follows", async ({ page }) => {
  await page.goto("/books/packing-shed/yield?year=2025");
  await expect(
    plantsShare(page)
      .getByRole("row", { name: /^Clipping/ })
      .locator("td")
      .last(),
  ).toHaveText(/\d/);
  await page.getByLabel("From", { exact: true }).selectOption("2025-12");
  await expect(page.getByText(/^December 2025: .* kWh expected/)).toBeVisible();
});

test("ten degrees more tilt, and forty degrees of turn, are answered at once and kept side by side", async ({ page }) => {
  await page.goto("/books/packing-shed/yield?view=what-if&year=2025");
  const sentence = page.getByTestId("what-if-sentence");
  await expect(sentence).toContainText("As the book has it");
  const base = kwhIn(/brings ([\d\u202f]+)/.exec((await sentence.textContent()) ?? "")![1]!);
  const ledger = (await (await page.request.get("/api/books/packing-shed/ledger")).json()) as {
    years: { key: string; expectedKwh: number }[];
  };
  expect(Math.abs(base - ledger.years.find((year) => year.key === "2025")!.expectedKwh)).toBeLessThan(1);

  await press(page, "Tilt, ° from flat", "ArrowRight", 10);
  await expect(sentence).toContainText("With tilt 20°");
  const december = page.getByRole("row", { name: /^December/ });
  await expect(december.locator("td").nth(2)).toHaveText(/^\+\d/);
  await page.getByRole("textbox", { name: "Name of the variant" }).fill("steeper");
  await page.getByRole("button", { name: "Keep as a variant" }).click();
  await expect(page.getByRole("row", { name: /steeper/ })).toContainText("+");

  await page.getByRole("button", { name: "Back to the book" }).click();
  await press(page, "Azimuth, ° from north", "ArrowRight", 40);
  await expect(sentence).toContainText("With azimuth 220°");
  await expect(sentence).toContainText("\u2212");
  await page.getByRole("button", { name: "Keep as a variant" }).click();
  await expect(page.getByRole("row", { name: /azimuth 220°/ })).toBeVisible();

  await page.reload();
  await page
    .getByRole("row", { name: /steeper/ })
    .getByRole("button", { name: "Try" })
    .click();
  await expect(sentence).toContainText("With tilt 20°");
  for (const name of ["steeper", "azimuth 220°"]) await page.getByRole("button", { name: `Remove ${name}` }).click();
  await expect(page.getByRole("row", { name: /steeper/ })).toHaveCount(0);
});

test("the map of planes marks the array, and a click tries a plane", async ({ page }) => {
  await page.goto("/books/packing-shed/yield?view=what-if&year=2025");
  const map = page.getByRole("img", { name: /Yearly energy of all modules/ });
  await expect(map).toContainText("South roof");
  await expect(page.getByText(/best: tilt \d+°, azimuth 1[789]\d°/)).toBeVisible();
  const box = (await map.boundingBox())!;
  // The disc is 344 px high; the line under it says what lies under the pointer.
  await page.mouse.click(box.x + box.width / 2 + 60, box.y + 344 / 2);
  await expect(page.getByTestId("what-if-sentence")).toContainText(/With tilt \d+°, azimuth (89|90|91)°/);
});

test("every other method says what it would make of the year, and one can be used", async ({ page }) => {
  await page.goto("/books/ferry-office/yield?view=methods");
  const perez = page.getByRole("row", { name: /Perez et al., 1990/ });
  await expect(perez).toContainText(/[+\u2212]\d+.* kWh \([+\u2212]\d/);
  await page.getByRole("button", { name: "Use Perez for Light on the tilted plane" }).click();
  await expect(perez).toContainText("in the book");
  await page.getByRole("button", { name: "Use Hay & Davies for Light on the tilted plane" }).click();
  await expect(page.getByRole("row", { name: /Hay & Davies, 1980/ })).toContainText("in the book");
});

test("twelve monthly means make a year of weather in the browser", async ({ page }) => {
  const slug = await openBook(page);
  await page.goto(`/books/${slug}/readings`);
  const rows = [40, 60, 100, 140, 170, 185, 195, 165, 120, 75, 45, 35].map((kwh, m) => `${m + 1},${kwh}`);
  const buffer = Buffer.from(`month,ghi_kwh_m2\n${rows.join("\n")}\n`);
  await page.getByTestId("file").setInputFiles({ name: "means.csv", mimeType: "text/csv", buffer });
  const preview = page.getByTestId("preview");
  await expect(preview).toContainText("Monthly means have no year of their own.");
  await page.getByLabel("Year to make the hours for").fill("2025");
  await page.getByLabel("Year to make the hours for").press("Tab");
  await expect(preview).not.toContainText("Monthly means have no year");
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
  await page.goto(`/books/${slug}/yield`);
  await expect(page.getByText(/^2025: .* kWh expected/)).toBeVisible();
  await page.request.delete(`/api/books/${slug}`, { headers: { origin: new URL(page.url()).origin } });
});
