"use client";

import { Switch, TextInput } from "@mantine/core";
import type { Dispatch, ReactNode, SetStateAction } from "react";
import type { LoanTerms } from "@/core/money";
import { knownNumber } from "@/features/kit/fields/known-number";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/money-loan";
import styles from "../MoneyChapter.module.css";

type RateField = (value: number, onChange: (frac: number) => void, label: string, path: string) => ReactNode;

interface LoanFieldsProps {
  readonly currency: string;
  readonly loan: LoanTerms;
  readonly issue: (path: string) => string | undefined;
  readonly setLoan: Dispatch<SetStateAction<LoanTerms>>;
  readonly rate: RateField;
}

export function LoanFields({ currency, loan, issue, setLoan, rate }: LoanFieldsProps) {
  return (
    <div className={styles.grid}>
      <TextInput
        label={`Borrowed, ${currency}`}
        value={loan.principal}
        error={issue("principal")}
        onChange={(event) => setLoan({ ...loan, principal: event.currentTarget.value.trim().replace(",", ".") })}
      />
      {rate(loan.ratePerYearFrac, (frac) => setLoan({ ...loan, ratePerYearFrac: frac }), say.interestAYear, "ratePerYearFrac")}
      <NumberField
        label="Term"
        unit="years"
        value={loan.termYears}
        error={issue("termYears")}
        onChange={(next) => setLoan({ ...loan, termYears: Number(next) })}
      />
      <TextInput
        label={`Fee, ${currency}`}
        value={loan.fee}
        error={issue("fee")}
        onChange={(event) => setLoan({ ...loan, fee: event.currentTarget.value.trim().replace(",", ".") })}
      />
      <NumberField
        label={say.interestSetOff}
        decimalScale={1}
        value={Number(((loan.interestReliefFrac ?? 0) * 100).toFixed(2))}
        error={issue("interestReliefFrac")}
        onChange={knownNumber((next) => setLoan({ ...loan, interestReliefFrac: next / 100 }))}
      />
    </div>
  );
}

interface RefinanceSwitchProps {
  readonly refinance: LoanTerms["refinance"];
  readonly setLoan: Dispatch<SetStateAction<LoanTerms>>;
  readonly loan: LoanTerms;
}

export function RefinanceSwitch({ refinance, setLoan, loan }: RefinanceSwitchProps) {
  return (
    <Switch
      mt={12}
      label="Refinanced later"
      checked={refinance !== null}
      onChange={(event) =>
        setLoan({
          ...loan,
          refinance: event.currentTarget.checked
            ? { afterYears: 5, ratePerYearFrac: loan.ratePerYearFrac, termYears: loan.termYears - 5 || 1, fee: "0.00" }
            : null,
        })
      }
    />
  );
}

interface RefinanceFieldsProps {
  readonly refinance: NonNullable<LoanTerms["refinance"]>;
  readonly issue: (path: string) => string | undefined;
  readonly setLoan: Dispatch<SetStateAction<LoanTerms>>;
  readonly loan: LoanTerms;
  readonly rate: RateField;
  readonly currency: string;
}

export function RefinanceFields({ refinance, issue, setLoan, loan, rate, currency }: RefinanceFieldsProps) {
  return (
    <div className={styles.grid}>
      <NumberField
        label="After years"
        value={refinance.afterYears}
        error={issue("refinance.afterYears")}
        onChange={(next) => setLoan({ ...loan, refinance: { ...refinance, afterYears: Number(next) } })}
      />
      {rate(
        refinance.ratePerYearFrac,
        (frac) => setLoan({ ...loan, refinance: { ...refinance, ratePerYearFrac: frac } }),
        "New interest, %",
        "refinance.ratePerYearFrac",
      )}
      <NumberField
        label={say.newTermYears}
        value={refinance.termYears}
        error={issue("refinance.termYears")}
        onChange={(next) => setLoan({ ...loan, refinance: { ...refinance, termYears: Number(next) } })}
      />
      <TextInput
        label={`Fee, ${currency}`}
        value={refinance.fee}
        error={issue("refinance.fee")}
        onChange={(event) => setLoan({ ...loan, refinance: { ...refinance, fee: event.currentTarget.value.trim().replace(",", ".") } })}
      />
    </div>
  );
}
