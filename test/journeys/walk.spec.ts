import { expect, type Page, test } from "@playwright/test";
import { type Answer, type Basis, mayBeSaid } from "../../src/core/basis";
import { openBook } from "../open-book";
import { go } from "./go";

type Rests = Pick<Basis, "weather" | "energy">;

const plant = (name: string, file: string): string => `test/fixtures/plants/${name}/${file}`;

/** How a page looks that answers: by what it marks, or by what it says. Only what claims something counts; what says that it can't does not. */
const CLAIMS: Readonly<Partial<Record<Answer, { readonly marks: string; readonly says: readonly RegExp[] }>>> = {
  "expected-this-time": {
    marks: '[data-figure^="performance-index/"], [data-figure^="unexplained"]',
    says: [/performance index (of )?\d/i],
  },
  "share-of-weather": { marks: '[data-figure^="weather-share/"]', says: [] },
  ageing: { marks: '[data-figure^="ageing-rate/"]', says: [/Ageing [−\d.,]+\s?%/, /within the warranty/i, /below the warranty/i] },
  causes: {
    marks: '[data-figure^="found/"]',
    says: [
      /\d+ causes touch this span/,
      /One cause touches this span/,
      /Nothing is found beside the plan/,
      /No dirt is told from the readings/,
      /Dirt grows by/,
    ],
  },
  "metered-against-promise": { marks: '[data-figure^="promise-ratio/"]', says: [/% of the promise/] },
};

/** Every page of a book that answers something. */
const PAGES = [
  "ledger",
  "ledger?view=causes",
  "ledger?view=dirt",
  "ledger?view=promise",
  "ledger?view=figures",
  "ageing",
  "yield",
  "readings?view=findings",
  "money",
  "money?view=bills",
  "money?view=tariff",
  "money?view=cases",
  "tests",
  "tests?view=guarantee",
  "tests?view=kept",
  "field-book?view=wall",
  "bench?view=tilt",
  "bench?view=costs",
] as const;

/** The claims that a page makes. */
async function claimsOn(page: Page): Promise<Map<Answer, string>> {
  const found = new Map<Answer, string>();
  const text = ((await page.locator("main").first().textContent()) ?? "").replace(/[\u202f\u00a0]/g, " ");
  for (const [answer, { marks, says }] of Object.entries(CLAIMS) as [Answer, NonNullable<(typeof CLAIMS)[Answer]>][]) {
    const said = says.map((pattern) => pattern.exec(text)?.[0]).find(Boolean);
    const marked = await page.locator(marks).count();
    if (said !== undefined || marked > 0) found.set(answer, said ?? `${marked} × ${marks}`);
  }
  return found;
}

/** Walks a book; every claim that its basis does not carry, with its page. */
async function walk(page: Page, slug: string, rests: Rests, seen: Set<Answer>): Promise<string[]> {
  const wrong: string[] = [];
  for (const path of PAGES) {
    await go(page, `/books/${slug}/${path}`);
    await expect(page.locator("main").first()).toBeVisible();
    await expect(page.locator("[data-fleeting]")).toHaveCount(0, { timeout: 45_000 });
    for (const [answer, claim] of await claimsOn(page)) {
      seen.add(answer);
      if (mayBeSaid(answer, rests).permission === "withheld") wrong.push(`${rests.weather}/${rests.energy} ${path}: ${answer}: ${claim}`);
    }
  }
  return wrong;
}

/** What is printed for programs claims no more than the screens. */
async function printed(page: Page, slug: string, rests: Rests): Promise<string[]> {
  const read = async (path: string): Promise<Record<string, unknown>> =>
    (await (await page.request.get(`/api/books/${slug}/${path}`)).json()) as Record<string, unknown>;
  const wrong: string[] = [];
  const { months = [] } = (await read("ledger")) as {
    months?: { key: string; unexplainedKwh: number | null; usualKwh: number; expectedKwh: number }[];
  };
  if (mayBeSaid("expected-this-time", rests).permission === "withheld")
    for (const { key, unexplainedKwh, usualKwh, expectedKwh } of months)
      if (unexplainedKwh !== null && !(usualKwh > expectedKwh / 2)) wrong.push(`ledger.json ${key}: unexplained ${unexplainedKwh}`);
  const causes = ((await read("causes?report=1")) ?? {}) as { ageing?: { perYearFrac: number | null } | null; findings?: unknown[] };
  if (mayBeSaid("ageing", rests).permission === "withheld" && (causes.ageing?.perYearFrac ?? null) !== null)
    wrong.push("causes.json: a rate of ageing");
  if (mayBeSaid("causes", rests).permission === "withheld" && (causes.findings ?? []).length > 0) wrong.push("causes.json: findings");
  return wrong;
}

/** Gives the search for causes its time, where there is anything to seek them in. */
async function sought(page: Page, slug: string): Promise<void> {
  for (let look = 0; look < 60; look++) {
    const { state } = (await (await page.request.get(`/api/books/${slug}/causes`)).json()) as { state: string };
    if (state !== "waiting" && state !== "running") return;
    await page.waitForTimeout(500);
  }
}

