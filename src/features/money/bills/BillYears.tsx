"use client";

import type { BillsReport } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { csvOf } from "@/features/kit/save/csv";
import { saveText } from "@/features/kit/save/save-chart";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-bills";
import { billedYearWorking, METHOD_FIGURES } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";
import { saveBillsSheet } from "./bills-sheet";

const kwh = (value: number | null): string => (value === null ? "–" : number(value));

/** Years of bills: what was bought, produced, paid and saved. */
export function BillYears({ slug, report }: { slug: string; report: BillsReport }) {
  const { years, currency } = report;
  return (
    <section className={chapter.section}>
      <h2>{say.yearByYear}</h2>
      <ScrollBox label={say.billsByYear}>
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th>year</th>
              <th>months</th>
              <th>bought, kWh</th>
              <th>produced, kWh</th>
              <th>{say.usedOnTheSpotKwh}</th>
              <th>exported, kWh</th>
              <th>bills, {currency}</th>
              <th>{say.aBoughtKwh}</th>
              <th>saved, {currency}</th>
            </tr>
          </thead>
          <tbody>
            {years.map((year) => (
              <tr key={year.key}>
                <td>{year.key}</td>
                <Cells
                  working={() => billedYearWorking(year, currency)}
                  names={[...NOT_NAMED, `saved-${METHOD_FIGURES["re-run"]}/${year.key}`]}
                >
                  {[
                    year.months,
                    number(year.importKwh),
                    kwh(year.productionKwh),
                    kwh(year.selfUsedKwh),
                    kwh(year.exportKwh),
                    money(year.amount),
                    year.perKwh === null ? "–" : number(year.perKwh, 3),
                    year.saved["re-run"] === null ? "–" : money(year.saved["re-run"], 0),
                  ]}
                </Cells>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p className={styles.saves}>
        <button type="button" onClick={() => saveText(csvOf(monthTable(report)), `${slug}-bills.csv`, "text/csv")}>
          {say.saveTheMonthsAsCsv}
        </button>{" "}
        ·{" "}
        <button type="button" onClick={() => void saveBillsSheet(slug, report)}>
          {say.saveAsXlsxWithFormulas}
        </button>
      </p>
    </section>
  );
}

/** Columns before what was saved. */
const NOT_NAMED = Array.from({ length: 7 }, () => undefined);

export function monthTable({ months }: BillsReport): (string | number | null)[][] {
  const bands = [...new Set(months.flatMap((month) => Object.keys(month.importByBandKwh)))];
  return [
    [
      "month",
      "import_kwh",
      ...bands.map((band) => `import_${band.replaceAll("-", "_")}_kwh`),
      "export_kwh",
      "production_kwh",
      "amount",
      "without_array",
      "saved_re_run",
      "saved_old_average",
      "saved_flat_value",
      "estimated",
    ],
    ...months.map((month) => [
      month.key,
      month.importKwh,
      ...bands.map((band) => month.importByBandKwh[band] ?? null),
      month.exportKwh,
      month.productionKwh,
      month.amount,
      month.without,
      month.saved["re-run"],
      month.saved["old-average"],
      month.saved["flat-value"],
      month.isEstimated ? "yes" : "",
    ]),
  ];
}
