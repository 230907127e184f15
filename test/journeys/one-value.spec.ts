import { readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { go } from "./go";

/** A figure as some screen, file or answer has it. */
interface Seen {
  readonly where: string;
  readonly text: string;
  readonly value: number;
  /** Half of the last digit that is shown. */
  readonly offBy: number;
}

const BOOKS = ["packing-shed", "alpine-hut", "bore-field", "hill-school", "ferry-office"] as const;
const YEARS = ["2025", "all"] as const;

/** The first number of a text: thin spaces group, the minus sign is a true one. */
function numberOf(text: string): Pick<Seen, "value" | "offBy"> | null {
  const found = /[−-]?\d[\d\u202f\u2009]*(?:\.\d+)?/.exec(text.replaceAll("\u00a0", "\u202f"));
  if (!found) return null;
  const plain = found[0].replaceAll(/[\u202f\u2009]/g, "").replace("−", "-");
  const share = text.includes("%") ? 100 : 1;
  const decimals = plain.split(".")[1]?.length ?? 0;
  return { value: Number(plain) / share, offBy: (0.5 * 10 ** -decimals) / share };
}

class Gathered {
  private readonly byName = new Map<string, Seen[]>();
  add(name: string, where: string, text: string): void {
    const number = numberOf(text);
    if (number) this.put(name, { where, text, ...number });
  }
  exact(name: string, where: string, value: number | null): void {
    if (value !== null) this.put(name, { where, text: String(value), value, offBy: 0 });
  }
  private put(name: string, seen: Seen): void {
    this.byName.set(name, [...(this.byName.get(name) ?? []), seen]);
  }
  /** Names under which two places differ by more than their rounding. */
  contradictions(): string[] {
    return [...this.byName].flatMap(([name, seen]) => {
      const [first] = seen.toSorted((a, b) => a.offBy - b.offBy);
      const other = seen.find(({ value, offBy }) => Math.abs(value - first!.value) > offBy + first!.offBy + 1e-9);
      return other ? [`${name}: ${first!.text} (${first!.where}), ${other.text} (${other.where})`] : [];
    });
  }
  /** Names that stand in more than one place. */
  shared(): string[] {
    return [...this.byName].filter(([, seen]) => new Set(seen.map(({ where }) => where)).size > 1).map(([name]) => name);
  }
}

const views = (slug: string): string[] => [
  "/",
  ...YEARS.flatMap((year) => [
    `/books/${slug}/ledger?year=${year}`,
    ...["causes", "dirt", "promise", "figures"].map((view) => `/books/${slug}/ledger?year=${year}&view=${view}`),
    `/books/${slug}/yield?year=${year}`,
  ]),
  `/books/${slug}/ledger?year=2024`,
  `/books/${slug}/ledger/2025-10`,
  `/books/${slug}/ledger/2024-02`,
  `/books/${slug}/yield?year=2025&view=what-if`,
  `/books/${slug}/ageing`,
  ...["payback", "bills", "tariff", "cases"].map((view) => `/books/${slug}/money?view=${view}`),
  `/books/${slug}/readings`,
  `/books/${slug}/field-book`,
];

async function gather(page: Page, slug: string, path: string, all: Gathered): Promise<void> {
  await go(page, path);
  await page.locator("main h1").first().waitFor();
  // What is still being reckoned comes by itself.
  await expect(page.locator("[data-fleeting]")).toHaveCount(0, { timeout: 45_000 });
  const figures = await page.locator("[data-figure]").evaluateAll((marks) =>
    marks.map((mark) => ({
      name: mark.getAttribute("data-figure")!,
      book: mark.closest("[data-book]")?.getAttribute("data-book") ?? null,
      text: mark.textContent,
    })),
  );
  for (const { name, book, text } of figures) if (book === null || book === slug) all.add(name, path, text);
}

/** Columns of the saved table, and the figures that they hold. */
const COLUMNS: Readonly<Record<string, string>> = {
  reference_kwh: "reference",
  expected_kwh: "expected",
  found_kwh: "found",
  data_gap_kwh: "data-gap",
  unexplained_kwh: "unexplained",
  metered_kwh: "metered",
  performance_index: "performance-index",
  promise_kwh: "promise",
  data_availability_frac: "data-availability",
  found_downtime_kwh: "found-downtime",
  found_soiling_kwh: "found-soiling",
  design_soiling_kwh: "design-soiling",
  design_ageing_kwh: "design-ageing",
};

async function table(page: Page, slug: string, all: Gathered): Promise<void> {
  const path = `/books/${slug}/ledger?year=2025`;
  await page.goto(path);
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Save as CSV" }).click()]);
  const [head, ...rows] = readFileSync(await download.path(), "utf8")
    .trim()
    .split(/\r?\n/)
    .map((line) => line.split(","));
  for (const row of rows)
    for (const [column, name] of Object.entries(COLUMNS)) {
      const cell = row[head!.indexOf(column)];
      if (cell) all.exact(`${name}/${row[0] === "sum" ? "2025" : row[0]}`, `CSV of ${path}`, Number(cell));
    }
}

interface Line {
  readonly key: string;
  readonly expectedKwh: number;
  readonly meteredKwh: number | null;
  readonly dataGapKwh: number;
  readonly unexplainedKwh: number | null;
  readonly promiseKwh: number | null;
  readonly foundKwh: Readonly<Record<string, number>>;
}

async function answer(page: Page, slug: string, all: Gathered): Promise<void> {
  const path = `/api/books/${slug}/ledger`;
  const { months, years, all: whole } = (await (await page.request.get(path)).json()) as { months: Line[]; years: Line[]; all: Line };
  for (const line of [...months, ...years, whole]) {
    all.exact(`expected/${line.key}`, path, line.expectedKwh);
    all.exact(`metered/${line.key}`, path, line.meteredKwh);
    all.exact(`data-gap/${line.key}`, path, line.dataGapKwh);
    all.exact(`unexplained/${line.key}`, path, line.unexplainedKwh);
    all.exact(`promise/${line.key}`, path, line.promiseKwh);
    for (const [account, kwh] of Object.entries(line.foundKwh)) all.exact(`found-${account}/${line.key}`, path, kwh);
  }
}

for (const slug of BOOKS) {
  test(`${slug}: a figure has one value on every screen, in every file and answer`, async ({ page }) => {
    test.setTimeout(240_000);
    const all = new Gathered();
    for (const path of views(slug)) await gather(page, slug, path, all);
    await page.setViewportSize({ width: 390, height: 844 });
    for (const path of [`/books/${slug}/ledger?year=2025`, `/books/${slug}/yield?year=2025`, "/"]) await gather(page, slug, path, all);
    await table(page, slug, all);
    await answer(page, slug, all);
    expect(all.contradictions()).toEqual([]);
    // It would see one: the figures that several places share are many, and each stands in files and answers too.
    expect(all.shared().length).toBeGreaterThan(80);
  });
}
