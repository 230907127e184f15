import type { MoneyReport, Payback } from "@/core/money";
import type { Site } from "@/core/site";
import { money, number, percent, yearsAndMonths } from "@/features/figures/format";
import type { Working } from "./working";

export interface MoneyContext {
  readonly site: Site;
  readonly energy: MoneyReport["energies"][number];
  readonly payback: Payback;
}

const BASIS_WORDS = {
  metered: "metered months; the mean of each calendar month, unread time filled from the model, brought back to the first year",
  expected: "expected months; the mean of each calendar month, brought back to the first year",
  promise: "the promise of the design statement",
} as const;

function terms({ site, energy, payback }: MoneyContext): Working["inputs"] {
  const { tariff } = site.money;
  return [
    { name: "Net cost", value: `${money(payback.netCost)} ${site.currency}`, from: "costs less incentives, site document" },
    { name: "Energy of the first year", value: `${number(energy.firstYearKwh)} kWh`, from: BASIS_WORDS[energy.basis] },
    {
      name: "Worth of a kWh",
      value: `${payback.valuePerKwh} ${site.currency}`,
      from: `${percent(tariff.selfUsedFrac, 0)} at ${tariff.importPerKwh ?? "–"}, the rest at ${tariff.exportPerKwh ?? "0"}`,
    },
  ];
}

export function simpleWorking(context: MoneyContext): Working {
  return {
    title: "Simple payback",
    value: context.payback.simpleYears === null ? "never" : number(context.payback.simpleYears, 2),
    unit: "years",
    formula: "net cost ÷ (energy of the first year × worth of a kWh)",
    inputs: terms(context),
    source: "Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies.",
    assumptions: ["Every year is worth as much as the first: no price rise, no ageing, no upkeep.", "No interest on money."],
  };
}

export function risingWorking(context: MoneyContext): Working {
  const { site, payback } = context;
  return {
    title: "Payback with price rise and ageing",
    value: payback.risingYears === null ? "not within the horizon" : number(payback.risingYears, 2),
    unit: payback.risingYears === null ? "" : `years (${yearsAndMonths(payback.risingYears)})`,
    formula: "the moment at which Σ energy(year) × worth × (1 + rise)^(year − 1) reaches the net cost",
    inputs: [
      ...terms(context),
      { name: "Price rise", value: `${percent(site.money.tariff.priceRisePerYearFrac)} a year`, from: "tariff" },
      {
        name: "Ageing",
        value: `${percent(site.ageing.firstYearFrac, 2)}, then ${percent(site.ageing.perYearFrac, 2)} a year`,
        from: "site chapter",
      },
    ],
    source: "Short, Packey & Holt, 1995; ageing linear in nameplate, Jordan & Kurtz, 2013.",
    assumptions: [
      "The price holds for the first year and rises at each anniversary of commissioning.",
      "Within a year savings come evenly.",
      "No upkeep, no interest on money.",
    ],
  };
}

export function firstYearWorking(context: MoneyContext): Working {
  const { energy } = context;
  return {
    title: "Energy of the first year",
    value: number(energy.firstYearKwh),
    unit: "kWh",
    formula:
      energy.basis === "promise"
        ? "Σ twelve promised months"
        : "Σ over calendar months of mean(energy ÷ ageing of its time) × ageing of the first year",
    inputs: [
      { name: "Months used", value: number(energy.monthsUsed), from: "the ledger" },
      { name: "Taken from", value: energy.basis, from: BASIS_WORDS[energy.basis] },
    ],
    source: "The ledger of this book.",
    assumptions: ["Each calendar month weighs once, however many years it was read, so that missing springs do not pass for winters."],
  };
}
