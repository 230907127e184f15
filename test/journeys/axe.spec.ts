import AxeBuilder from "@axe-core/playwright";
import { expect, type Page, test } from "@playwright/test";

const SCREENS = [
  "/",
  "/books/packing-shed/ledger",
  "/books/packing-shed/ledger?year=all",
  "/books/packing-shed/ledger/2025-10",
  "/books/packing-shed/site",
  "/books/ferry-office/site?view=wiring",
  "/books/ferry-office/site?view=shade",
  "/books/ferry-office/site?view=losses",
  "/books/ferry-office/site?view=history",
  "/books/bore-field/bench",
  "/books/bore-field/bench?view=tilt",
  "/books/bore-field/bench?view=rows",
  "/books/bore-field/bench?view=ground",
  "/books/packing-shed/yield",
  "/books/packing-shed/yield?view=what-if",
  "/books/packing-shed/yield?view=methods",
  "/validation",
  "/books/packing-shed/readings",
  "/books/packing-shed/readings?view=type",
  "/books/packing-shed/readings?view=feeds",
  "/books/bore-field/readings?view=findings",
  "/books/packing-shed/readings?view=record",
  "/books/ferry-office/money",
  "/books/alpine-hut/ledger?view=causes",
  "/books/packing-shed/ledger?view=dirt",
  "/books/packing-shed/ledger?view=promise",
  "/books/packing-shed/ledger?view=figures",
  "/books/packing-shed/ledger/2025-09",
  "/books/packing-shed/ageing",
  "/books/ferry-office/ageing",
  "/books/hill-school/ageing",
  "/books/hill-school/ledger?view=dirt",
  "/books/hill-school/ledger?view=modules",
  "/trainer",
  "/open",
  "/books/ferry-office/money?view=bills",
  "/books/ferry-office/money?view=tariff",
  "/books/ferry-office/money?view=loan",
  "/books/packing-shed/money?view=cases",
  "/books/packing-shed/tests",
  "/books/packing-shed/tests?view=guarantee",
  "/books/packing-shed/tests?view=kept",
  "/books/packing-shed/field-book",
  "/books/packing-shed/field-book?view=spot",
  "/books/packing-shed/field-book?view=wall",
  "/books/hill-school/field-book?view=trials",
  "/books/packing-shed/field-book?view=change",
  "/books/bore-field/field-book?view=reminders",
  "/books/packing-shed/bench?view=mixed",
  "/books/packing-shed/bench?view=cable",
  "/books/packing-shed/bench?view=modules",
  "/books/alpine-hut/bench?view=snow",
  "/books/bore-field/bench?view=loads",
  "/bench",
  "/books/packing-shed/bench?view=costs",
  "/bench?view=gear",
  "/books/hill-school/bench?view=sides",
];

const SCHEMES = ["light", "dark"] as const;

/** The rule that hangs on the colours: a page in its other scheme is the same but for them. */
const OF_COLOURS = ["color-contrast"];
/** Targets under 24 px without room around them. Source: W3C, 2023, Web Content Accessibility Guidelines 2.2, criterion 2.5.8. */
const OF_TARGETS = "target-size";

/** What breaks a rule badly on the screen that stands, each with where it is: of all rules and the targets' size, or of some. */
async function seriousFaults(page: Page, rules?: string[]): Promise<string[]> {
  // The rules run in the page itself: three times as fast, and only frames would be missed, of which there are none.
  expect(page.frames()).toHaveLength(1);
  const builder = new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ["violations"], rules: { [OF_TARGETS]: { enabled: true } } });
  const { violations } = await (rules ? builder.withRules(rules) : builder).analyze();
  return violations.filter(({ id, impact }) => id === OF_TARGETS || impact === "serious" || impact === "critical").map(inShort);
}

type Result = Awaited<ReturnType<AxeBuilder["analyze"]>>["violations"][number];

const inShort = ({ id, nodes }: Result): string =>
  `${id}: ${nodes
    .slice(0, 3)
    .map((node) => node.html)
    .join(" | ")}`;

/** What sticks to the window's edge covers others only until they are scrolled; it is set down where it belongs. */
async function setDownWhatSticks(page: Page): Promise<void> {
  await page.evaluate(() => {
    for (const element of document.querySelectorAll<HTMLElement>("body *")) {
      if (["sticky", "fixed"].includes(getComputedStyle(element).position)) element.style.position = "static";
    }
  });
}

/** What comes late on a page has come by then. */
const SETTLED_MS = 1200;

/** What a page may move by itself while it comes, as a sum of shares of the window. Source: Web Vitals, cumulative layout shift; half of what counts as good there. */
const MOST_SHIFT = 0.05;

interface Shift extends PerformanceEntry {
  readonly value: number;
  readonly hadRecentInput: boolean;
}

/** Adds up what moves on each page from its first paint on. */
async function followShifts(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const sum = { value: 0 };
    Object.assign(window, { shiftSum: sum });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as Shift[]) if (!entry.hadRecentInput) sum.value += entry.value;
    }).observe({ type: "layout-shift", buffered: true });
  });
  return () => page.evaluate(() => (window as unknown as { shiftSum: { value: number } }).shiftSum.value);
}

/** Each width in halves, so that two workers end together. Dark colours are the same at both widths: the wide one looks at them. */
const PARTS = [1280, 390].flatMap((width) =>
  [0, 1].map((half) => ({ width, half, schemes: width === 1280 ? SCHEMES : SCHEMES.slice(0, 1) })),
);

for (const { width, half, schemes } of PARTS) {
  test(`no serious fault for anyone, ${width} px wide, half ${half + 1}`, async ({ browser }) => {
    test.setTimeout(600_000);
    const context = await browser.newContext({ colorScheme: "light", viewport: { width, height: 800 }, reducedMotion: "reduce" });
    const page = await context.newPage();
    const shifted = await followShifts(page);
    for (const screen of SCREENS.filter((_, k) => k % 2 === half)) {
      await page.emulateMedia({ colorScheme: "light" });
      await page.goto(screen);
      await page.waitForLoadState("load");
      await expect(page.locator("h1")).toBeVisible();
      await page.waitForTimeout(SETTLED_MS);
      expect.soft(await shifted(), `${screen} moves while it comes`).toBeLessThan(MOST_SHIFT);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect(overflow, `${screen} scrolls sideways`).toBeLessThanOrEqual(0);
      await setDownWhatSticks(page);
      for (const colorScheme of schemes) {
        await page.emulateMedia({ colorScheme });
        await expect(page.locator("html")).toHaveAttribute("data-mantine-color-scheme", colorScheme);
        expect.soft(await seriousFaults(page, colorScheme === "light" ? undefined : OF_COLOURS), `${screen} ${colorScheme}`).toEqual([]);
      }
    }
    await context.close();
  });
}
