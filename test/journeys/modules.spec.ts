import { expect, type Page, test } from "@playwright/test";
import { go } from "./go";

const SITE = "test/fixtures/plants/bills-house/bills-house.site.json";
const IDS = ["M1", "M2", "M3", "M4", "M5", "M6", "M7", "M8"];
const pad = (value: number): string => String(value).padStart(2, "0");

/** Forty days by the hour, Wh; the third module gives four fifths of the others. */
const lines = Array.from({ length: 40 * 24 }, (_, i) => {
  const [day, hour] = [Math.floor(i / 24), i % 24];
  const wh = Math.max(0, 300 * Math.sin(((hour - 5) / 14) * Math.PI));
  const cells = IDS.map((id, k) => ((id === "M3" ? 0.8 : 1 + 0.002 * k) * wh).toFixed(1));
  return [`2024-0${5 + Math.floor(day / 31)}-${pad((day % 31) + 1)}T${pad(hour)}:00:00Z`, ...cells].join(",");
});

async function placeOf(page: Page, id: string): Promise<string | null> {
  return page.getByRole("button", { name: `${id}, row and column` }).getAttribute("data-at");
}

test("a column a module is known as such, the weak one is named, and names are laid on the plan by keyboard", async ({ page }) => {
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles(SITE);
  await expect(page).toHaveURL(/readings$/);
  const slug = new URL(page.url()).pathname.split("/")[2]!;
  const text = [`time,${IDS.map((id) => `module ${id} [Wh]`).join(",")}`, ...lines].join("\n");
  await page.getByTestId("file").setInputFiles({ name: "roof.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await expect(page.getByTestId("modules-found")).toContainText("held against each other");
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
  await go(page, `/books/${slug}/ledger?view=modules`);
  await expect(page.getByTestId("modules-verdict")).toContainText("1 of 8 modules gives less than its neighbours");
  await expect(page.getByTestId("modules-verdict")).toContainText(/kWh in (39|40) days in all/);
  await expect(page.getByTestId("odd-modules")).toContainText(/(79|80).% of what its neighbours give/);
  await page.getByRole("button", { name: "Lay the names on the plan" }).click();
  const before = await placeOf(page, "M1");
  await page.getByRole("button", { name: "M1, row and column" }).focus();
  await page.keyboard.press("ArrowRight");
  expect(await placeOf(page, "M2")).toBe(before);
  await page.getByRole("button", { name: "Keep these places" }).click();
  await expect(page.getByTestId("lay-names")).toBeHidden();
  await page.reload();
  await page.getByRole("button", { name: "Lay the names on the plan" }).click();
  expect(await placeOf(page, "M2")).toBe(before);
});

test("the demo's roof is painted for a day and an hour, and a module opens with what it lost", async ({ page }) => {
  await page.goto("/books/hill-school/ledger?view=modules");
  const verdict = page.getByTestId("modules-verdict");
  await expect(verdict).toContainText("a bypassed part (B15)");
  await expect(verdict).toContainText("Names seem mixed up: A3 and A15");
  await page.getByText("day", { exact: true }).click();
  await page.getByLabel("Day to paint").fill("2025-06-20");
  await expect(page.getByRole("button", { name: /^A10: 0\.0/ })).toBeVisible();
  await page.getByRole("button", { name: /^A10:/ }).click();
  await expect(page.getByTestId("module-detail")).toContainText("Gave nothing in");
  await page.getByTestId("module-detail").getByRole("button", { name: /±/ }).click();
  await expect(page.getByRole("dialog")).toContainText("Module A10: silent electronics");
});
