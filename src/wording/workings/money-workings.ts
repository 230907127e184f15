// Longer than a file should be, on purpose: every working of money in one catalogue, so that like things are said alike.
import type { BillsReport, SavingsMethodName } from "@/contracts/money";
import type { BillParts, CountedFrom, Decision, MoneyReport, Payback, PaybackSpread, PaybackTerms, ValueSoFar } from "@/core/money";
import type { Site } from "@/core/site";
import { dateName, money, number, percent, yearsAndMonths } from "../format";
import { noReturnWords, paybackIntervalWords } from "../money";
import type { Working } from "./working";

export interface MoneyContext {
  readonly site: Site;
  readonly energy: MoneyReport["energies"][number];
  readonly payback: Payback;
  readonly terms: PaybackTerms;
  /** Ageing was read from the readings, not taken from the book. */
  readonly isAgeingRead: boolean;
}

const BASIS_WORDS = {
  metered: "metered months; the mean of each calendar month, gaps filled from the model, brought back to the first year",
  expected: "expected months; the mean of each calendar month, brought back to the first year",
  promise: "the promise of the design statement",
} as const;

const SHORT = "Short, Packey & Holt, 1995, A manual for the economic evaluation of energy efficiency and renewable energy technologies.";

function inputsOf({ site, energy, payback, terms }: MoneyContext): Working["inputs"] {
  const { tariff } = site.money;
  return [
    {
      name: "Net cost",
      value: `${money(payback.netCost)} ${site.currency}`,
      from: "costs less incentives within a year of the start, site document",
    },
    { name: "Energy of the first year", value: `${number(energy.firstYearKwh)} kWh`, from: BASIS_WORDS[energy.basis] },
    {
      name: "Worth of a kWh",
      value: `${payback.valuePerKwh} ${site.currency}`,
      from: `${percent(terms.selfUsedFrac, 0)}${terms.isSelfUseAssumed ? " (assumed: nobody told it)" : ""} at ${tariff.importPerKwh ?? "–"}, the rest at ${tariff.exportPerKwh ?? "0"}`,
    },
  ];
}

export function simpleWorking(context: MoneyContext): Working {
  return {
    title: "Simple payback",
    value: context.payback.simpleYears === null ? "never" : number(context.payback.simpleYears, 2),
    unit: "years",
    formula: "net cost ÷ (energy of the first year × worth of a kWh)",
    inputs: inputsOf(context),
    source: SHORT,
    assumptions: ["Every year is worth as much as the first: no price rise, no ageing, no upkeep.", "No interest on money."],
  };
}

function exportWords({ exportPerKwh, exportRisePerYearFrac = 0, exportEnd }: MoneyContext["terms"]): string {
  if (exportPerKwh === null) return "nothing is paid";
  const end = exportEnd
    ? `, until ${number(exportEnd.afterYears, 1)} years after commissioning, then ${exportEnd.thenPerKwh ?? "nothing"}`
    : "";
  return `${exportPerKwh}, rising ${percent(exportRisePerYearFrac)} a year${end}`;
}

/** Inputs of every way that looks beyond the first year. */
function laterInputs(context: MoneyContext): Working["inputs"] {
  const { site, terms, isAgeingRead } = context;
  const { perYear } = site.money.running;
  const later = terms.later ?? [];
  return [
    ...inputsOf(context),
    { name: "Price rise", value: `${percent(terms.priceRisePerYearFrac)} a year`, from: "terms, of bought energy" },
    { name: "Exported", value: exportWords(terms), from: "terms" },
    {
      name: "Ageing",
      value: `${percent(terms.ageing.firstYearFrac, 2)}, then ${percent(terms.ageing.perYearFrac, 2)} a year`,
      from: isAgeingRead ? "read in the Ageing chapter" : "the book's; the Ageing chapter can't tell yet",
    },
    { name: "Upkeep", value: perYear.map(({ what, amount }) => `${what} ${amount}`).join(", ") || "none", from: "terms, a year, rising" },
    {
      name: "Once",
      value:
        later.map(({ what, amount, afterYears }) => `${what} ${amount} after ${Number(afterYears.toFixed(1))} years`).join(", ") || "none",
      from: "terms",
    },
  ];
}

