import { DEMO_BOOKS } from "@simulators";
import { billsHousePlans } from "@test/bills-house";
import { describe, expect, it } from "vitest";
import type { PlanDocument } from "@/contracts/tariff";
import type { CaseTerms } from "@/core/money";
import { decide } from "@/core/money";
import { answerSentence, flipWords } from "@/features/money/cases/case-words";
import { draftOf, freshPlan, planOfDraft } from "@/features/money/tariff/plan-draft";
import { parseSite } from "@/formats/site-json";
import { money } from "@/wording/format";

const demoPlans = DEMO_BOOKS.flatMap((book) => {
  const reading = parseSite(book.site);
  return reading.ok ? [...reading.document.money.plans, ...reading.document.money.offers] : [];
});

const inOrder = (plan: PlanDocument): PlanDocument => ({
  ...plan,
  seasons: plan.seasons.map((season) => ({ ...season, months: [...season.months].sort((a, b) => a - b) })),
});

describe("a plan as it is typed", () => {
  it("means the plan that it was drawn from, levies and taxes with their names", () => {
    expect(demoPlans.length).toBeGreaterThan(3);
    for (const plan of [...demoPlans, ...billsHousePlans])
      expect(planOfDraft(draftOf(plan), plan)).toEqual({ plan: inOrder(plan), faults: [] });
  });
  it("reads months over the turn of the year, hours with minutes, tiers, and decimal commas", () => {
    const draft = draftOf(freshPlan("p", "2024-01-01"));
    const season = {
      name: "winter",
      months: "10-3",
      bands: [{ name: "peak", days: "weekdays", hours: "7:30-20, 22-6", prices: "300: 0,21; 0.28" }],
    };
    const { plan } = planOfDraft({ ...draft, seasons: [season], taxPercent: "19", levyPerKwh: "0,02" }, null);
    expect(plan!.seasons[0]).toMatchObject({
      months: [1, 2, 3, 10, 11, 12],
      bands: [
        {
          hours: [
            [7.5, 20],
            [22, 6],
          ],
          tiers: [
            { upToKwh: 300, perKwh: "0.21" },
            { upToKwh: null, perKwh: "0.28" },
          ],
        },
      ],
    });
    expect([plan!.taxes[0]!.frac, plan!.levies[0]!.perKwh]).toEqual([0.19, "0.02"]);
    expect(draftOf(plan!).seasons[0]!.months).toBe("10-3");
  });
  it("says where it can't be read", () => {
    const draft = draftOf(freshPlan("p", "2024-01-01"));
    const { plan, faults } = planOfDraft({ ...draft, seasons: [{ ...draft.seasons[0]!, months: "13" }] }, null);
    expect(plan).toBeNull();
    expect(faults[0]).toContain("year, months");
  });
});

describe("a decision in words", () => {
  const side = (name: string, kwh: number, cost = 0) => ({
    name,
    monthsKwh: new Array<number>(12).fill(kwh),
    sums: cost > 0 ? [{ what: "work", afterYears: 0, amount: cost.toFixed(2) }] : [],
    perYear: [],
    ageingPerYearFrac: 0,
    endsAfterYears: null,
  });
  const terms: CaseTerms = { currency: "EUR", perKwh: "0.20", rises: new Array<number>(10).fill(1), discountFrac: 0, horizonYears: 10 };
  const answer = (cost: number) => ({
    baseName: "As it stands",
    decisions: [decide(side("As it stands", 100), side("Turned", 110, cost), terms)],
  });
  const worded = (cost: number): string => answerSentence(answer(cost).baseName, answer(cost).decisions, terms);
  it("says what to do, what it brings, and the price and cost at which it turns", () => {
    expect(worded(100)).toBe(
      "Turned: 120 kWh a year more, ahead by 140 EUR over 10 years in today's money, paid back in 4.2 years. Worth it while a kWh stays above 0.0833 EUR (now 0.20), or while the extra cost stays under 240.",
    );
  });
  it("says to leave it when nothing pays, and what would have to be", () => {
    expect(worded(1000)).toContain("As it stands: nothing else pays.");
    expect(worded(1000)).toContain("It would be worth it if a kWh were above 0.8333 EUR (now 0.20)");
    expect(flipWords(answer(1000).decisions[0]!, "EUR")).toBe("0.8333 EUR a kWh");
  });
});

describe("sums as people write them", () => {
  it("keep the digits of their currency", () => {
    expect([money("1234567.50"), money("1200"), money("-3.125")]).toEqual(["1\u202f234\u202f567.50", "1\u202f200", "\u22123.125"]);
  });
});
