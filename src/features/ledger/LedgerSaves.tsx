"use client";

import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
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
    ...LEDGER_ACCOUNTS.filter((account) => account !== "unread" && account !== "remainder").map((account) => `${account}_kwh`),
    "explained_kwh",
    "unread_kwh",
    "remainder_kwh",
    "metered_kwh",
    "promise_kwh",
    "read_frac",
  ];
  const row = (line: LedgerLine): Cell[] => {
    const { unread: _unread, remainder: _remainder, ...model } = ledgerPostings(line);
    return [
      line.key,
      line.planeKwhM2,
      line.referenceKwh,
      ...Object.values(model),
      line.expectedKwh,
      line.dataGapKwh,
      line.unexplainedKwh,
      line.meteredKwh,
      line.promiseKwh,
      line.readFrac,
    ];
  };
  return [head, ...lines.map(row), row({ ...sum, key: "sum" })];
}

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
    accounts.addRows([
      ["code", "account"],
      ...LEDGER_ACCOUNTS.map((account) => [ACCOUNT_NAMES[account].code, ACCOUNT_NAMES[account].name]),
    ]);
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