export function risingWorking(context: MoneyContext): Working {
  const { payback } = context;
  return {
    title: "Payback with rise, ageing and upkeep",
    value: payback.risingYears === null ? "not within the horizon" : number(payback.risingYears, 2),
    unit: payback.risingYears === null ? "" : `years (${yearsAndMonths(payback.risingYears)})`,
    formula: "the moment at which Σ energy(year) × worth × (1 + rise)^(year − 1) − upkeep − replacements reaches the net cost",
    inputs: laterInputs(context),
    source: "Short, Packey & Holt, 1995; ageing linear in nameplate, Jordan & Kurtz, 2013.",
    assumptions: [
      "The price holds for the first year counted and rises at each anniversary.",
      "Within a year savings come evenly; a replacement falls in the year in which it is due.",
      "No interest on money.",
    ],
  };
}

/** When a sum that came later is back on its own. */
export function returnOfWorking({ what, on, amount }: CountedFrom["later"][number], years: number | null, context: MoneyContext): Working {
  return {
    title: `Return of ${what || "a later cost"}`,
    value: years === null ? "not within the horizon" : number(years, 2),
    unit: years === null ? "" : `years (${yearsAndMonths(years)})`,
    formula: "the moment at which Σ energy × worth − upkeep from its own day on reaches the sum",
    inputs: [
      { name: "Sum", value: `${money(amount)} ${context.site.currency}`, from: "costs, site document" },
      { name: "Paid on", value: dateName(on), from: "costs, site document" },
      ...laterInputs(context),
    ],
    source: SHORT,
    assumptions: [
      "All that the plant earns from that day on counts for it, whatever it would have earned without.",
      "No interest on money.",
    ],
  };
}

export function discountedWorking(context: MoneyContext): Working {
  const { payback, terms } = context;
  return {
    title: "Discounted payback",
    value: payback.discountedYears === null ? "not within the horizon" : number(payback.discountedYears, 2),
    unit: payback.discountedYears === null ? "" : "years",
    formula: "the moment at which Σ net(year) ÷ (1 + d)^year reaches the net cost",
    inputs: [...laterInputs(context), { name: "Discount rate d", value: percent(terms.discountFrac ?? 0), from: "terms" }],
    source: SHORT,
    assumptions: ["Flows are counted at the ends of years.", "The rate is what the money would earn elsewhere at like risk."],
  };
}

export function worthWorking(context: MoneyContext): Working {
  const { payback, terms, site } = context;
  return {
    title: "Net present value",
    value: money(payback.netPresentValue),
    unit: site.currency,
    formula: "−net cost + Σ net(year) ÷ (1 + d)^year",
    inputs: [
      ...laterInputs(context),
      { name: "Discount rate d", value: percent(terms.discountFrac ?? 0), from: "terms" },
      { name: "Years", value: String(terms.horizonYears), from: "terms" },
    ],
    source: "Brealey, Myers & Allen, 2020, Principles of corporate finance.",
    assumptions: ["Above nothing: better than leaving the money at d."],
  };
}

export function returnWorking(context: MoneyContext): Working {
  const { payback, terms } = context;
  const { kind, rates } = payback.returnPerYear;
  return {
    title: "Rate of return",
    value: kind === "one" ? number(rates[0]! * 100, 3) : "none",
    unit: kind === "one" ? "% a year" : "",
    formula: "the r at which −net cost + Σ net(year) ÷ (1 + r)^year = 0; deposit before tax: r ÷ (1 − tax on interest)",
    inputs: [...laterInputs(context), { name: "Tax on interest", value: percent(terms.interestTaxFrac ?? 0, 0), from: "terms" }],
    source: "Brealey, Myers & Allen, 2020, Principles of corporate finance.",
    assumptions: [
      kind === "one" ? "The flows turn sign once, so that there is one rate." : noReturnWords(kind, rates),
      "Saved bills are not taxed; interest on a deposit is.",
    ],
  };
}

export function levelisedWorking(context: MoneyContext): Working {
  const { payback, terms, site } = context;
  return {
    title: "Levelised cost",
    value: payback.levelisedPerKwh ?? "–",
    unit: `${site.currency} a kWh`,
    formula: "(net cost + Σ (upkeep + replacements) ÷ (1 + d)^year) ÷ Σ energy(year) ÷ (1 + d)^year",
    inputs: [...laterInputs(context), { name: "Discount rate d", value: percent(terms.discountFrac ?? 0), from: "terms" }],
    source: SHORT,
    assumptions: ["All energy counts alike, used or exported."],
  };
}

