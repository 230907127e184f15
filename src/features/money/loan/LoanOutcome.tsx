"use client";

import { OutlayBars } from "@/charts";
import { amountOf, Exact, type LoanOrCash, type LoanTerms, later } from "@/core/money";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/money-loan";
import type { Working } from "@/wording/workings/working";
import styles from "../MoneyChapter.module.css";

interface PaidChartProps {
  readonly currency: string;
  readonly slug: string;
  readonly answer: LoanOrCash;
}

export function PaidChart({ currency, slug, answer }: PaidChartProps) {
  return (
    <ChartFrame
      title={say.paidAYear(currency)}
      note={
        <span className={styles.key}>
          <span>
            <i className={styles.swatch} style={{ background: "var(--account-inverter)", border: "none" }} />
            {say.billThatRemainsWithUpkeep}
          </span>
          <span>
            <i className={styles.swatch} style={{ background: "var(--brass)", border: "none" }} /> loan
          </span>
          <span>
            <i data-line="without" />
            {say.billWithoutTheArray}
          </span>
        </span>
      }
      fileName={`${slug}-loan`}
      height={280}
      summary={say.loanAndRemainingBillAgainstThe}
      table={() => [
        ["year", "loan", "remaining_bill", "bill_without_array"],
        ...answer.years.map((year) => [year.year, year.loan.toFixed(2), year.remainingBill.toFixed(2), year.billWithout.toFixed(2)]),
      ]}
    >
      {(width) => (
        <OutlayBars
          bars={answer.years.map((year) => ({
            year: year.year,
            loan: year.loan.toNumber(),
            remainingBill: year.remainingBill.toNumber(),
            billWithout: year.billWithout.toNumber(),
          }))}
          width={width}
          height={280}
          label={(value) => number(value)}
        />
      )}
    </ChartFrame>
  );
}

interface LoanSentenceProps {
  readonly answer: LoanOrCash;
  readonly loan: LoanTerms;
  readonly currency: string;
  /** Day on which the loan begins; null where it is not known. */
  readonly startsOn: string | null;
}

/** The month of a loan: by date where its first day is known, else by number. */
function monthAfter(startsOn: string | null, months: number): string {
  if (startsOn === null) return say.afterMonths(months);
  const key = later(startsOn.slice(0, 7), months);
  return say.fromMonth(`${monthName(key)} ${key.slice(0, 4)}`);
}

export function LoanSentence({ answer, loan, currency, startsOn }: LoanSentenceProps) {
  const better = answer.loanWorth.lt(answer.cashWorth) ? "The loan" : "Cash";
  const pays = answer.loanWorth.lt(answer.withoutWorth);
  const gap = answer.loanWorth.minus(answer.cashWorth).abs();
  return (
    <p className={chapter.verdict} data-testid="loan-verdict">
      {say.atOverYearsTheLoanTakes(percent(loan.ratePerYearFrac, 2), number(loan.termYears))}
      <Figure working={() => loanWorking(answer, loan, currency)}>
        {money(amountOf(answer.monthlyPayment, currency))} {currency} a month
      </Figure>
      {answer.refinanced && (
        <>
          , {monthAfter(startsOn, answer.refinanced.afterMonths)}{" "}
          <Figure working={() => loanWorking(answer, loan, currency)}>
            {money(amountOf(answer.refinanced.payment, currency))} {currency} a month
          </Figure>
          ,
        </>
      )}{" "}
      and <Figure working={() => loanWorking(answer, loan, currency)}>{money(amountOf(answer.interestTotal, currency), 0)}</Figure> of
      interest.{" "}
      {pays ? (
        say.itStillPaysAgainstHavingNo(money(amountOf(answer.withoutWorth.minus(answer.loanWorth), currency), 0))
      ) : (
        <span className={chapter.clay}>
          {say.itCostsMoreThanHavingNo(money(amountOf(answer.loanWorth.minus(answer.withoutWorth), currency), 0))}
        </span>
      )}{" "}
      {better} is <Figure working={() => loanWorking(answer, loan, currency)}>{money(amountOf(gap, currency), 0)}</Figure> ahead of{" "}
      {better === "Cash" ? "the loan" : "cash"}.{" "}
      {answer.stopsPayingFrac !== null && <>{say.theLoanStopsPayingAt(percent(answer.stopsPayingFrac))}</>}{" "}
      {answer.cheaperFromYear !== null &&
        (answer.cheaperFromYear === 1 ? say.itIsCheaperThanTheOld : say.monthForMonthItIsCheaper(answer.cheaperFromYear))}
    </p>
  );
}

export function OutcomeTable({
  answer,
  currency,
  loan,
  discountFrac,
}: {
  answer: LoanOrCash;
  currency: string;
  loan: LoanTerms;
  discountFrac: number;
}) {
  const rows = [
    { name: say.onTheLoan, total: answer.loanTotal, worth: answer.loanWorth },
    { name: "For cash", total: answer.cashTotal, worth: answer.cashWorth },
    { name: "No array", total: answer.withoutTotal, worth: answer.withoutWorth },
  ];
  const least = Exact.min(...rows.map(({ worth }) => worth));
  return (
    <ScrollBox label={say.loanCashNoArray}>
      <RuledTable className={`${chapter.table} ${styles.ways}`}>
        <thead>
          <tr>
            <th>over {answer.years.length} years</th>
            <th>{say.paidInAll(currency)}</th>
            <th>{say.inTodaysMoneyAt(percent(discountFrac))}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, total, worth }) => (
            <tr key={name} data-trusted={worth.eq(least) || undefined}>
              <td>
                <b>{name}</b>
              </td>
              <Cells working={() => loanWorking(answer, loan, currency)}>
                {[money(amountOf(total, currency), 0), money(amountOf(worth, currency), 0)]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

function loanWorking(answer: LoanOrCash, loan: LoanTerms, currency: string): Working {
  return {
    title: say.loanOrCash,
    value: money(amountOf(answer.monthlyPayment, currency)),
    unit: `${currency} a month`,
    formula: say.paymentPrincipalR1RN,
    inputs: [
      { name: "Principal", value: loan.principal, from: "as entered" },
      { name: "r", value: `${percent(loan.ratePerYearFrac, 3)} ÷ 12`, from: "as entered" },
      { name: "n", value: `${Math.round(loan.termYears * 12)} months`, from: "as entered" },
      { name: "Fee", value: loan.fee, from: "as entered" },
      ...(answer.refinanced && loan.refinance
        ? [
            {
              name: say.afterMonths(answer.refinanced.afterMonths),
              value: `${money(amountOf(answer.refinanced.payment, currency))} ${currency} a month`,
              from: say.refinancedAt(percent(loan.refinance.ratePerYearFrac, 3), loan.refinance.termYears),
            },
          ]
        : []),
      { name: say.interestInAll, value: money(amountOf(answer.interestTotal, currency)), from: say.scheduleEachMonthRoundedToThe },
    ],
    source: say.brealeyMyersAllen2020PrinciplesOf,
    assumptions: [
      say.theLastPaymentTakesUpWhat,
      say.toUseStaysAsItWasIn,
      (loan.interestReliefFrac ?? 0) > 0
        ? say.interestIsSetOff(percent(loan.interestReliefFrac ?? 0, 0))
        : say.interestIsNotDeductedFromTaxes,
    ],
  };
}
