import type { ModulePlan } from "@/core/comparison";
import type { ModuleType } from "@/core/site";
import { number, percent } from "../format";
import type { SunTold } from "../sun-told";
import type { Working } from "./working";

interface Facts {
  readonly sun: SunTold;
  readonly lifeYears: number;
  readonly discountFrac: number;
  readonly currency: string;
}

/** How the cost of a kilowatt-hour of one module came about. */
export const modulePlanWorking = (
  plan: ModulePlan,
  module: ModuleType,
  kwh: number | null,
  cost: number | null,
  facts: Facts,
): Working => ({
  title: plan.name,
  value: cost === null ? "–" : number(cost, 4),
  unit: `${facts.currency} a kWh`,
  formula: "cost ÷ Σ over years of kWh × (1 − ageing × year) ÷ (1 + discount)^(year + ½)",
  inputs: [
    { name: "Modules", value: `${plan.count} of ${number(module.pmpW)} W`, from: "this bench: for the goal" },
    { name: "System", value: `${number(plan.cost)} ${facts.currency}`, from: "modules, electronics, racking by area, all else" },
    { name: "A year", value: kwh === null ? "–" : `${number(kwh)} kWh`, from: `the chain over ${facts.sun.name}: ${facts.sun.from}` },
    { name: "Cells at 65 °C", value: percent(plan.hotFrac), from: "1 + γ × 40 K" },
    {
      name: "At 200 W/m²",
      value: plan.lowLightFrac === null ? "–" : percent(plan.lowLightFrac),
      from: "single diode from the datasheet, against 1000 W/m²",
    },
    { name: "Years, discount", value: `${facts.lifeYears}, ${percent(facts.discountFrac)}`, from: "money chapter" },
  ],
  source:
    "Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies; De Soto, Klein & Beckman, 2006.",
  assumptions: ["The first array's place, tilt and shade; inverters grow with the power.", "All modules age alike, as the book plans."],
});
