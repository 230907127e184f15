import { readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";

const plant = (name: string, file: string): string => `test/fixtures/plants/${name}/${file}`;

async function openBook(page: Page, name: string): Promise<string> {
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles(plant(name, `${name}.site.json`));
  await expect(page).toHaveURL(/readings$/);
  return new URL(page.url()).pathname.split("/")[2]!;
}

async function put(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
}

test("a foreign logger file is read by itself, its faults are found, accepted and taken back", async ({ page }) => {
  const slug = await openBook(page, "alpine-hut");
  await page.getByTestId("file").setInputFiles(plant("alpine-hut", "weather.csv.gz"));
  await expect(page.getByTestId("preview")).toBeVisible();
  await put(page);
  await page.getByTestId("file").setInputFiles(plant("alpine-hut", "production.csv.gz"));
  await expect(page.getByTestId("mapping")).toContainText("times written day first");
  await expect(page.getByTestId("preview")).toContainText("the sun says UTC+01:00, labels at the end");
  await expect(page.getByTestId("file-picture").locator("svg[data-chart]")).toHaveCount(2);
  await put(page);
  await page.getByRole("link", { name: "See what the examination found" }).click();
  const unit = page.locator('li[data-kind="unit-factor"]');
  await expect(unit).toContainText("1 000 times what it should be");
  await unit.getByRole("button", { expanded: false }).click();
  await expect(unit).toContainText("watt-hours under a kilowatt-hour header");
  await unit.getByRole("button", { name: /^Divide by/ }).click();
  await expect(unit).toContainText("accepted");
  const read = async (): Promise<number> =>
    ((await (await page.request.get(`/api/books/${slug}/ledger`)).json()) as { all: { readFrac: number } }).all.readFrac;
  const clean = await read();
  await unit.getByRole("button", { name: "Take back" }).click();
  await expect(unit).toContainText("open");
  expect(clean).toBeGreaterThan((await read()) + 0.003);
  await page.goto(`/books/${slug}/readings?view=record`);
  await expect(page.getByRole("img", { name: /waits for your word|wait/ })).toBeVisible();
});

test("a decade of days is pasted as a few lines: those in the window, and the one that is typed into", async ({ page }) => {
  const slug = await openBook(page, "bills-house");
  await page.goto(`/books/${slug}/readings?view=type`);
  await page.getByText("Days", { exact: true }).click();
  const cell = (row: number) => page.getByRole("textbox", { name: `energy_kwh, row ${row}`, exact: true });
  await page.getByRole("textbox", { name: "day, row 1", exact: true }).focus();
  await page.evaluate(() => {
    const rows = Array.from(
      { length: 3650 },
      (_, d) => `${new Date(Date.UTC(2014, 0, 1 + d)).toISOString().slice(0, 10)}\t${(d % 20) + 0.5}`,
    );
    const data = new DataTransfer();
    data.setData("text/plain", rows.join("\n"));
    document.activeElement!.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByRole("button", { name: "Look at 3650 rows" })).toBeVisible();
  await expect(page.getByRole("table", { name: "Days" })).toHaveAttribute("aria-rowcount", "3652");
  expect(await page.getByRole("table", { name: "Days" }).getByRole("textbox").count()).toBeLessThan(150);
  await cell(3).fill("99");
  const box = page.getByRole("table", { name: "Days" }).locator("xpath=ancestor::div[2]");
  await box.evaluate((element) => element.scrollTo(0, element.scrollHeight));
  await expect(cell(3650)).toHaveValue("9.5");
  // What was being typed is neither lost nor left behind.
  await expect(cell(3)).toHaveValue("99");
  await cell(3650).click();
  await page.keyboard.press("ArrowUp");
  await expect(cell(3649)).toBeFocused();
  const saved = page.waitForEvent("download");
  await page
    .getByRole("button", { name: /Save this table/ })
    .first()
    .click();
  const lines = readFileSync(await (await saved).path(), "utf8")
    .trim()
    .split(/\r?\n/);
  expect([lines.length, lines[3], lines[3650]?.split(",").slice(0, 2).join()]).toEqual([
    3651,
    expect.stringMatching(/^2014-01-03,99,/),
    "2023-12-29,9.5",
  ]);
  await box.evaluate((element) => element.scrollTo(0, 0));
  await expect(cell(3)).toHaveValue("99");
  await expect(page.getByRole("rowheader", { name: "3 Jan 2014", exact: true })).toBeVisible();
});

test("what is kept by hand is pasted, undone by key, and set against exactly its time", async ({ page }) => {
  const slug = await openBook(page, "bills-house");
  await page.getByTestId("file").setInputFiles(plant("bills-house", "weather.csv.gz"));
  await expect(page.getByTestId("preview")).toBeVisible();
  await put(page);
  await page.goto(`/books/${slug}/readings?view=type`);
  const first = page.getByRole("textbox", { name: "read on, row 1", exact: true });
  await first.focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData("text/plain", "2021-03-07 18:00\t4210\n2021-03-21 18:00\t4590\n2021-04-04 18:00\t5010\n");
    document.activeElement!.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByRole("textbox", { name: "counter_kwh, row 3", exact: true })).toHaveValue("5010");
  // No click between: what was pasted is taken back at once.
  await expect(first).toBeFocused();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "counter_kwh, row 3", exact: true })).toHaveValue("");
  await page.keyboard.press("Control+Shift+z");
  await expect(page.getByRole("textbox", { name: "counter_kwh, row 3", exact: true })).toHaveValue("5010");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("textbox", { name: "read on, row 2", exact: true })).toBeFocused();
  await page.getByRole("button", { name: "Look at 3 rows" }).click();
  await expect(page.getByTestId("preview")).toContainText("3 counter readings");
  await put(page);
  await page.goto(`/books/${slug}/readings?view=record`);
  const spans = page.getByRole("region", { name: "Between hand readings" }).locator("tbody tr");
  await expect(spans).toHaveCount(2);
  await expect(spans.first()).toContainText("380.0");
  await spans.first().getByRole("button").click();
  await expect(page.getByText("No daily value is made up from a span")).toBeVisible();
});

