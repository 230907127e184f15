import type { BillsReport } from "@/contracts/money";
import { saveBlob } from "@/features/kit/save/save-chart";
import { say } from "@/wording/screens/money-bills";

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

/** Bills as a sheet whose sums, prices and savings are live formulas. */
export async function saveBillsSheet(slug: string, report: BillsReport): Promise<void> {
  const { default: Excel } = await import("exceljs");
  const book = new Excel.Workbook();
  const sheet = book.addWorksheet("Bills", { views: [{ state: "frozen", xSplit: 1, ySplit: 1 }] });
  const { currency } = report;
  sheet.addRow([
    "month",
    "bought, kWh",
    "exported, kWh",
    "produced, kWh",
    say.usedOnTheSpotKwh,
    `bill, ${currency}`,
    say.aBoughtKwh,
    say.withoutTheArray2(currency),
    `saved, ${currency}`,
    "note",
  ]);
  report.months.forEach((month, k) => {
    const row = k + 2;
    sheet.addRow([
      month.key,
      month.importKwh,
      month.exportKwh,
      month.productionKwh,
      { formula: `IF(AND(ISNUMBER(D${row}),ISNUMBER(C${row})),MAX(0,D${row}-C${row}),"")` },
      Number(month.amount),
      { formula: `IF(B${row}>0,F${row}/B${row},"")` },
      month.without === null ? null : Number(month.without),
      { formula: `IF(ISNUMBER(H${row}),H${row}-F${row},"")` },
      month.isEstimated ? "estimated" : month.isFilled ? "production filled" : "",
    ]);
  });
  const last = report.months.length + 1;
  sheet.addRow([
    "sum",
    // Months without a bill count in no sum.
    ...["B", "C", "D", "E", "F"].map((column) => ({ formula: `SUMIF(J2:J${last},"<>estimated",${column}2:${column}${last})` })),
    { formula: `F${last + 1}/B${last + 1}` },
    null,
    // Where a month is only known between two ends there is no sum of what was saved.
    report.methods.some(({ isRange }) => isRange) ? null : { formula: `SUMIF(J2:J${last},"<>estimated",I2:I${last})` },
  ]);
  for (const row of [1, last + 1]) sheet.getRow(row).font = { bold: true };
  sheet.columns.forEach((column, k) => {
    column.width = k === 0 ? 10 : 17;
    column.numFmt = k === 6 ? "0.0000" : "#,##0.00";
  });
  saveBlob(new Blob([await book.xlsx.writeBuffer()], { type: XLSX }), `${slug}-bills.xlsx`);
}
