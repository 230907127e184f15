"use client";

import type { PlanComparison } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, number } from "@/wording/format";
import type { Working } from "@/wording/workings/working";
import styles from "../MoneyChapter.module.css";

type Row = PlanComparison["rows"][number];

/** The cheapest plan in a sentence, and whether an offer costs more a bought kWh than the plan in force. */
export function comparisonWords({ rows, from, to }: PlanComparison, currency: string): string {
  const live = rows.filter(({ isPast }) => !isPast);
  const own = live.find(({ isOwn }) => isOwn);
  const [best] = live;
  if (!own || !best) return "No plan of this book can be charged over the last twelve billed months.";
  const saved = Number(own.withArray) - Number(best.withArray);
  const dearest = live.filter(
    (row) => !row.isOwn && row.perImportedKwh !== null && own.perImportedKwh !== null && row.perImportedKwh > own.perImportedKwh,
  );
  const first =
    best.isOwn || saved <= 0
      ? `From ${from} to ${to} the plan in force was the cheapest with the array.`
      : `From ${from} to ${to} “${best.name}” would have been ${number(saved)} ${currency} cheaper with the array than the plan in force.`;
  const worst = dearest.at(-1);
  const second = worst
    ? ` “${worst.name}” costs ${number(worst.perImportedKwh!, 3)} a bought kWh against ${number(own.perImportedKwh!, 3)}: more than the plan in force.`
    : "";
  return first + second;
}

/** The last twelve billed months under every plan. */
export function ComparisonTable({ comparison, currency }: { comparison: PlanComparison; currency: string }) {
  return (
    <section className={chapter.section}>
      <h2>
        The same use under each plan, {comparison.from} to {comparison.to}
      </h2>
      <ScrollBox label="Plans compared">
        <RuledTable className={`${chapter.table} ${styles.ways}`}>
          <thead>
            <tr>
              <th>plan</th>
              <th>with the array, {currency}</th>
              <th>without it, {currency}</th>
              <th>the array saves, {currency}</th>
              <th>a bought kWh with it</th>
              <th>without it</th>
            </tr>
          </thead>
          <tbody>
            {comparison.rows.map((row) => (
              <tr key={row.id} data-trusted={row.isOwn || undefined} className={row.isPast ? chapter.soft : undefined}>
                <td>
                  <b>{row.name}</b> {row.isOwn && <span className={chapter.soft}>in force</span>}
                  {row.isPast && <span className={chapter.soft}>no longer in force</span>}
                </td>
                <Cells working={() => planWorking(row, comparison, currency)}>
                  {[
                    money(row.withArray),
                    money(row.withoutArray),
                    number(Number(row.withoutArray) - Number(row.withArray), 2),
                    row.perImportedKwh === null ? "–" : number(row.perImportedKwh, 4),
                    row.perImportedKwhWithout === null ? "–" : number(row.perImportedKwhWithout, 4),
                  ]}
                </Cells>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
    </section>
  );
}

function planWorking(row: Row, { from, to }: PlanComparison, currency: string): Working {
  return {
    title: `A year under “${row.name}”`,
    value: money(row.withArray),
    unit: currency,
    formula: "Σ over twelve months of fixed + Σ bands (kWh × price) + levies + taxes − export credit",
    inputs: [
      { name: "Months", value: `${from} to ${to}`, from: "the last twelve with a bill" },
      { name: "Hours of use", value: "reckoned", from: "bills by band, production hour by hour, a household's day; sums as printed" },
      {
        name: "A bought kWh",
        value: row.perImportedKwh === null ? "–" : number(row.perImportedKwh, 4),
        from: "energy charges ÷ bought kWh, before levies and taxes",
      },
    ],
    source: "The bills, plans and readings of this book.",
    assumptions: ["Nobody moves a washing machine for a cheaper hour.", "The plan's prices hold for all twelve months."],
  };
}
