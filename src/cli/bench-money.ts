import type { SiteDocument } from "@/contracts/site";
import {
  amountOf,
  CASE_TEMPLATES,
  type CaseFigures,
  type CaseInput,
  decide,
  Exact,
  extraWorthAt,
  loanSchedule,
  meanYear,
  sumOf,
  tariffRises,
  wholeYears,
} from "@/core/money";
import type { Site } from "@/core/site";
import { monthBins } from "@/core/time";
import { type PreparedWeather, runPrepared, type YieldOptions, yieldLines } from "@/core/yield";
import { say } from "@/wording/cli";
import { decisionInWords, decisionsInWords, sideInWords } from "@/wording/decisions";
import { type CliOptions, needed, oneOf } from "./arguments";
import { printJson, printText, textTable } from "./print";
import { CliRefusal } from "./refuse";

/** `bench case`: a decision over one year of weather, with the book's own figures where `--with` gives no others. */
export async function caseBench(
  site: SiteDocument,
  { year, prepared }: { year: string | null; prepared: PreparedWeather },
  options: CliOptions,
): Promise<void> {
  const id = oneOf(
    options.case,
    CASE_TEMPLATES.map((template) => template.id),
    "cleaning",
    "case",
  );
  const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
  const words = decisionInWords(id);
  const facts = { ageYears: 0, ageingPerYearFrac: site.ageing.perYearFrac, soiling: null };
  const inputs = template.inputsFor(site, facts);
  if (!inputs) throw new CliRefusal(`--case ${id}: ${words.notFor}`);
  const figures = figuresOf(inputs, words.inputs, options.with);
  const { running } = site.money;
  const perKwh = options.price ?? extraWorthAt(site, running.horizonYears, facts)?.perKwh;
  if (perKwh === undefined) throw new CliRefusal(say.noPriceOfAKwhGive);
  const bins = monthBins(prepared.weather.axis, site.place.timeZone);
  const years = (changed: Site, more: YieldOptions = {}): Promise<number[][]> =>
    Promise.resolve(wholeYears(yieldLines(runPrepared(changed, prepared, bins, more))));
  const sides = await template.sides(site, figures, async (changed, more = {}) => meanYear(await years(changed, more)), facts, years);
  const terms = {
    currency: site.currency,
    perKwh,
    rises: extraWorthAt(site, running.horizonYears, facts)?.rises ?? tariffRises(site, running.horizonYears, facts),
    discountFrac: running.discountFrac,
    horizonYears: running.horizonYears,
  };
  const [base, ...variants] = sides;
  const decisions = decisionsInWords(variants.map((variant) => decide(base!, variant, terms)));
  const baseName = sideInWords(base!.name);
  if (options.json) return printJson("bench-case", { case: id, year, figures, base: baseName, perKwh, decisions });
  printText(say.againstAKwh(words.question, baseName, year ?? say.aCloudlessYear, perKwh, site.currency));
  printText(
    textTable(
      ["way", "extra kWh", "extra cost", "years", say.netPresentValue, "turns at"],
      decisions.map((each) => [
        each.name,
        each.extraKwh,
        each.extraCost,
        each.paybackYears?.toFixed(1) ?? "never",
        each.netPresentValue,
        each.flipPerKwh ?? "-",
      ]),
    ),
  );
}

function figuresOf(inputs: readonly CaseInput[], labels: Readonly<Record<string, string>>, given: string | undefined): CaseFigures {
  const figures: Record<string, number> = Object.fromEntries(inputs.map((input) => [input.key, input.value]));
  for (const part of given?.split(",") ?? []) {
    const [key = "", text = ""] = part.split("=");
    const input = inputs.find((candidate) => candidate.key === key.trim());
    if (!input) throw new CliRefusal(say.withChooseOneOf(part, inputs.map((candidate) => candidate.key).join(", ")));
    const value = Number(text);
    if (text.trim() === "" || !(value >= input.least && value <= input.most))
      throw new CliRefusal(say.withLiesBetweenAnd(part, labels[input.key]!, input.least, input.most));
    figures[input.key] = value;
  }
  return figures;
}

/** `bench loan`: even payments, interest and the schedule by year. */
export function loanBench(site: SiteDocument, options: CliOptions): void {
  const share = Number(needed(options.rate, "rate", say.interestAYearAsAShare));
  if (!(share >= 0 && share <= 0.5)) throw new CliRefusal(say.rateInterestIsAShareWrite(options.rate));
  const termYears = Number(needed(options.years, "years", say.termOfTheLoan));
  if (!(termYears > 0 && termYears <= 60)) throw new CliRefusal(say.yearsGiveATermAbove0(options.years));
  const { costs, incentives } = site.money;
  const principal =
    options.principal ??
    sumOf(costs.map(({ amount }) => amount))
      .minus(sumOf(incentives.map(({ amount }) => amount)))
      .toFixed(2);
  if (!/^\d+(\.\d+)?$/.test(principal) || new Exact(principal).lte(0)) throw new CliRefusal(say.principalGiveASumAbove0(principal));
  const months = loanSchedule({ principal, ratePerYearFrac: share, termYears, fee: "0", refinance: null }, site.currency);
  const out = (value: Exact): string => amountOf(value, site.currency);
  const years = Array.from({ length: Math.ceil(months.length / 12) }, (_, k) => {
    const own = months.slice(12 * k, 12 * k + 12);
    return {
      year: k + 1,
      paid: out(sumOf(own.map(({ paid }) => paid))),
      interest: out(sumOf(own.map(({ interest }) => interest))),
      remaining: out(own.at(-1)!.owed),
    };
  });
  const answer = {
    principal,
    ratePerYearFrac: share,
    termYears,
    monthlyPayment: out(months[0]!.paid),
    interestTotal: out(sumOf(months.map(({ interest }) => interest))),
    years,
  };
  if (options.json) {
    printJson("bench-loan", answer);
    return;
  }
  printText(say.aMonthOfInterestInAll(answer.monthlyPayment, site.currency, answer.interestTotal));
  printText(
    textTable(
      ["year", "paid", "interest", "remaining"],
      years.map((each) => [String(each.year), each.paid, each.interest, each.remaining]),
    ),
  );
}
