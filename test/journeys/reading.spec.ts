import { expect, test } from "@playwright/test";

const plain = (text: string | null): number =>
  Number(
    (text ?? "")
      .replace(/[\u202f\s]/g, "")
      .replace("\u2212", "-")
      .replace(/[^\d.-]/g, ""),
  );

test("a first visit finds the demo, its verdict and the working of a figure", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Packing shed", exact: true }).last().click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Packing shed");
  await expect(page.getByText(/of .* kWh expected came/)).toBeVisible();
  await page.getByRole("row", { name: /^Oct/ }).getByRole("button").nth(1).click();
  const working = page.getByTestId("working");
  await expect(working).toContainText("Reference, October 2025");
  await expect(working).toContainText("nameplate × in-plane irradiation");
  await expect(working).toContainText("IEC 61724-1:2021");
  await page.keyboard.press("Escape");
  await expect(working).toBeHidden();
});

test("the lines of a year add up to its total, and every figure of a line opens its working", async ({ page }) => {
  await page.goto("/books/packing-shed/ledger?year=2024");
  const rows = page.locator("tbody tr");
  await expect(rows).toHaveCount(12);
  const metered = await rows.locator("td:nth-child(7)").allTextContents();
  const total = plain(await page.locator("tfoot td:nth-child(7)").textContent());
  expect(Math.abs(metered.map(plain).reduce((a, b) => a + b, 0) - total)).toBeLessThanOrEqual(12);
  const figures = rows.first().getByRole("button");
  for (let i = 0; i < (await figures.count()); i++) {
    await figures.nth(i).click();
    for (const part of ["Formula", "Inputs", "Source", "Assumptions"])
      await expect(page.getByTestId("working").getByRole("heading", { name: part })).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByTestId("working")).toBeHidden();
  }
});

test("a month opens its days; arrow keys turn them, Escape goes back", async ({ page }) => {
  await page.goto("/books/packing-shed/ledger?year=2025");
  await page.getByRole("link", { name: "Oct" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("October 2025");
  await page.getByRole("link", { name: /^7 October 2025/ }).click();
  await expect(page.getByText("7 October 2025", { exact: true })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByText("8 October 2025", { exact: true })).toBeVisible();
  await expect(page.getByRole("img", { name: "Expected and metered power on 8 October 2025" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page).toHaveURL(/ledger\?year=2025/);
});

test("the keyboard alone goes everywhere", async ({ page }) => {
  await page.goto("/books/packing-shed/ledger");
  await expect(page.getByRole("table")).toBeVisible();
  for (const [key, url] of [
    ["6", /money/],
    ["3", /readings/],
    ["1", /site/],
    ["4", /ledger/],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(url);
  }
  await page.keyboard.press("Control+k");
  await page.getByPlaceholder("Book, view, term or caution").fill("ferry");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Ferry office");
  await page.keyboard.press("d");
  await expect(page.locator("html")).toHaveAttribute("data-mantine-color-scheme", "dark");
});

test("a chart is kept as figures and as a picture", async ({ page }) => {
  await page.goto("/books/ferry-office/money");
  for (const [item, ending] of [
    ["Figures (CSV)", ".csv"],
    ["Picture (SVG)", ".svg"],
    ["Picture (PNG)", ".png"],
  ] as const) {
    await page.getByRole("button", { name: /^Save “Balance/ }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("menuitem", { name: item }).click();
    expect((await download).suggestedFilename()).toBe(`ferry-office-payback${ending}`);
  }
});

test("every answer carries its security headers, and no page its neighbour's nonce", async ({ request }) => {
  const [one, two] = [await request.get("/"), await request.get("/")];
  const policy = one.headers()["content-security-policy"] ?? "";
  expect(policy).toMatch(/script-src 'self' 'nonce-[0-9a-f]{32}' 'strict-dynamic'/);
  expect(policy).not.toContain("unsafe-eval");
  expect(two.headers()["content-security-policy"]).not.toBe(policy);
  expect(one.headers()).toMatchObject({ "x-content-type-options": "nosniff", "x-frame-options": "DENY", "referrer-policy": "same-origin" });
});

test("a change from another origin, and a request for another host, are refused", async ({ request, baseURL }) => {
  const foreign = await request.delete("/api/books/packing-shed", { headers: { origin: "http://elsewhere.example" } });
  expect(foreign.status()).toBe(403);
  const rebound = await request.get(`${baseURL}/api/books/packing-shed/ledger`, { headers: { host: "elsewhere.example" } });
  expect(rebound.status()).toBe(403);
  expect((await rebound.json()) as unknown).toMatchObject({ error: { code: "foreign-origin" } });
});
