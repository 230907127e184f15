import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";

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
  "/books/packing-shed/readings?view=health",
  "/books/ferry-office/money",
  "/books/alpine-hut/ledger?view=causes",
  "/books/packing-shed/ledger?view=dirt",
  "/books/packing-shed/ledger?view=promise",
  "/books/packing-shed/ledger?view=figures",
  "/books/packing-shed/ledger/2025-09",
  "/books/packing-shed/ageing",
  "/trainer",
  "/books/ferry-office/money?view=bills",
  "/books/ferry-office/money?view=tariff",
  "/books/ferry-office/money?view=loan",
  "/books/packing-shed/money?view=cases",
  "/books/packing-shed/field-book",
  "/books/packing-shed/field-book?view=spot",
  "/books/packing-shed/field-book?view=inverter",
  "/books/hill-school/field-book?view=trials",
  "/books/packing-shed/field-book?view=change",
  "/books/bore-field/field-book?view=reminders",
  "/books/packing-shed/bench?view=mixed",
  "/books/packing-shed/bench?view=cable",
  "/books/packing-shed/bench?view=modules",
  "/books/alpine-hut/bench?view=snow",
  "/books/bore-field/bench?view=loads",
];

/** Colours go with the theme and layout with the width: two passes, and not four. Both measure every screen; the rules, which take seconds a page, are run on every fourth screen in both and on the others in turn. */
const PASSES = [
  { colorScheme: "light", width: 1280, turn: 0 },
  { colorScheme: "dark", width: 390, turn: 1 },
] as const;
const isRuled = (k: number, turn: number): boolean => k % 4 === 0 || k % 2 === turn;

for (const { colorScheme, width, turn } of PASSES) {
  test(`no serious fault for anyone, ${colorScheme}, ${width} px wide`, async ({ browser }) => {
    test.setTimeout(400_000);
    const context = await browser.newContext({ colorScheme, viewport: { width, height: 800 }, reducedMotion: "reduce" });
    const page = await context.newPage();
    for (const [k, screen] of SCREENS.entries()) {
      await page.goto(screen);
      await page.waitForLoadState("load");
      await expect(page.locator("h1")).toBeVisible();
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect(overflow, `${screen} scrolls sideways`).toBeLessThanOrEqual(0);
      if (!isRuled(k, turn)) continue;
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations.filter(({ impact }) => impact === "serious" || impact === "critical");
      expect(
        serious.map(
          ({ id, nodes }) =>
            `${screen} ${id}: ${nodes
              .slice(0, 3)
              .map((node) => node.html)
              .join(" | ")}`,
        ),
      ).toEqual([]);
    }
    await context.close();
  });
}
