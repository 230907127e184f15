"use client";

import type { PlanComparison } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-tariff";
import type { Working } from "@/wording/workings/working";
import styles from "../MoneyChapter.module.css";

type Row = PlanComparison["rows"][number];

/** The cheapest plan in a sentence, and whether an offer costs more a bought kWh than the plan in force. */
export function comparisonWords({ rows, from, to }: PlanComparison, currency: string): string {
  const live = rows.filter(({ isPast }) => !isPast);
  const own = live.find(({ isOwn }) => isOwn);
  const [best] = live;
  if (!own || !best) return say.noPlanOfThisBookCan;
  const saved = Number(own.withArray) - Number(best.withArray);
  const dearest = live.filter(
    (row) => !row.isOwn && row.perImportedKwh !== null && own.perImportedKwh !== null && row.perImportedKwh > own.perImportedKwh,
  );
  const first =
    best.isOwn || saved <= 0
      ? say.fromToThePlanInForce(from, to)
      : say.fromToWouldHaveBeenCheaper(from, to, best.name, number(saved), currency);
  const worst = dearest.at(-1);
  const second = worst ? say.costsABoughtKwhAgainstMore(worst.name, number(worst.perImportedKwh!, 3), number(own.perImportedKwh!, 3)) : "";
  return first + second;
}

/** The last twelve billed months under every plan. */
export function ComparisonTable({ comparison, currency }: { comparison: PlanComparison; currency: string }) {
  return (
    <section className={chapter.section}>
      <h2>{say.theSameUseUnderEachPlan(comparison.from, comparison.to)}</h2>
      <ScrollBox label="Plans compared">
        <RuledTable className={`${chapter.table} ${styles.ways}`}>
          <thead>
            <tr>
              <th>plan</th>
              <th>with the array, {currency}</th>
              <th>without it, {currency}</th>
              <th>{say.theArraySaves(currency)}</th>
              <th>{say.aBoughtKwhWithIt}</th>
              <th>without it</th>
            </tr>
          </thead>
          <tbody>
            {comparison.rows.map((row) => (
              <tr key={row.id} data-trusted={row.isOwn || undefined} className={row.isPast ? chapter.soft : undefined}>
                <td>
                  <b>{row.name}</b> {row.isOwn && <span className={chapter.soft}>in force</span>}
                  {row.isPast && <span className={chapter.soft}>{say.noLongerInForce}</span>}
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
    title: say.aYearUnder(row.name),
    value: money(row.withArray),
    unit: currency,
    formula: say.overTwelveMonthsOfFixedBands,
    inputs: [
      { name: "Months", value: `${from} to ${to}`, from: say.theLastTwelveWithABill },
      { name: say.hoursOfUse, value: "reckoned", from: say.billsByBandProductionHourBy },
      {
        name: say.aBoughtKwh,
        value: row.perImportedKwh === null ? "–" : number(row.perImportedKwh, 4),
        from: say.energyChargesBoughtKwhBeforeLevies,
      },
    ],
    source: say.theBillsPlansAndReadingsOf,
    assumptions: [say.nobodyMovesAWashingMachineFor, say.thePlansPricesHoldForAll],
  };
}
