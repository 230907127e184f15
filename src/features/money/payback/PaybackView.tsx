"use client";

import { Button, SegmentedControl } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { type EnergyBasis, moneyOf, type PaybackSpread, paybackSpread } from "@/core/money";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";
import type { MoneyContext } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";
import type { MoneyProps } from "../money-props";
import { useMoneySave } from "../use-money-save";
import { BalanceChart } from "./BalanceChart";
import { CashFlowSheet } from "./CashFlowSheet";
import { FactorsChart } from "./FactorsChart";
import { CountedLines, PaybackSentence } from "./PaybackSentence";
import { type Terms, TermsForm, type TermsFormHandle, termFaults, useTermsForm } from "./TermsForm";
import { ValueSoFarLine } from "./ValueSoFarLine";
import { WaysTable } from "./WaysTable";
import { YearTable } from "./YearTable";

/** When the money comes back: the terms left, the answer and its curve right; every change answers at once. */
export function PaybackView(props: MoneyProps) {
  const { slug, version, site, months, promise, billsReport, isAgeingRead, facts, doubts, today } = props;
  const { save, refusal, note } = useMoneySave(slug, version, site);
  const [basis, setBasis] = useState<EnergyBasis | null>(null);
  const [byBills, setByBills] = useState(true);
  const form = useTermsForm(site.money);
  const valid = Object.keys(termFaults(form.values)).length === 0;
  const shown = { ...site, money: valid ? form.values : site.money };
  const billedSelfUse = billsReport?.shares?.selfConsumptionFrac ?? null;
  const report = moneyOf(shown, months, promise, {
    basis,
    ageingPerYearFrac: isAgeingRead ? facts.ageingPerYearFrac : null,
    selfUsedFrac: byBills ? billedSelfUse : null,
  });
  const energy = report.energies.find((candidate) => candidate.basis === report.basis);
  const context: MoneyContext | null =
    report.payback && report.terms && energy ? { site: shown, energy, payback: report.payback, terms: report.terms, isAgeingRead } : null;
  const spread = report.terms && report.basis && paybackSpread(report.terms, doubts[report.basis]);
  return (
    <>
      <PaybackSentence missing={report.missing} context={context} spread={spread} counted={report.counted} today={today} />
      {context && <CountedLines counted={report.counted} context={context} />}
      <ValueSoFarLine site={shown} months={months} selfUsedFrac={byBills ? billedSelfUse : null} />
      <div className={`${chapter.columns} ${styles.columns}`}>
        <form
          noValidate
          onSubmit={form.onSubmit(async (values) => {
            if (await save(values)) form.resetDirty();
          })}
        >
          <TermsForm form={form} currency={site.currency} commissioned={site.commissioned} />
          <CostWarnings terms={shown.money} currency={site.currency} />
          {refusal && <Refused refusal={refusal} />}
          <div className={chapter.actions}>
            <Button type="submit" disabled={!form.isDirty()}>
              {say.saveTheTerms}
            </Button>
            <Button variant="default" disabled={!form.isDirty()} onClick={form.reset}>
              Undo changes
            </Button>
            <span className={chapter.soft} role="status">
              {note}
            </span>
          </div>
        </form>
        <PaybackAnswers
          report={report}
          setBasis={setBasis}
          billedSelfUse={billedSelfUse}
          byBills={byBills}
          setByBills={setByBills}
          form={form}
          context={context}
          slug={slug}
          spread={spread}
          billsReport={billsReport}
        />
      </div>
    </>
  );
}

interface PaybackAnswersProps {
  readonly report: ReturnType<typeof moneyOf>;
  readonly setBasis: Dispatch<SetStateAction<EnergyBasis | null>>;
  readonly billedSelfUse: number | null;
  readonly byBills: boolean;
  readonly setByBills: Dispatch<SetStateAction<boolean>>;
  readonly form: TermsFormHandle;
  readonly context: MoneyContext | null;
  readonly slug: string;
  readonly spread: PaybackSpread | null;
  readonly billsReport: MoneyProps["billsReport"];
}

/** What it rests on, and what follows. */
function PaybackAnswers({
  report,
  setBasis,
  billedSelfUse,
  byBills,
  setByBills,
  form,
  context,
  slug,
  spread,
  billsReport,
}: PaybackAnswersProps) {
  return (
    <div>
      <BasisSection
        report={report}
        setBasis={setBasis}
        billedSelfUse={billedSelfUse}
        byBills={byBills}
        setByBills={setByBills}
        form={form}
      />
      {context && <BalanceChart slug={slug} context={context} spread={spread} />}
      {context && <WaysTable context={context} spread={spread} billsReport={billsReport} />}
      {context && report.terms && (
        <FactorsChart
          slug={slug}
          terms={report.terms}
          doubts={spread!.doubts}
          years={report.payback?.risingYears ?? null}
          startsOn={report.counted.on}
        />
      )}
      {context && <YearTable context={context} />}
      {context && <CashFlowSheet slug={slug} context={context} />}
    </div>
  );
}

interface BasisSectionProps {
  readonly report: MoneyProps["report"];
  readonly setBasis: Dispatch<SetStateAction<EnergyBasis | null>>;
  readonly billedSelfUse: number | null;
  readonly byBills: boolean;
  readonly setByBills: Dispatch<SetStateAction<boolean>>;
  readonly form: ReturnType<typeof useTermsForm>;
}

function BasisSection({ report, setBasis, billedSelfUse, byBills, setByBills, form }: BasisSectionProps) {
  return (
    <div className={styles.choices}>
      {report.energies.length > 0 && (
        <div className={styles.basis}>
          <span id="basis">Energy counted</span>
          <SegmentedControl
            aria-labelledby="basis"
            size="xs"
            value={report.basis ?? ""}
            onChange={(value) => setBasis(value as EnergyBasis)}
            data={report.energies.map((e) => ({ value: e.basis, label: `${e.basis} ${number(e.firstYearKwh)} kWh` }))}
          />
        </div>
      )}
      {billedSelfUse !== null && (
        <div className={styles.basis}>
          <span id="self-use">{say.usedOnTheSpot}</span>
          <SegmentedControl
            aria-labelledby="self-use"
            size="xs"
            value={byBills ? "bills" : "terms"}
            onChange={(value) => setByBills(value === "bills")}
            data={[
              { value: "bills", label: say.byTheBills(percent(billedSelfUse, 0)) },
              { value: "terms", label: typedSelfUse(form.values) },
            ]}
          />
        </div>
      )}
    </div>
  );
}

function typedSelfUse({ tariff: { selfUsedFrac } }: Terms): string {
  return selfUsedFrac === null ? say.notTold : say.asTyped(percent(selfUsedFrac, 0));
}

/** Sums that are legal and likely wrong. */
function CostWarnings({ terms, currency }: { terms: Terms; currency: string }) {
  const sum = (sums: readonly { amount: string }[]): number => sums.reduce((total, { amount }) => total + Number(amount), 0);
  const [cost, grants] = [sum(terms.costs), sum(terms.incentives)];
  const words = [
    ...(terms.costs.length > 0 && cost === 0 ? [say.theCostsAddUpToNothing] : []),
    ...(grants > cost && cost > 0 ? [say.incentivesOfAreAboveTheCosts(number(grants), currency, number(cost))] : []),
    ...(Number(terms.tariff.importPerKwh ?? 0) > 5
      ? [say.aKwhLooksLikeCentsWrite(terms.tariff.importPerKwh, currency, Number(terms.tariff.importPerKwh) / 100)]
      : []),
  ];
  return words.map((text) => (
    <p key={text} className={chapter.clay}>
      {text}
    </p>
  ));
}
