import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { openBook as openNew } from "../open-book";

const fixture = (plant: string, name: string): string => path.join("test", "fixtures", "plants", plant, name);
const ledger = (...args: string[]): unknown =>
  JSON.parse(
    execFileSync(process.execPath, ["scripts/ledger.mjs", ...args, "--json"], {
      encoding: "utf8",
      maxBuffer: 64e6,
      stdio: ["ignore", "pipe", "ignore"],
    }),
  );

interface Line {
  key: string;
  expectedKwh: number;
  unexplainedKwh: number;
  meteredKwh: number;
  promiseKwh: number;
  dataGapKwh: number;
  foundKwh: Record<string, number> | null;
  plannedKwh: Record<string, number>;
}

async function openBook(page: Page, plant: string, name: string): Promise<void> {
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles(fixture(plant, `${plant}.site.json`));
  await expect(page).toHaveURL(/readings$/);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(name);
}

async function bring(page: Page, file: string, clock?: RegExp): Promise<void> {
  await page.getByTestId("file").setInputFiles(file);
  const preview = page.getByTestId("preview");
  await expect(preview).toBeVisible();
  if (clock) await expect(preview).toContainText(clock);
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
}

const shown = (kwh: number): string =>
  Math.round(kwh)
    .toString()
    .replace(/\B(?=(\d{3})+(?!\d))/g, "\u202f");

