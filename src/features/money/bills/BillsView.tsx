"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { money, number, percent } from "@/wording/format";
import { methodWorking } from "@/wording/workings/money-workings";
import type { MoneyProps } from "../money-props";
import { BillEditor } from "./BillEditor";
import { BillMonths } from "./BillMonths";
import { BillYears } from "./BillYears";
import { MethodsTable } from "./MethodsTable";

const MISSING_WORDS = {
  bills: "bills",
  plan: "the tariff plan that was in force (Tariff view)",
  production: "production of the billed months (Readings chapter)",
  export: "exported energy on the bills",
  bands: "imports by the plan's bands",
  before: "bills from before the array",
} as const;

/** Bills month by month and year by year, and what the array saved in three schools. */
export function BillsView(props: MoneyProps) {
  const { slug, billsReport, bills } = props;
  const [isEditing, setEditing] = useState(bills.length === 0);
  if (!billsReport)
    return (
      <>
        <p className={chapter.verdict}>
          No bills yet. With three years before the array and all since, this page says what it saved, and when it is paid for. Type them,
          paste them from a sheet, or bring a file with the columns from, to, import_kwh, export_kwh, amount.
        </p>
        <BillEditor {...props} onDone={() => setEditing(false)} />
      </>
    );
  return (
    <>
      <BillsSentence {...props} />
      {billsReport.missing.length > 0 && (
        <p className={chapter.clay}>Not all can be told: {billsReport.missing.map((item) => MISSING_WORDS[item]).join("; ")} missing.</p>
      )}
      <MethodsTable report={billsReport} />
      <BillYears slug={slug} report={billsReport} />
      <div className={chapter.actions}>
        <Button variant="default" onClick={() => setEditing(!isEditing)}>
          {isEditing ? "Close the editor" : "Enter, paste or bring bills"}
        </Button>
      </div>
      {isEditing ? <BillEditor {...props} onDone={() => setEditing(false)} /> : <BillMonths report={billsReport} />}
    </>
  );
}

function BillsSentence({ billsReport }: MoneyProps) {
  if (!billsReport) return null;
  const { methods, currency, shares, progress } = billsReport;
  const best = methods.find(({ method }) => method === "re-run") ?? methods[0];
  if (!best)
    return (
      <p className={chapter.verdict}>{billsReport.months.length} months of bills stand here; none can be set against production yet.</p>
    );
  return (
    <p className={chapter.verdict} data-testid="bills-verdict">
      The array saved{" "}
      <Figure working={() => methodWorking(billsReport, best.method)}>
        {money(best.total, 0)} {currency}
      </Figure>{" "}
      in {best.months} months
      {best.low && ` (${money(best.low, 0)} to ${money(best.high!, 0)})`}: {money(best.perYear, 0)} a year.
      {shares?.selfConsumptionFrac != null && (
        <>
          {" "}
          {percent(shares.selfConsumptionFrac, 0)} of its energy was used on the spot, which covered{" "}
          {percent(shares.selfSufficiencyFrac ?? 0, 0)} of the use; it made {percent(shares.offsetFrac ?? 0, 0)} of what was used.
        </>
      )}
      {progress?.frac != null && (
        <>
          {" "}
          {progress.year} stands at {percent(progress.frac)} of what the promise says of its {progress.monthsRead} months
          {progress.monthsRead < 12 && progress.onCourseKwh !== null && `, on course for ${number(progress.onCourseKwh)} kWh`}.
        </>
      )}
    </p>
  );
}
