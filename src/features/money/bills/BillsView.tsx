"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import type { BillsReport } from "@/contracts/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { money, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/money-bills";
import { METHOD_FIGURES, methodWorking } from "@/wording/workings/money-workings";
import type { MoneyProps } from "../money-props";
import { BillEditor } from "./BillEditor";
import { BillMonths } from "./BillMonths";
import { BillYears } from "./BillYears";
import { MethodsTable } from "./MethodsTable";

const MISSING_WORDS = {
  bills: "bills",
  plan: say.theTariffPlanThatWasIn,
  production: say.productionOfTheBilledMonthsReadings,
  export: say.exportedEnergyOnTheBills,
  bands: say.importsByThePlansBands,
  before: say.billsFromBeforeTheArray,
} as const;

/** Bills month by month and year by year, and what the array saved by three methods. */
export function BillsView(props: MoneyProps) {
  const { slug, billsReport, bills } = props;
  const [isEditing, setEditing] = useState(bills.length === 0);
  if (!billsReport)
    return (
      <>
        <p className={chapter.verdict}>{say.noBillsYetWithThreeYears}</p>
        <BillEditor {...props} onDone={() => setEditing(false)} />
      </>
    );
  return (
    <>
      <BillsSentence {...props} />
      {billsReport.missing.length > 0 && (
        <p className={chapter.clay}>{say.notAllCanBeToldMissing(billsReport.missing.map((item) => MISSING_WORDS[item]).join("; "))}</p>
      )}
      <MethodsTable report={billsReport} today={props.today} />
      <BillYears slug={slug} report={billsReport} />
      <div className={chapter.actions}>
        <Button variant="default" onClick={() => setEditing(!isEditing)}>
          {isEditing ? say.closeTheEditor : say.enterPasteOrBringBills}
        </Button>
      </div>
      {isEditing ? <BillEditor {...props} onDone={() => setEditing(false)} /> : <BillMonths report={billsReport} />}
    </>
  );
}

function BillsSentence({ billsReport }: MoneyProps) {
  if (!billsReport) return null;
  const { methods, currency, shares, progress, planTest } = billsReport;
  const best = methods.find(({ method }) => method === "re-run") ?? methods[0];
  const filledMonths = billsReport.runRates.find(({ method }) => method === best?.method)?.filledMonths ?? 0;
  if (!best) return <p className={chapter.verdict}>{say.monthsOfBillsStandHereNone(billsReport.months.length)}</p>;
  return (
    <p className={chapter.verdict} data-testid="bills-verdict">
      {say.theArraySaved}
      <Figure
        name={best.isRange ? undefined : `saved-${METHOD_FIGURES[best.method]}/all`}
        working={() => methodWorking(billsReport, best.method)}
      >
        {best.isRange ? say.between(money(best.low!, 0), money(best.high!, 0)) : money(best.total, 0)} {currency}
      </Figure>{" "}
      {best.months === 1 ? say.inOneMonth : say.inMonths(best.months)}
      {best.isRange ? say.useByBandNotKnown : best.low && ` (${say.lowToHigh(money(best.low, 0), money(best.high!, 0))})`}
      {!best.isRange && <AYear best={best} filledMonths={filledMonths} report={billsReport} />}
      {best.method === "re-run" && !best.isRange && planTest?.isTrusted === false && (
        <span className={chapter.clay}>{say.planMissesTheBills}</span>
      )}
      {shares?.selfConsumptionFrac != null &&
        say.ofItsEnergyWasUsedOn(
          percent(shares.selfConsumptionFrac, 0),
          percent(shares.selfSufficiencyFrac ?? 0, 0),
          percent(shares.offsetFrac ?? 0, 0),
        )}
      {progress?.frac != null && (
        <>
          {say.standsAtOfWhatThePromise(progress.year, percent(progress.frac), progress.monthsRead)}
          {progress.monthsRead < 12 && progress.onCourseKwh !== null && say.onCourseForKwh(number(progress.onCourseKwh))}.
        </>
      )}
    </p>
  );
}

interface AYearProps {
  readonly best: BillsReport["methods"][number];
  readonly filledMonths: number;
  readonly report: BillsReport;
}

/** What that is a year: one figure where every calendar month was billed, else what it lies between. */
function AYear({ best, filledMonths, report }: AYearProps) {
  const between = say.lowToHigh(money(best.perYearLow, 0), money(best.perYearHigh, 0));
  const isOpen = filledMonths > 0 || best.perYear === null;
  return (
    <>
      :{" "}
      <Figure
        name={isOpen ? undefined : `saving-a-year-${METHOD_FIGURES[best.method]}/all`}
        working={() => methodWorking(report, best.method)}
      >
        {isOpen ? between : money(best.perYear!, 0)}
      </Figure>
      {isOpen ? say.aYearBySeason(filledMonths) : say.aYearOf(between)}
    </>
  );
}