for (const [plant, name, slug, clock] of [
  ["dry-roof", "Vessarro packing shed", "vessarro-packing-shed", /the sun says Europe\/Madrid, labels at the start/],
  ["southern-ranch", "Wirrabeel ranch", "wirrabeel-ranch", /no clock fits them throughout; the site's own \(Australia\/Sydney\) is taken/],
] as const) {
  test(`${plant} comes in through the browser, and the screens say what the command line says`, async ({ page, request }) => {
    await openBook(page, plant, name);
    await bring(page, fixture(plant, "weather.csv.gz"));
    await bring(page, fixture(plant, "production.csv.gz"), clock);
    await bring(page, fixture(plant, "promise.csv"));

    const args = [
      "--site",
      fixture(plant, `${plant}.site.json`),
      "--weather",
      fixture(plant, "weather.csv.gz"),
      "--production",
      fixture(plant, "production.csv.gz"),
      "--promise",
      fixture(plant, "promise.csv"),
      // Nothing is decided in the browser yet: the raw series is counted in both.
      "--accept",
      "none",
    ];
    const printed = ledger("reconcile", ...args) as { months: Line[]; years: Line[] };
    await expect(async () => {
      const served = (await (await request.get(`/api/books/${slug}/ledger`)).json()) as { months: (Line & { isSought: boolean })[] };
      served.months.forEach(({ key, expectedKwh, meteredKwh, dataGapKwh, unexplainedKwh, foundKwh }, i) => {
        expect(printed.months[i], key).toMatchObject({ key, expectedKwh, meteredKwh, dataGapKwh, unexplainedKwh, foundKwh });
      });
    }).toPass({ timeout: 60_000 });

    for (const year of printed.years.slice(0, 2)) {
      await page.goto(`/books/${slug}/ledger?year=${year.key}`);
      for (const month of printed.months.filter((line) => line.key.startsWith(year.key))) {
        const figure = (name: string) => page.locator(`[data-figure="${name}/${month.key}"]`);
        await expect(figure("expected")).toHaveText(shown(month.expectedKwh));
        await expect(figure("metered")).toHaveText(shown(month.meteredKwh));
        await expect(figure("promise")).toHaveText(shown(month.promiseKwh));
      }
      await expect(page.getByLabel("Design losses", { exact: true })).toContainText(`Temperature ${shown(year.plannedKwh.temperature!)}`);
    }

    await page.goto(`/books/${slug}/money`);
    await expect(page.getByText(/No payback yet: the price of a bought kWh is missing/)).toBeVisible();
    await page.getByLabel(/^Bought/).fill("0.178");
    await expect(page.getByText(/The money (comes|came) back in/)).toBeVisible();
    await page.getByRole("button", { name: "Save the terms" }).click();
    await expect(page.getByText("Saved.")).toBeVisible();
    const money = (await (await request.get(`/api/books/${slug}/money`)).json()) as object;
    expect(ledger("money", ...args, "--price", "0.178")).toMatchObject(money as Record<string, unknown>);
  });
}

test("an import is undone whole and brought back; the same file again is refused", async ({ page }) => {
  await openBook(page, "southern-ranch", "Wirrabeel ranch");
  await bring(page, fixture("southern-ranch", "weather.csv.gz"));
  await page.getByTestId("file").setInputFiles(fixture("southern-ranch", "weather.csv.gz"));
  await expect(page.getByTestId("problems")).toContainText("This file is in the book already");
  await page.getByRole("button", { name: "Leave it" }).click();
  await page.getByRole("button", { name: "Undo", exact: true }).click();
  await expect(page.getByText("Nothing has come in yet.")).toBeVisible();
  await page.getByRole("button", { name: "Bring back" }).click();
  await expect(page.getByText(/Weather stands from 2019-03-01/)).toBeVisible();
});

test("bad files are told apart, each with its place and its way out", async ({ page }) => {
  await openBook(page, "dry-roof", "Vessarro packing shed");
  const cases: [string, string | Buffer, RegExp][] = [
    ["empty.csv", "", /The file is empty/],
    ["sheet.xlsx", Buffer.from([80, 75, 3, 4, 0, 0, 8, 0, 0, 1]), /workbook ends in the middle or is damaged/],
    ["picture.csv", Buffer.from([137, 80, 78, 71, 13, 10, 26, 10, 0, 0]), /not a text file/],
    ["words.csv", "time,energy_kwh\n2023-06-01T10:00Z,1\n2023-06-01T11:00Z,lots\n", /not a number.*row 3, energy_kwh: lots/s],
    ["headers.csv", "when,zap\n1,2\n", /when, zap/],
    ["one-day.csv", "time,energy_kwh\n2023-06-01 10:00,1\n2023-06-01 11:00,2\n", /no offset from UTC.*Choose the zone/s],
    ["open.csv", "time,reading\n2023-06-01T10:00Z,1\n2023-06-01T11:00Z,2\n", /What does “reading” hold\?/],
  ];
  for (const [name, content, words] of cases) {
    await page.getByTestId("file").setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(content) });
    await expect(page.getByTestId("preview")).toContainText(name);
    await expect(page.getByTestId("problems")).toContainText(words);
    await expect(page.getByRole("button", { name: "Put it in the book" })).toBeDisabled();
    await page.getByRole("button", { name: "Leave it" }).click();
  }
  await expect(page.getByText("Nothing has come in yet.")).toBeVisible();
});

