"use client";

import type { BillsReport, SavingsMethodName } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, money, number } from "@/wording/format";
import { METHOD_NAMES, methodWorking, naiveWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

const WHAT: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": "the tariff in force over what would have been bought, less the bill",
  "old-average": "use at the price of the years before, less the bill",
  "flat-value": "every used and every exported kWh at one price each",
};
const TRUST: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": "trust this one",
  "old-average": "blind to price rises",
  "flat-value": "blind to hours and seasons",
};

/** Savings in three schools side by side, and why they part. */
export function MethodsTable({ report }: { report: BillsReport }) {
  const { methods, currency, runRates, naivePerYear, planTest } = report;
  if (methods.length === 0) return null;
  return (
    <section className={chapter.section}>
      <h2>Saved, in three schools</h2>
      <ScrollBox label="Saved, in three schools">
        <RuledTable className={`${chapter.table} ${styles.ways}`}>
          <thead>
            <tr>
              <th>school</th>
              <th>months</th>
              <th>saved, {currency}</th>
              <th>a year</th>
              <th>paid back on</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {methods.map((own) => {
              const rate = runRates.find(({ method }) => method === own.method);
              return (
                <tr key={own.method} data-trusted={own.method === "re-run" || undefined}>
                  <td>
                    <b>{METHOD_NAMES[own.method]}</b> <span className={chapter.soft}>{WHAT[own.method]}</span>
                  </td>
                  <Cells working={() => methodWorking(report, own.method)}>
                    {[own.months, money(own.total), money(own.perYear, 0), rate?.paidBackOn ? dateName(rate.paidBackOn) : "–"]}
                  </Cells>
                  <td className={chapter.soft}>{TRUST[own.method]}</td>
                </tr>
              );
            })}
            {naivePerYear !== null && (
              <tr>
                <td className={chapter.soft}>
                  <b className={styles.struck}>Bills before less bills after</b> prices, weather and what else was bought are in it
                </td>
                <td />
                <td />
                <Cells className={styles.struck} working={() => naiveWorking(naivePerYear, currency)}>
                  {[money(naivePerYear, 0)]}
                </Cells>
                <td />
                <td className={chapter.soft}>not a saving</td>
              </tr>
            )}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p>{whyWords(report)}</p>
      {planTest && (
        <p className={chapter.soft}>
          The plan run again over {planTest.months} printed bills: {planTest.exact} to the cent
          {planTest.exact < planTest.months && `, ${money(planTest.offTotal)} ${currency} off in all, most in ${planTest.worst}`}.
        </p>
      )}
    </section>
  );
}

/** Why the schools part, from the figures themselves. */
function whyWords({ why, currency, methods }: BillsReport): string {
  const price = (value: number): string => `${number(value, 3)} ${currency}`;
  const words: string[] = [];
  if (why.oldPerKwh !== null && why.nowPerKwh !== null) {
    const up = why.nowPerKwh > why.oldPerKwh;
    words.push(
      `A kWh of the same use cost ${price(why.oldPerKwh)} before the array and would cost ${price(why.nowPerKwh)} without it now: the old average price counts the ${up ? "rise" : "fall"} ${up ? "against" : "for"} the array.`,
    );
  }
  if (why.avoidedPerKwh !== null && why.nowPerKwh !== null)
    words.push(
      `What the sun covered avoided ${price(why.avoidedPerKwh)} a kWh: ${why.avoidedPerKwh < why.nowPerKwh ? "less than the average, since fixed charges stay and nights stay bought" : "more than the average, since it falls into dear hours"}.`,
    );
  if (why.loadBeforeKwh !== null && why.loadSinceKwh !== null && Math.abs(why.loadSinceKwh / why.loadBeforeKwh - 1) > 0.05)
    words.push(
      `Use went from ${number(why.loadBeforeKwh)} to ${number(why.loadSinceKwh)} kWh a year, so bills before less bills after is no saving.`,
    );
  return methods.length > 1 ? `Why they part. ${words.join(" ")}` : words.join(" ");
}