export function yearWorking(context: MoneyContext, k: number): Working {
  const { payback, site } = context;
  const year = payback.years[k]!;
  const before = k === 0 ? `−${payback.netCost}` : payback.years[k - 1]!.balance;
  return {
    title: `Balance after year ${year.year}`,
    value: money(year.balance),
    unit: site.currency,
    formula: "balance before + energy × worth − upkeep − once",
    inputs: [
      { name: "Balance before", value: before, from: k === 0 ? "net cost" : `year ${k}` },
      { name: "Energy", value: `${number(year.energyKwh)} kWh`, from: "first year, aged" },
      { name: "Worth", value: `${year.valuePerKwh} ${site.currency} a kWh`, from: "terms, risen" },
      { name: "Upkeep", value: year.upkeep, from: "terms, risen" },
      { name: "Once", value: year.once, from: "terms" },
    ],
    source: SHORT,
    assumptions: ["Sums are exact decimals, rounded to the minor unit where they are shown."],
  };
}

export function spreadWorking(spread: PaybackSpread): Working {
  return {
    title: "Interval of the payback",
    value: paybackIntervalWords(spread),
    unit: "",
    formula: `2.5 and 97.5 of 100 among ${spread.draws} draws (seed ${spread.seed})`,
    inputs: [
      {
        name: "Yield, all years",
        value: `± ${percent(spread.doubts.yieldFrac)}`,
        from: "one deviation: the meter and how many years it read, or the budget of the expected energy",
      },
      { name: "Weather of a year", value: `± ${percent(spread.doubts.weatherFrac)}`, from: "one deviation" },
      { name: "Price rise", value: `± ${percent(spread.doubts.priceRiseFrac)} a year`, from: "one deviation" },
      { name: "Ageing", value: `± ${percent(spread.doubts.ageingFrac)} a year`, from: "one deviation" },
      { name: "Upkeep and replacements", value: `± ${percent(spread.doubts.upkeepFrac, 0)}`, from: "one deviation" },
      { name: "Draws that pay back at all", value: percent(spread.paidFrac, 0), from: "within the horizon" },
    ],
    source: "Metropolis & Ulam, 1949, The Monte Carlo method.",
    assumptions: ["Deviations are normal and independent of each other.", "Same seed, same answer."],
  };
}

export function runRateWorking({ site, payback, terms }: MoneyContext, rate: BillsReport["runRates"][number]): Working {
  return {
    title: "Payback at the rate of the bills",
    value: rate.paidBackOn === null ? (rate.isRange ? "between two days" : "not within 40 years") : dateName(rate.paidBackOn),
    unit: rate.years === null ? "" : `${number(rate.years, 2)} years`,
    formula:
      "real savings through the last bill; then, and in months without a bill, each month saves what its last namesake did × its rise × (1 − ageing)^k",
    inputs: [
      { name: "Counted from", value: dateName(rate.countsFrom), from: "the plant's first day, its first cost, or the first bill" },
      { name: "Saved to date", value: sumOrRange(rate.savedToDate, site.currency), from: METHOD_NAMES[rate.method] },
      {
        name: "A year from now",
        value: sumOrRange(rate.perYear, site.currency),
        from: "each calendar month's last bill, missing ones by season",
      },
      {
        name: "95 of 100 such years",
        value: `${money(rate.perYearLow)} to ${money(rate.perYearHigh)} ${site.currency}`,
        from: "by what namesakes differ, and the season's doubt for months without a bill",
      },
      {
        name: "Paid back then",
        value: `${rate.paidBackFrom ?? "beyond 40 years"} to ${rate.paidBackBy ?? "beyond 40 years"}`,
        from: "at the upper and the lower end of a year",
      },
      {
        name: "Twelve times the mean month",
        value: sumOrRange(rate.naivePerYear, site.currency),
        from: "for comparison: counts months, not seasons",
      },
      { name: "Net cost", value: `${money(payback.netCost)} ${site.currency}`, from: "terms" },
      { name: "Price rise", value: percent(terms.priceRisePerYearFrac), from: "terms" },
      { name: "Ageing", value: percent(terms.ageing.perYearFrac, 2), from: "terms" },
    ],
    source: "The bills of this book.",
    assumptions: ["A month's saving falls evenly on its days.", "No upkeep: it is not on the bills."],
  };
}

const sumOrRange = (sum: string | null, currency: string): string => (sum === null ? "only between two ends" : `${money(sum)} ${currency}`);

export const METHOD_NAMES: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": "Tariff run again",
  "old-average": "Old average price",
  "flat-value": "Flat worth",
};

/** By which a method's figures are known on every screen. */
export const METHOD_FIGURES: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": "by-tariff-run-again",
  "old-average": "by-old-average-price",
  "flat-value": "by-flat-worth",
};

const METHOD_FORMULAS: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": "Σ over months of bill(use without the array, tariff in force) − bill as printed",
  "old-average": "(Σ bills before ÷ Σ kWh before) × Σ use since − Σ bills since",
  "flat-value": "Σ (self-consumed × worth of a bought kWh + exported × export price)",
};