test("a bad site file is refused by field, and nothing is put on the shelf", async ({ page }) => {
  await page.goto("/");
  const books = await page.locator("tbody tr").count();
  const bad = {
    format: "dusty-ledger/site",
    version: 1,
    colour: "red",
    place: { latitudeDeg: 95, longitudeDeg: 0 },
    modules: { m: { pmpW: 400, gammaPmpPerK: 0.004 } },
    arrays: [{ id: "a", module: "m", count: 1, tiltDeg: 140, azimuthDeg: 0 }],
  };
  await page
    .getByTestId("site-file")
    .setInputFiles({ name: "bad.site.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(bad)) });
  const problems = page.getByTestId("problems");
  for (const words of [/latitudeDeg is 95/, /gammaPmpPerK is 0.004.*negative/s, /tiltDeg is 140.*from horizontal/s, /unknown “colour”/])
    await expect(problems).toContainText(words);
  await page.reload();
  expect(await page.locator("tbody tr").count()).toBe(books);
});

test("the site form refuses what the schema refuses, saves the rest, and the ledger follows", async ({ page }) => {
  await page.goto("/books/ferry-office/ledger?year=2024");
  const before = await page.locator("tfoot td:nth-child(5)").textContent();
  await page.goto("/books/ferry-office/site");
  const tilt = page.getByLabel("Tilt, °", { exact: true }).first();
  const stood = await tilt.inputValue();
  await tilt.fill("140");
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText(/tilt is measured from horizontal/).first()).toBeVisible();
  await tilt.fill("5");
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText("Saved. The ledger is reckoned anew.")).toBeVisible();
  await page.goto("/books/ferry-office/ledger?year=2024");
  await expect(page.locator("tfoot td:nth-child(5)")).not.toHaveText(before ?? "");
  // As it stood: other journeys read this book too.
  await page.goto("/books/ferry-office/site");
  await tilt.fill(stood);
  await page.getByRole("button", { name: "Save the site" }).click();
  await expect(page.getByText("Saved. The ledger is reckoned anew.")).toBeVisible();
  await page.goto("/books/ferry-office/ledger?year=2024");
  await expect(page.locator("tfoot td:nth-child(5)")).toHaveText(before ?? "");
});

test("a book can be started from a place and a roof", async ({ page }) => {
  await openNew(page);
  await expect(page).toHaveURL(/\/site$/);
  await expect(page.getByText(/20 modules, 8.0 kWp/)).toBeVisible();
});

test("a book that has bearing and tilt wrong is offered both, and stands right once they are taken", async ({ page, request }) => {
  const document = JSON.parse(readFileSync(fixture("dry-roof", "dry-roof.site.json"), "utf8")) as {
    name: string;
    arrays: { tiltDeg: number; azimuthDeg: number }[];
  };
  document.name = "Shed by a wrong book";
  document.arrays[0]!.tiltDeg -= 15;
  document.arrays[0]!.azimuthDeg += 25;
  await page.goto("/");
  const file = { name: "shed.site.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(document)) };
  await page.getByTestId("site-file").setInputFiles(file);
  await expect(page).toHaveURL(/readings$/);
  await bring(page, fixture("dry-roof", "weather.csv.gz"));
  await bring(page, fixture("dry-roof", "production.csv.gz"));
  const slug = new URL(page.url()).pathname.split("/")[2]!;
  const seek = async (isRight: boolean): Promise<void> => {
    await expect(async () => {
      const run = (await (await request.get(`/api/books/${slug}/causes`)).json()) as { isCurrent: boolean };
      expect(run.isCurrent).toBe(true);
      const report = (await (await request.get(`/api/books/${slug}/causes?report`)).json()) as {
        orientation: { planeOffset: object | null };
      } | null;
      expect(report!.orientation.planeOffset === null).toBe(isRight);
    }).toPass({ timeout: 60_000 });
    await page.goto(`/books/${slug}/ledger?view=causes`);
  };
  await seek(false);
  const finding = page.getByRole("listitem").filter({ hasText: "Acts like" });
  await expect(finding).toContainText(
    /Acts like ([6-9]|1[0-4])° west of south, ±\d°, and a tilt of 2[0-8]°, ±\d+°; the book says 35° west of south and 9°/,
  );
  await expect(page.getByText(/levels through the seasons by \d+(\.\d)?\D{1,3}and/)).toBeVisible();
  await page.getByRole("button", { name: "Take it as a revision" }).click();
  await expect
    .poll(async () => ((await (await request.get(`/api/books/${slug}`)).json()) as { site: { revisions: unknown[] } }).site.revisions)
    .toEqual([
      expect.objectContaining({
        change: { arrays: [expect.objectContaining({ azimuthDeg: expect.any(Number), tiltDeg: expect.any(Number) })] },
      }),
    ]);
  await seek(true);
  await expect(page.getByText(/The plane stands as the book says/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Take it as a revision" })).toHaveCount(0);
});
