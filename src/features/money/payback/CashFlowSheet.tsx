"use client";

import { saveBlob } from "@/features/kit/save/save-chart";
import { say } from "@/wording/screens/money-payback";
import type { MoneyContext } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const FIRST_ROW = 17;
/** An end that never comes, years. */
const NO_END = 1000;

/** Keeps the cash flow as a sheet whose every figure is a live formula over the terms at its top. */
export function CashFlowSheet({ slug, context }: { slug: string; context: MoneyContext }) {
  const save = async (): Promise<void> => {
    const { default: Excel } = await import("exceljs");
    const book = new Excel.Workbook();
    fill(book.addWorksheet("Cash flow"), context);
    saveBlob(new Blob([await book.xlsx.writeBuffer()], { type: XLSX }), `${slug}-cash-flow.xlsx`);
  };
  return (
    <p className={styles.saves}>
      <button type="button" onClick={() => void save()}>
        {say.saveTheCashFlowAsXlsx}
      </button>
    </p>
  );
}

/** Price of an exported kilowatt-hour in a row's year, as the core has it: both prices by their share of the year in which the first one ends. */
function exportPrice(row: number): string {
  const before = `MAX(0,MIN(1,$B$11-(A${row}-1)))`;
  return `($B$4*(1+$B$10)^(A${row}-1)*${before}+$B$12*(1-${before}))`;
}

type Sheet = import("exceljs").Worksheet;

export function fill(sheet: Sheet, { payback, terms, site }: MoneyContext): void {
  const { currency } = site;
  const age = terms.ageYears ?? 0;
  const inputs: [string, number][] = [
    [`net cost, ${currency}`, Number(payback.netCost)],
    [say.energyOfTheFirstYearKwh, terms.firstYearKwh],
    [say.boughtAKwh(currency), Number(terms.importPerKwh)],
    [say.exportedAKwh(currency), Number(terms.exportPerKwh ?? 0)],
    [say.usedOnTheSpotShare, terms.selfUsedFrac],
    [say.priceRiseAYearShare, terms.priceRisePerYearFrac],
    [say.ageingInTheFirstYearShare, terms.ageing.firstYearFrac],
    [say.ageingAYearAfterItShare, terms.ageing.perYearFrac],
    [say.discountRateShare, terms.discountFrac ?? 0],
    [say.exportRiseAYearShare, terms.exportRisePerYearFrac ?? 0],
    [say.exportEndsAfterYears, terms.exportEnd?.afterYears ?? NO_END],
    [say.exportThenAKwh(currency), Number(terms.exportEnd?.thenPerKwh ?? 0)],
  ];
  sheet.addRows(inputs);
  sheet.addRow([say.worthOfAKwh(currency), { formula: "B3*B5+B4*(1-B5)" }]);
  const last = FIRST_ROW + payback.years.length - 1;
  sheet.addRow([say.netPresentValue(currency), { formula: `NPV(B9,G${FIRST_ROW}:G${last})-B1` }]);
  sheet.addRow([say.rateOfReturn, { formula: `IRR(G${FIRST_ROW - 1}:G${last})` }]);
  sheet.addRow([
    "year",
    "energy, kWh",
    `saved, ${currency}`,
    `upkeep, ${currency}`,
    `once, ${currency}`,
    say.shareOfTheFirstYear,
    { formula: "-B1" },
    { formula: "-B1" },
    { formula: "-B1" },
  ]);
  sheet.getCell(`J${FIRST_ROW - 1}`).value = say.gNetHBalanceIBalance;
  payback.years.forEach((year, k) => {
    const row = FIRST_ROW + k;
    // Mid-year share of nameplate against the first year's, as the core has it.
    const first = age === 0 ? "1-B7*0.5" : `1-B7-B8*(${age}-0.5)`;
    const share = k === 0 ? { formula: "1" } : { formula: `(1-B7-B8*(${age}+A${row}-1.5))/(${first})` };
    sheet.addRow([
      year.year,
      { formula: `$B$2*F${row}` },
      { formula: `B${row}*($B$3*(1+$B$6)^(A${row}-1)*$B$5+(1-$B$5)*${exportPrice(row)})` },
      Number(year.upkeep),
      Number(year.once),
      { formula: share.formula.replaceAll("B7", "$B$7").replaceAll("B8", "$B$8") },
      { formula: `C${row}-D${row}-E${row}` },
      { formula: `H${row - 1}+G${row}` },
      { formula: `I${row - 1}+G${row}/(1+$B$9)^A${row}` },
    ]);
  });
  sheet.columns.forEach((column, k) => {
    column.width = k === 0 ? 34 : 16;
  });
}