export function methodWorking(report: BillsReport, method: SavingsMethodName): Working {
  const own = report.methods.find((each) => each.method === method)!;
  const { why, currency, shares } = report;
  const price = (value: number | null): string => (value === null ? "–" : `${number(value, 4)} ${currency} a kWh`);
  return {
    title: `Saved: ${METHOD_NAMES[method].toLowerCase()}`,
    value: own.isRange ? `${money(own.low!)} to ${money(own.high!)}` : money(own.total),
    unit: `${currency} in ${own.months} months`,
    formula: METHOD_FORMULAS[method],
    inputs: [
      {
        name: "A year",
        value: own.perYear === null ? "only between two ends" : `${money(own.perYear)} ${currency}`,
        from: "each calendar month's last bill, missing ones by season",
      },
      {
        name: "95 of 100 such years",
        value: `${money(own.perYearLow)} to ${money(own.perYearHigh)} ${currency}`,
        from: "by what namesakes differ, and the season's doubt for months without a bill",
      },
      { name: "Old average price", value: price(why.oldPerKwh), from: "bills before commissioning, all charges in" },
      { name: "Price of the same use now", value: price(why.nowPerKwh), from: "tariff run again without the array" },
      { name: "Avoided a used kWh", value: price(why.avoidedPerKwh), from: "tariff run again, export taken off" },
      ...(shares
        ? [
            { name: "Self-consumed", value: `${number(shares.selfUsedKwh)} kWh`, from: "production less export" },
            { name: "Exported", value: `${number(shares.exportKwh)} kWh`, from: "bills" },
          ]
        : []),
      ...(own.low
        ? [
            {
              name: "Lies between",
              value: `${money(own.low)} and ${money(own.high!)}`,
              from: own.isRange
                ? "all that the sun covered in the cheapest band, or in the dearest; meter ± 1.5 %"
                : "another shape of the day; meter ± 1.5 %",
            },
          ]
        : []),
    ],
    source: "The bills, the tariff plans and the readings of this book.",
    assumptions:
      method === "re-run"
        ? [
            "The use would have been the same without the array.",
            "When energy was used inside a month is not on a bill: each band's use follows a household's day and leaves just what was bought.",
            "Months without a reading take what the model expects at the site's level.",
          ]
        : method === "old-average"
          ? ["Prices since are as they were: a rise counts as a loss of the array."]
          : ["Every used kWh is worth the same, whenever it was used; fixed charges don't matter."],
  };
}

export const naiveWorking = (perYear: string, currency: string): Working => ({
  title: "Bills before less bills after",
  value: money(perYear),
  unit: `${currency} a year`,
  formula: "12 × mean bill before commissioning − 12 × mean bill since",
  inputs: [{ name: "Bills", value: "all that there are", from: "by calendar month; missing ones estimated" }],
  source: "The bills of this book.",
  assumptions: ["Not a saving: a price rise, a new car or a cold winter counts against the array."],
});

export const oneBillWorking = (
  { perKwh, perKwhLow, perKwhHigh, fixed, boughtKwh, isFixedAssumed }: BillParts,
  currency: string,
): Working => ({
  title: "Price of a bought kWh",
  value: number(perKwh.toNumber(), 4),
  unit: `${currency} a kWh`,
  formula: "bill = fixed part + bought × price",
  inputs: [
    {
      name: "Fixed part",
      value: fixed === null ? "–" : `${number(fixed.toNumber(), 2)} ${currency}`,
      from: isFixedAssumed ? "assumed" : "typed, or what is left",
    },
    { name: "Bought", value: boughtKwh === null ? "–" : `${number(boughtKwh)} kWh`, from: "typed, or what the price leaves" },
    {
      name: "Lies between",
      value: `${number(perKwhLow.toNumber(), 4)} and ${number(perKwhHigh.toNumber(), 4)}`,
      from: "a quarter of the bill fixed, or nothing, where that is assumed",
    },
  ],
  source: "The bill as it was typed.",
  assumptions: ["Levies and taxes on energy are in the price."],
});

export const averagePriceWorking = (name: string, perKwh: number, currency: string): Working => ({
  title: `Average price, ${name}`,
  value: number(perKwh, 4),
  unit: `${currency} a kWh`,
  formula: "Σ bills ÷ Σ bought; without exports: (Σ bills + exported × its price) ÷ Σ bought",
  inputs: [{ name: "Bills", value: "the printed ones", from: "by calendar month; estimated ones count in none" }],
  source: "The bills of this book.",
  assumptions: ["All charges are in it, fixed ones too."],
});

