"use client";

import type { BillsReport } from "@/contracts/money";
import type { PaybackSpread } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, money, number, percent } from "@/wording/format";
import { noReturnWords, paybackIntervalWords } from "@/wording/money";
import { say } from "@/wording/screens/money-payback";
import {
  discountedWorking,
  levelisedWorking,
  type MoneyContext,
  returnWorking,
  risingWorking,
  runRateWorking,
  simpleWorking,
  spreadWorking,
  worthWorking,
} from "@/wording/workings/money-workings";
import type { Working } from "@/wording/workings/working";
import styles from "../MoneyChapter.module.css";

interface WaysProps {
  readonly context: MoneyContext;
  readonly spread: PaybackSpread | null;
  readonly billsReport: BillsReport | null;
}

interface Way {
  readonly name: string;
  readonly what: string;
  readonly value: string;
  readonly working: () => Working;
  readonly isTrusted?: boolean;
}

const years = (value: number | null): string => (value === null ? say.notWithinTheHorizon : `${number(value, 1)} years`);

/** When the money is back at the rate of the bills: a day, or what it lies between where too few months were billed for one. */
function rateWords({ paidBackOn, paidBackFrom, paidBackBy, years: after, filledMonths }: BillsReport["runRates"][number]): string {
  if (paidBackFrom === null) return say.notWithin40Years;
  if (paidBackOn === null || filledMonths > 0)
    return say.backBetween(dateName(paidBackFrom), paidBackBy ? dateName(paidBackBy) : say.beyond40Years);
  return `${years(after)} (${dateName(paidBackOn)})`;
}

/** When the money is back, in its named ways. */
function paybackWays(context: MoneyContext, rate: BillsReport["runRates"][number] | undefined, spread: WaysProps["spread"]): Way[] {
  const { payback, terms } = context;
  return [
    {
      name: "Simple",
      what: say.costOverTheFirstYearNothing,
      value: years(payback.simpleYears),
      working: () => simpleWorking(context),
    },
    {
      name: say.withRiseAgeingUpkeep,
      what: say.pricesRiseModulesAgeUpkeepAnd,
      value: years(payback.risingYears),
      working: () => risingWorking(context),
      isTrusted: true,
    },
    {
      name: "Discounted",
      what: say.theSameInTodaysMoneyAt(percent(terms.discountFrac ?? 0)),
      value: years(payback.discountedYears),
      working: () => discountedWorking(context),
    },
    ...(rate
      ? [
          {
            name: say.atTheRateOfTheBills,
            what: say.whatWasReallySavedThenEach(rate.filledMonths > 0 ? say.monthsBySeason(rate.filledMonths) : ""),
            value: rateWords(rate),
            working: () => runRateWorking(context, rate),
          },
        ]
      : []),
    ...(spread
      ? [
          {
            name: "95 % interval",
            what: say.n95Of100DrawsOfYield,
            value: paybackIntervalWords(spread),
            working: () => spreadWorking(spread),
          },
        ]
      : []),
  ];
}

/** What else is asked of money: present value, return, deposit, levelised cost. */
function worthWays(context: MoneyContext): Way[] {
  const { payback, site, terms } = context;
  const { kind, rates } = payback.returnPerYear;
  return [
    {
      name: say.netPresentValue2,
      what: say.overYearsInTodaysMoney(terms.horizonYears),
      value: `${money(payback.netPresentValue, 0)} ${site.currency}`,
      working: () => worthWorking(context),
    },
    {
      name: say.rateOfReturn2,
      what: kind === "one" ? say.theInterestAtWhichItWould : noReturnWords(kind, rates),
      value: kind === "one" ? `${number(rates[0]! * 100, 2)} %` : "none",
      working: () => returnWorking(context),
    },
    {
      name: say.asADepositBeforeTax,
      what: say.wouldNeedThisInterestTaxedAt(percent(terms.interestTaxFrac ?? 0, 0)),
      value: payback.depositFrac === null ? "–" : `${number(payback.depositFrac * 100, 2)} %`,
      working: () => returnWorking(context),
    },
    {
      name: "Levelised cost",
      what: say.allCostsOverAllEnergyBoth,
      value: payback.levelisedPerKwh === null ? "–" : `${payback.levelisedPerKwh} ${site.currency} a kWh`,
      working: () => levelisedWorking(context),
    },
  ];
}

/** The payback in its named ways, and what else is asked of money; each says what it leaves out. */
export function WaysTable({ context, spread, billsReport }: WaysProps) {
  const rate = billsReport?.runRates.find(({ method }) => method === "re-run") ?? billsReport?.runRates[0];
  return (
    <ScrollBox label={say.paybackInItsNamedWays}>
      <RuledTable className={`${chapter.table} ${styles.ways}`} data-pairs>
        <tbody>
          {[...paybackWays(context, rate, spread), ...worthWays(context)].map((way) => (
            <tr key={way.name} data-trusted={way.isTrusted || undefined}>
              <td>
                <b>{way.name}</b> <span className={chapter.soft}>{way.what}</span>
              </td>
              <td>
                <Figure plain working={way.working}>
                  {way.value}
                </Figure>
              </td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
