"use client";

import { Button } from "@mantine/core";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";
import { loanSchema } from "@/contracts/money-terms";
import type { SiteDocument } from "@/contracts/site";
import { amountOf, Exact, type LoanTerms, loanOrCash, sumOf } from "@/core/money";
import type { RefusedCall } from "@/features/data/refused-call";
import { knownNumber } from "@/features/kit/fields/known-number";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/money-loan";
import styles from "../MoneyChapter.module.css";
import type { MoneyProps } from "../money-props";
import { useMoneySave } from "../use-money-save";
import { LoanFields, RefinanceFields, RefinanceSwitch } from "./LoanFields";
import { LoanSentence, OutcomeTable, PaidChart } from "./LoanOutcome";

/** The array on a loan, for cash, or not at all: what is paid year by year, and what each is worth. */
export function LoanView(props: MoneyProps) {
  const { slug, version, site, report, billsReport } = props;
  const { save, refusal, note } = useMoneySave(slug, version, site);
  const { currency, money: terms } = site;
  // What is spent a year after the start or later is among the outlays of its own year.
  const netCost = sumOf(report.counted.costs).minus(sumOf(report.counted.incentives));
  const [loan, setLoan] = useState<LoanTerms>(
    terms.loan ?? {
      principal: amountOf(netCost, currency),
      ratePerYearFrac: 0.05,
      termYears: 15,
      fee: "0.00",
      interestReliefFrac: 0,
      refinance: null,
    },
  );
  const parsed = loanSchema.safeParse(loan);
  const outlays = outlaysOf(props);
  if (!report.payback || !outlays) return <p className={chapter.verdict}>{say.loanAndCashCanBeWeighed}</p>;
  const answer = parsed.success
    ? loanOrCash({ currency, loan, netCost, ownMoney: netCost.minus(loan.principal), ...outlays, discountFrac: terms.running.discountFrac })
    : null;
  const issue = (path: string): string | undefined =>
    parsed.success ? undefined : parsed.error.issues.find(({ path: at }) => at.join(".") === path)?.message;
  const rate = (value: number, onChange: (frac: number) => void, label: string, path: string) => (
    <NumberField
      label={label}
      decimalScale={3}
      value={Number((value * 100).toFixed(4))}
      error={issue(path) ?? (value > 0 && value < 0.0025 ? say.didYouMean(number(value * 1e4, 1)) : undefined)}
      onChange={knownNumber((next) => onChange(next / 100))}
    />
  );
  const { refinance } = loan;
  return (
    <>
      {answer && <LoanSentence answer={answer} loan={loan} currency={currency} startsOn={report.counted.on} />}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <div>
          <LoanAgreed
            currency={currency}
            loan={loan}
            issue={issue}
            setLoan={setLoan}
            rate={rate}
            refinance={refinance}
            refusal={refusal}
            parsed={parsed}
            save={save}
            terms={terms}
            note={note}
          />
          <p className={chapter.soft}>{billsReport ? say.theBillWithoutTheArrayIs : say.withoutBillsTheBillWithoutThe}</p>
        </div>
        {answer && (
          <div>
            <PaidChart currency={currency} slug={slug} answer={answer} />
            <OutcomeTable answer={answer} currency={currency} loan={loan} discountFrac={terms.running.discountFrac} />
          </div>
        )}
      </div>
    </>
  );
}

interface LoanAgreedProps {
  readonly currency: string;
  readonly loan: LoanTerms;
  readonly issue: (path: string) => string | undefined;
  readonly setLoan: Dispatch<SetStateAction<LoanTerms>>;
  readonly rate: (value: number, onChange: (frac: number) => void, label: string, path: string) => ReactNode;
  readonly refinance: LoanTerms["refinance"];
  readonly refusal: RefusedCall | null;
  readonly parsed: ReturnType<typeof loanSchema.safeParse>;
  readonly save: (money: SiteDocument["money"]) => Promise<boolean>;
  readonly terms: SiteDocument["money"];
  readonly note: string;
}

/** What was agreed. */
function LoanAgreed({ currency, loan, issue, setLoan, rate, refinance, refusal, parsed, save, terms, note }: LoanAgreedProps) {
  return (
    <section className={chapter.section}>
      <h2>The loan</h2>
      <LoanFields currency={currency} loan={loan} issue={issue} setLoan={setLoan} rate={rate} />
      <RefinanceSwitch refinance={refinance} setLoan={setLoan} loan={loan} />
      {refinance && <RefinanceFields refinance={refinance} issue={issue} setLoan={setLoan} loan={loan} rate={rate} currency={currency} />}
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        <Button disabled={!parsed.success} onClick={() => void save({ ...terms, loan: loanSchema.parse(loan) })}>
          {say.saveTheLoan}
        </Button>
        <span className={chapter.soft} role="status">
          {note}
        </span>
      </div>
    </section>
  );
}

/** Bills with and without the array over the horizon: this year's, with use unchanged, prices rising and modules ageing. */
function outlaysOf({ site, report, billsReport }: MoneyProps): { remainingBills: Exact[]; billsWithout: Exact[] } | null {
  const { payback, terms } = report;
  if (!payback || !terms) return null;
  const last = billsReport?.months.filter((month) => month.without !== null).slice(-12) ?? [];
  const whole = last.length === 12;
  const today = whole ? sumOf(last.map((month) => month.without!)) : new Exact(payback.years[0]!.value);
  const rise = new Exact(1).plus(site.money.tariff.priceRisePerYearFrac);
  const billsWithout = payback.years.map((_, k) => today.times(rise.pow(k)));
  return { billsWithout, remainingBills: payback.years.map((year, k) => billsWithout[k]!.minus(year.net)) };
}