async function put(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Put it in the book" }).click();
  await expect(page.getByTestId("import-done")).toContainText("is in the book");
}

async function bring(page: Page, slug: string, file: string): Promise<void> {
  await page.goto(`/books/${slug}/readings`);
  await page.getByTestId("file").setInputFiles(file);
  await expect(page.getByTestId("preview")).toBeVisible();
  await put(page);
}

/** What somebody kept by hand, pasted into the table for it. */
async function typeIn(page: Page, slug: string, kind: string, first: string, lines: readonly string[]): Promise<void> {
  await page.goto(`/books/${slug}/readings?view=type`);
  await page.getByText(kind, { exact: true }).click();
  await page.getByRole("textbox", { name: `${first}, row 1`, exact: true }).focus();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData("text/plain", text);
    document.activeElement!.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, lines.join("\n"));
  await page.getByRole("button", { name: `Look at ${lines.length} rows` }).click();
  await expect(page.getByTestId("preview")).toBeVisible();
  await put(page);
}

const MONTHS_KWH = [310, 420, 640, 800, 900, 930, 960, 900, 700, 520, 350, 280];
const monthKey = (k: number): string => `${2021 + Math.floor(k / 12)}-${String((k % 12) + 1).padStart(2, "0")}`;
const THIRTY_MONTHS = Array.from({ length: 30 }, (_, k) => `${monthKey(k)}\t${MONTHS_KWH[k % 12]! + k}`);

/** Bills that print what was produced. */
async function sendBills(page: Page, slug: string): Promise<void> {
  const bills = Array.from({ length: 14 }, (_, k) => ({
    from: `${monthKey(k)}-01`,
    to: `${monthKey(k)}-28`,
    importKwh: 200,
    exportKwh: 100,
    productionKwh: MONTHS_KWH[k % 12],
    amount: "50.00",
  }));
  const origin = new URL(page.url()).origin;
  const sent = await page.request.put(`/api/books/${slug}/bills`, { data: { bills, version: 0 }, headers: { origin } });
  expect(sent.status(), await sent.text()).toBe(200);
}

async function pickClimate(page: Page, slug: string, label: string): Promise<void> {
  await page.goto(`/books/${slug}/readings?view=type`);
  await page.getByText("Sunshine", { exact: true }).click();
  await page.getByLabel("Fill in by climate").selectOption({ label });
  await page.getByRole("button", { name: "Look at the year" }).click();
  await put(page);
}

async function bookOfFile(page: Page, name: string): Promise<string> {
  await page.goto("/");
  await page.getByTestId("site-file").setInputFiles(plant(name, `${name}.site.json`));
  await expect(page).toHaveURL(/readings$/);
  return new URL(page.url()).pathname.split("/")[2]!;
}

test("no screen and no file claims more than what a book rests on", async ({ page }) => {
  test.setTimeout(600_000);
  const seen = new Set<Answer>();
  const wrong: string[] = [];
  const look = async (slug: string, rests: Rests): Promise<void> => {
    if (rests.energy !== "none" && rests.weather !== "none") await sought(page, slug);
    wrong.push(...(await walk(page, slug, rests, seen)), ...(await printed(page, slug, rests)));
  };

  // A roof and a place.
  const roof = await openBook(page, "18 × 400 W, 30° south, 6 kW inverter");
  await look(roof, { weather: "none", energy: "none" });
  // With months, then with a climate's sun beside them, and the book's own meter's.
  await typeIn(page, roof, "Months", "month", THIRTY_MONTHS);
  await look(roof, { weather: "none", energy: "months" });
  await pickClimate(page, roof, "Dry summer, mild wet winter");
  await look(roof, { weather: "climate", energy: "months" });

  // With bills alone.
  const billed = await openBook(page, "10 × 400 W, 20° south, 4 kW inverter");
  await sendBills(page, billed);
  await look(billed, { weather: "none", energy: "bills" });
  await pickClimate(page, billed, "Dry summer, mild wet winter");
  await look(billed, { weather: "climate", energy: "bills" });

  // Intervals of a real logger, alone, and with a usual year's light.
  const ranch = await bookOfFile(page, "southern-ranch");
  await bring(page, ranch, plant("southern-ranch", "production.csv.gz"));
  await look(ranch, { weather: "none", energy: "intervals" });
  await pickClimate(page, ranch, "Dry grassland: sunny, some rain");
  await look(ranch, { weather: "monthly-means", energy: "intervals" });

  // Measured light with months alone.
  const house = await bookOfFile(page, "bills-house");
  await bring(page, house, plant("bills-house", "weather.csv.gz"));
  await bring(page, house, plant("bills-house", "production.csv.gz"));
  await look(house, { weather: "measured", energy: "months" });

  // Measured light with intervals carries all of it: what is looked for above is there where it may be.
  await look("packing-shed", { weather: "measured", energy: "intervals" });

  expect(wrong).toEqual([]);
  expect([...seen].sort()).toEqual(Object.keys(CLAIMS).sort());
});
