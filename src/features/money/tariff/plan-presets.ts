import { say } from "@/wording/screens/money-tariff";
import { draftOf, freshPlan, type PlanDraft, type SeasonDraft } from "./plan-draft";

/** A structure that plans often have: its seasons, bands and credit, and no price. */
export interface PlanPreset {
  readonly id: string;
  readonly name: string;
  readonly draft: (planId: string, from: string) => PlanDraft;
}

const band = (name: string, hours = "", days = "all", prices = "") => ({ name, days, hours, prices });
const year = (...bands: SeasonDraft["bands"]): SeasonDraft[] => [{ name: "year", months: "1-12", bands }];

function preset(id: string, name: string, seasons: readonly SeasonDraft[], parts: Partial<PlanDraft> = {}): PlanPreset {
  return { id, name, draft: (planId, from) => ({ ...draftOf(freshPlan(planId, from)), name, seasons, ...parts }) };
}

const credit = (kind: PlanDraft["credit"]["kind"], parts: Partial<PlanDraft["credit"]> = {}): Partial<PlanDraft> => ({
  credit: { kind, perKwh: kind === "net-metering" ? null : "", trueUpMonth: null, trueUpPerKwh: null, ...parts },
});

/** Structures to begin with; every price is left to whoever has the bill. */
export const PLAN_PRESETS: readonly PlanPreset[] = [
  preset("flat", say.onePriceAllDay, year(band("all day"))),
  preset("two-band", say.dayAndNight, year(band("day", "7-22", "weekdays"), band(say.nightAndWeekend))),
  preset("two-winter-peaks", say.threeSeasonsTwoWinterPeaks, [
    {
      name: "winter",
      months: "11-2",
      bands: [band("morning peak", "6-9", "weekdays"), band("evening peak", "17-21", "weekdays"), band("off-peak")],
    },
    { name: "between", months: "3-5, 9-10", bands: [band("peak", "16-21", "weekdays"), band("off-peak")] },
    { name: "summer", months: "6-8", bands: [band("peak", "14-20", "weekdays"), band("off-peak")] },
  ]),
  preset("tiers", say.tiersOfAMonth, year(band("all day", "", "all", "300: ; "))),
  preset("demand", say.withADemandCharge, year(band("all day")), { demand: { perKw: "", days: "weekdays", hours: [[7, 20]] } }),
  preset("feed-in", say.exportsPaidApart, year(band("all day")), credit("feed-in")),
  preset("net-billing", say.exportsAreMoney, year(band("all day")), credit("net-billing", { trueUpMonth: 3 })),
  preset("net-metering", say.exportsPayForKwh, year(band("all day")), credit("net-metering", { trueUpMonth: 3 })),
];