export function billedYearWorking(year: BillsReport["years"][number], currency: string): Working {
  const kwh = (value: number | null): string => (value === null ? "–" : `${number(value)} kWh`);
  return {
    title: `Bills of ${year.key}`,
    value: money(year.amount),
    unit: currency,
    formula: "Σ bills of the months; a bought kWh = Σ bills ÷ Σ bought; saved = Σ (bill without the array − bill)",
    inputs: [
      { name: "Months", value: String(year.months), from: "bills; a month without one counts in no sum" },
      { name: "Bought", value: kwh(year.importKwh), from: "bills" },
      { name: "Produced", value: kwh(year.productionKwh), from: "meter; filled by the model where not read" },
      { name: "Exported", value: kwh(year.exportKwh), from: "bills" },
      { name: "Self-consumed", value: kwh(year.selfUsedKwh), from: "produced less exported" },
      { name: "Saved", value: year.saved["re-run"] === null ? "–" : money(year.saved["re-run"]), from: "tariff in force run again" },
    ],
    source: "The bills, plans and readings of this book.",
    assumptions: ["A bill that touches two months is spread over its days."],
  };
}

export function billedMonthWorking(month: BillsReport["months"][number], currency: string): Working {
  return {
    title: `Saved in ${month.key}`,
    value: month.saved["re-run"] === null ? "–" : money(month.saved["re-run"]),
    unit: currency,
    formula: "bill of the same use without the array − bill as printed",
    inputs: [
      { name: "Use", value: month.loadKwh === null ? "–" : `${number(month.loadKwh)} kWh`, from: "bought + production − exported" },
      { name: "Bought", value: `${number(month.importKwh)} kWh`, from: month.isEstimated ? "estimated: no bill" : "bill" },
      {
        name: "Production",
        value: month.productionKwh === null ? "–" : `${number(month.productionKwh)} kWh`,
        from: month.isFilled ? "filled by the model" : "meter",
      },
      { name: "Exported", value: month.exportKwh === null ? "–" : `${number(month.exportKwh)} kWh`, from: "bill" },
      { name: "Without the array", value: month.without === null ? "–" : money(month.without), from: "tariff in force" },
      { name: "As printed", value: money(month.amount), from: "bill" },
      { name: "Printed bill, run again", value: month.again === null ? "–" : money(month.again), from: "tariff in force: tests the plan" },
    ],
    source: "The bills and plans of this book.",
    assumptions: ["The use would have been the same without the array."],
  };
}

export function decisionWorking(decision: Decision<string>, perKwh: string, currency: string): Working {
  return {
    title: decision.name,
    value: money(decision.netPresentValue, 0),
    unit: `${currency} over the horizon`,
    formula: "Σ (extra energy(year) × worth × (1 + rise)^(year − 1) − extra costs(year)) ÷ (1 + d)^year − extra cost now",
    inputs: [
      { name: "Extra energy, first year", value: `${number(decision.extraKwh)} kWh`, from: "the chain over the newest year of weather" },
      {
        name: "Worth of an extra kWh",
        value: `${perKwh} ${currency}`,
        from: "terms; self-consumed by the square of the usual share, the rest exported",
      },
      { name: "Extra cost now", value: `${money(decision.extraCost, 0)} ${currency}`, from: "as entered" },
      {
        name: "Turns at a price of",
        value: decision.flipPerKwh === null ? "no price" : `${decision.flipPerKwh} ${currency} a kWh`,
        from: "costs ÷ energy, both in today's money",
      },
      { name: "Turns at an extra cost of", value: `${money(decision.flipCost, 0)} ${currency}`, from: "extra cost + value" },
    ],
    source: SHORT,
    assumptions: [
      "Energy is what would be gained at the meter, not what the ledger posts: a clipped plant gains less from cleaning.",
      "Every year's weather is as the newest one.",
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

/** What was counted so far, in money. */
export const valueSoFarWorking = ({ from, to, months, kwh, worth }: ValueSoFar, currency: string): Working => ({
  title: "Worth of what was counted",
  value: number(worth, 2),
  unit: currency,
  formula: "Σ over months of metered × (used share × price bought + sold share × price sold) of the month's year",
  inputs: [
    { name: "Metered", value: `${number(kwh)} kWh`, from: `${months} months from ${from} to ${to}` },
    {
      name: "Mean worth",
      value: kwh > 0 ? `${number(worth / kwh, 4)} ${currency} a kWh` : "–",
      from: "price, its rise and the end of support",
    },
  ],
  source: "The ledger's metered months and the terms below.",
  assumptions: ["Years are counted from commissioning; without it from the first month read.", "A month that was not read adds nothing."],
});
