import { describe, expect, it } from "vitest";
import { planWeeks } from "@/core/money";
import { draftFaults } from "./PlanEditor";
import { priced, shapeOfDraft } from "./plan-draft";
import { PLAN_PRESETS } from "./plan-presets";

const drafts = PLAN_PRESETS.map((preset) => [preset.id, preset.draft("p", "2024-07-15")] as const);
describe("structures that a plan can begin with", () => {
  it.each(drafts)("%s is drawn for every hour and month before a price is typed, and can't be stored without one", (_, draft) => {
    const weeks = planWeeks(shapeOfDraft(draft)!);
    expect(weeks.flatMap(({ season }) => season.months).sort((a, b) => a - b)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    for (const { weekdays, weekends } of weeks) expect([...weekdays, ...weekends].some(({ band }) => band === null)).toBe(false);
    expect(draftFaults(draft, null, "EUR").length).toBeGreaterThan(0);
  });

  it.each(drafts)("%s wants nothing but its prices", (_, draft) => expect(draftFaults(priced(draft), null, "EUR")).toEqual([]));

  it("that are wrong otherwise stay wrong with prices, and typed ones are left alone", () => {
    const [, draft] = drafts[1]!;
    expect(draftFaults(priced({ ...draft, from: "soon" }), null, "EUR").length).toBeGreaterThan(0);
    const typed = {
      ...draft,
      seasons: draft.seasons.map((season) => ({ ...season, bands: season.bands.map((band) => ({ ...band, prices: "300: 0.20; 0.30" })) })),
    };
    expect(priced(typed)).toEqual(typed);
  });

  it("of two winter peaks have both on weekdays, and the same band for the rest", () => {
    const draft = drafts.find(([id]) => id === "two-winter-peaks")![1];
    const winter = planWeeks(shapeOfDraft(draft)!)[0]!;
    expect(winter.weekdays.map(({ band }) => band)).toEqual([2, 0, 2, 1, 2]);
    expect(winter.weekends).toHaveLength(1);
  });

  it("can't be drawn while their hours can't be read", () => {
    const [, draft] = drafts[1]!;
    const season = draft.seasons[0]!;
    expect(shapeOfDraft({ ...draft, seasons: [{ ...season, bands: [{ ...season.bands[0]!, hours: "7 to" }] }] })).toBeNull();
  });
});
