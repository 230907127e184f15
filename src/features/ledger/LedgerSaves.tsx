"use client";

import { DESIGN_ACCOUNTS, FOUND_ACCOUNTS } from "@/core/accounts";
import { designLosses, foundSumKwh, type LedgerLine, performanceIndex } from "@/core/ledger";
import { csvOf } from "@/features/kit/save/csv";
import { saveBlob, saveText } from "@/features/kit/save/save-chart";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { say } from "@/wording/screens/ledger";
import views from "./LedgerViews.module.css";

type Cell = string | number | null;

/** The page's lines as a table: a header row, the lines, their sum. */
export function ledgerTable(lines: readonly LedgerLine[], sum: LedgerLine): Cell[][] {
  const head = [
    "span",
    "plane_kwh_m2",
    "reference_kwh",
    ...DESIGN_ACCOUNTS.map((account) => `design_${snake(account)}_kwh`),
    "expected_kwh",
    ...FOUND_ACCOUNTS.map((account) => `found_${snake(account)}_kwh`),
    "found_kwh",
    "data_gap_kwh",
    "unexplained_kwh",
    "metered_kwh",
    "metered_without_weather_kwh",
    "performance_index",
    "promise_kwh",
    "data_availability_frac",
  ];
  const row = (line: LedgerLine): Cell[] => {
    const planned = designLosses(line);
    // Without weather nothing is known of the sun: a file holds no nought for it.
    const lit = (value: number): number | null => (line.referenceKwh > 0 || line.meteredKwh === null ? value : null);
    return [
      line.key,
      lit(line.planeKwhM2),
      lit(line.referenceKwh),
      ...DESIGN_ACCOUNTS.map((account) => lit(planned[account])),
      lit(line.expectedKwh),
      ...FOUND_ACCOUNTS.map((account) => (line.isSought ? line.foundKwh[account] : null)),
      line.isSought ? foundSumKwh(line) : null,
      lit(line.dataGapKwh),
      line.unexplainedKwh,
      line.meteredKwh,
      line.unmatchedKwh,
      performanceIndex(line),
      line.promiseKwh,
      line.readFrac,
    ];
  };
  return [head, ...lines.map(row), row({ ...sum, key: "sum" })];
}

const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** Keeps the page as CSV, as a sheet, or on paper. */
export function LedgerSaves({
  slug,
  selected,
  lines,
  sum,
}: {
  slug: string;
  selected: string;
  lines: readonly LedgerLine[];
  sum: LedgerLine;
}) {
  const name = `${slug}-ledger-${selected}`;
  const sheet = async () => {
    const { default: Excel } = await import("exceljs");
    const book = new Excel.Workbook();
    const page = book.addWorksheet("Ledger", { views: [{ state: "frozen", xSplit: 1, ySplit: 1 }] });
    page.addRows(ledgerTable(lines, sum));
    page.getRow(1).font = { bold: true };
    page.columns.forEach((column) => {
      column.width = 15;
      column.numFmt = "#,##0.0";
    });
    const accounts = book.addWorksheet("Accounts");
    accounts.addRows([["code", "account"], ...Object.values(ACCOUNT_NAMES).map(({ code, name }) => [code, name])]);
    const bytes = await book.xlsx.writeBuffer();
    saveBlob(new Blob([bytes], { type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet" }), `${name}.xlsx`);
  };
  return (
    <div className={views.saves}>
      <button type="button" onClick={() => saveText(csvOf(ledgerTable(lines, sum)), `${name}.csv`, "text/csv")}>
        {say.saveAsCsv}
      </button>
      <button type="button" onClick={() => void sheet()}>
        {say.saveAsXlsx}
      </button>
      <button type="button" onClick={() => window.print()}>
        Print
      </button>
    </div>
  );
}
