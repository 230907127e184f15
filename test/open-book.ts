import { expect, type Page } from "@playwright/test";

/** Opens a book as a person with nothing but a place and a roof does; its address. */
export async function openBook(page: Page, line = "20 × 400 W, 30° south, 8 kW inverter", place = "45, 0"): Promise<string> {
  await page.goto("/open");
  await page.getByRole("combobox", { name: "Town, or coordinates" }).fill(place);
  await expect(page.getByText(/clock of/)).toBeVisible();
  await page.getByLabel("The roof, in one line").fill(line);
  await page.getByRole("button", { name: "Open the book" }).click();
  await page.waitForURL(/\/books\/[^/]+\//);
  return /\/books\/([^/]+)/.exec(page.url())![1]!;
}