test("a monthly table by fiscal year finds its years, and the ledger marks the split", async ({ page }) => {
  const slug = await openBook(page, "bills-house");
  await page.getByTestId("file").setInputFiles(plant("bills-house", "weather.csv.gz"));
  await expect(page.getByTestId("preview")).toBeVisible();
  await put(page);
  await page.getByTestId("file").setInputFiles(plant("bills-house", "production.csv.gz"));
  await expect(page.getByTestId("mapping")).toContainText("years are named after the one they end in");
  await put(page);
  const report = (await (await page.request.get(`/api/books/${slug}/ledger`)).json()) as {
    months: { key: string; meteredKwh: number; splitKwh: number }[];
  };
  const june = report.months.find(({ key }) => key === "2020-06")!;
  expect([Math.round(june.meteredKwh), Math.round(june.splitKwh)]).toEqual([999, 999]);
});

test("several files go in one after the other, those without a question by themselves", async ({ page }) => {
  await openBook(page, "dry-roof");
  const files = ["production.csv.gz", "weather.csv.gz", "promise.csv"].map((name) => plant("dry-roof", name));
  await page.getByTestId("file").setInputFiles(files);
  await expect(page.getByTestId("preview")).toContainText("production.csv.gz");
  await page.getByRole("button", { name: /Put it in, and the 2 behind it/ }).click();
  await expect(page.getByText(/Weather stands from 2019-01-01/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
});

test("a display is read at the wall: now, that day and in all, and its figures are kept", async ({ page }) => {
  // The old address of the health check leads here.
  await page.goto("/books/packing-shed/readings?view=health");
  await expect(page).toHaveURL(/field-book\?view=wall/);
  const verdict = page.getByTestId("wall-verdict");
  await expect(verdict).toContainText("one of them is enough");
  await expect(async () => {
    await page.getByLabel("Clock on the site").fill("2025-06-10T13:00");
    await page.getByLabel("Clock on the site").blur();
    await page.getByLabel("Day total, kWh").fill("120");
    const below = /120\.0 kWh on 10 June 2025 by 13:00: below what was expected, \d\d\s% of the \d+\.\d kWh that were expected/;
    await expect(verdict).toContainText(below, { timeout: 1500 });
  }).toPass();
  await page.getByLabel("Day total, kWh").fill("900");
  await expect(verdict).toContainText("above what was expected");
  await page.getByLabel("Lifetime, kWh").fill("600000");
  await expect(verdict).toContainText(/600\s000 kWh in 2\s263 days, \d+\.\d kWh a day/);
  // Watts alone suffice for the moment; inputs set side by side tell more.
  await page.getByLabel("AC power, W").fill("2850");
  await expect(verdict).toContainText(/2\s850 W come out\. A cloudless sky would give/);
  await page.getByText("DC inputs, AC volts and amperes, light …").click();
  await page.getByRole("button", { name: "Another input" }).click();
  for (const [input, volts, amps] of [
    [1, "400", "5"],
    [2, "400", "2.5"],
  ] as const) {
    const group = page.getByRole("group", { name: `DC input ${input}` });
    await group.getByLabel(`Input ${input}, V`).fill(volts);
    await group.getByLabel("A", { exact: true }).fill(amps);
  }
  await expect(
    page
      .getByRole("listitem")
      .filter({ hasText: /[Ii]nput/ })
      .first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "Keep the lifetime reading" }).click();
  await expect(page.getByTestId("preview")).toContainText("display 2025-06-10 13:00.csv");
});

test("a feed off the list of hosts is refused with the way out", async ({ page }) => {
  await page.goto("/books/packing-shed/readings?view=feeds");
  await page.getByLabel("Name").fill("elsewhere");
  await page.getByLabel("Address").fill("http://192.0.2.7/x.csv");
  await page.getByRole("button", { name: "Add and start it" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "list of hosts" })).toContainText("DUSTY_LEDGER_FEED_HOSTS");
});

test("cancelling in the middle of an import leaves nothing", async ({ page }) => {
  const slug = await openBook(page, "southern-ranch");
  const rows = Array.from(
    { length: 400_000 },
    (_, k) => `${new Date(Date.UTC(2015, 0, 1) + k * 300_000).toISOString().slice(0, 16)}Z,${(k % 97) / 100}`,
  );
  const started = Date.now();
  await page
    .getByTestId("file")
    .setInputFiles({ name: "long.csv", mimeType: "text/csv", buffer: Buffer.from(`time,energy_kwh\n${rows.join("\n")}\n`) });
  await expect(page.getByText(/Reading long.csv/)).toBeVisible();
  expect(Date.now() - started).toBeLessThan(30_000);
  await page.getByRole("button", { name: "Cancel" }).click();
  await page.reload();
  await expect(page.getByText("Nothing has come in yet.")).toBeVisible();
  const examination = (await (await page.request.get(`/api/books/${slug}/examination`)).json()) as { series: unknown[] };
  expect(examination.series).toEqual([]);
});
