"use client";

import type { BillsReport, SavingsMethodName } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, money, monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/money-bills";
import { METHOD_FIGURES, METHOD_NAMES, methodWorking, naiveWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";
import { AveragePrices } from "./AveragePrices";

const WHAT: Readonly<Record<SavingsMethodName, string>> = {
  "re-run": say.theTariffInForceOverWhat,
  "old-average": say.toUseAtThePriceOfThe,
  "flat-value": say.everyUsedAndEveryExportedKwh,
};
const BLIND: Readonly<Record<Exclude<SavingsMethodName, "re-run">, string>> = {
  "old-average": say.blindToPriceRises,
  "flat-value": say.blindToHoursAndSeasons,
};

/** How far a method may be trusted: the re-run where its plan gives the printed bills again. */
function trustIn(method: SavingsMethodName, { methods, planTest }: BillsReport): string {
  if (method !== "re-run") return BLIND[method];
  if (methods.find((own) => own.method === method)?.isRange) return say.useHasNoBand;
  if (!planTest) return say.noPrintedBillRunAgain;
  return planTest.isTrusted ? say.trustThisOne : say.missesPrintedBills(planTest.beyond.length, planTest.months);
}

/** One figure, or the two that it lies between. */
const figureOf = ({ total, low, high, isRange }: BillsReport["methods"][number]): string =>
  isRange ? say.lowToHigh(money(low!), money(high!)) : money(total);
const yearOf = ({ perYear, perYearLow, perYearHigh }: BillsReport["methods"][number], filledMonths: number): string =>
  perYear === null || filledMonths > 0 ? say.lowToHigh(money(perYearLow, 0), money(perYearHigh, 0)) : money(perYear, 0);

const backWords = (on: string, today: string): string => (on < today ? say.cameBackOn(dateName(on)) : dateName(on));

/** The day on which the money is back, or the months that it lies between where too little is known for a day. */
function backOf(rate: BillsReport["runRates"][number] | undefined, today: string): string {
  if (!rate) return "–";
  if (rate.paidBackOn && (rate.filledMonths === 0 || rate.paidBackOn < today)) return backWords(rate.paidBackOn, today);
  return rate.paidBackFrom
    ? say.backBetween(yearAndMonth(rate.paidBackFrom), rate.paidBackBy ? yearAndMonth(rate.paidBackBy) : say.beyond40Years)
    : "–";
}

const yearAndMonth = (day: string): string => `${monthName(day.slice(0, 7), "short")} ${day.slice(0, 4)}`;

/** Savings by three methods side by side, and why they part. */
export function MethodsTable({ report, today }: { report: BillsReport; today: string }) {
  const { methods, currency, naivePerYear, planTest } = report;
  if (methods.length === 0) return null;
  return (
    <section className={chapter.section}>
      <h2>{say.savedByThreeMethods}</h2>
      <ScrollBox label={say.savedByThreeMethods}>
        <RuledTable className={`${chapter.table} ${styles.ways}`}>
          <thead>
            <tr>
              <th>method</th>
              <th>months</th>
              <th>saved, {currency}</th>
              <th>a year</th>
              <th>{say.paidBackOn}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {methods.map((own) => (
              <MethodRow key={own.method} own={own} report={report} today={today} />
            ))}
            {naivePerYear !== null && (
              <tr>
                <td className={chapter.soft}>
                  <b className={styles.struck}>{say.billsBeforeLessBillsAfter}</b> {say.pricesWeatherAndWhatElseWas}
                </td>
                <td />
                <td />
                <Cells className={styles.struck} working={() => naiveWorking(naivePerYear, currency)}>
                  {[money(naivePerYear, 0)]}
                </Cells>
                <td />
                <td className={chapter.soft}>{say.notASaving}</td>
              </tr>
            )}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p>{whyWords(report)}</p>
      <AveragePrices why={report.why} currency={currency} />
      {planTest && (
        <p className={chapter.soft}>
          {say.thePlanRunAgainOverPrinted(planTest.months, planTest.exact)}
          {planTest.exact < planTest.months && say.offInAllMostIn(money(planTest.offTotal), currency, planTest.worst)}.
        </p>
      )}
    </section>
  );
}

interface MethodRowProps {
  readonly own: BillsReport["methods"][number];
  readonly report: BillsReport;
  readonly today: string;
}

function MethodRow({ own, report, today }: MethodRowProps) {
  const rate = report.runRates.find(({ method }) => method === own.method);
  return (
    <tr data-trusted={(own.method === "re-run" && report.planTest?.isTrusted && !own.isRange) || undefined}>
      <td>
        <b>{METHOD_NAMES[own.method]}</b> <span className={chapter.soft}>{WHAT[own.method]}</span>
      </td>
      <Cells
        working={() => methodWorking(report, own.method)}
        names={own.isRange ? [] : [undefined, `saved-${METHOD_FIGURES[own.method]}/all`, `saving-a-year-${METHOD_FIGURES[own.method]}/all`]}
      >
        {[own.months, figureOf(own), yearOf(own, rate?.filledMonths ?? 0), backOf(rate, today)]}
      </Cells>
      <td className={chapter.soft}>{trustIn(own.method, report)}</td>
    </tr>
  );
}

/** Why the methods part, from the figures themselves. */
function whyWords({ why, currency, methods }: BillsReport): string {
  const price = (value: number): string => `${number(value, 3)} ${currency}`;
  const words: string[] = [];
  if (why.oldPerKwh !== null && why.nowPerKwh !== null) {
    const up = why.nowPerKwh > why.oldPerKwh;
    words.push(say.aKwhOfTheSameUse(price(why.oldPerKwh), price(why.nowPerKwh), up ? "rise" : "fall", up ? "against" : "for"));
  }
  if (why.avoidedPerKwh !== null && why.nowPerKwh !== null)
    words.push(
      say.whatTheSunCoveredAvoidedA(
        price(why.avoidedPerKwh),
        why.avoidedPerKwh < why.nowPerKwh ? say.lessThanTheAverageSinceFixed : say.moreThanTheAverageSinceIt,
      ),
    );
  if (why.loadBeforeKwh !== null && why.loadSinceKwh !== null && Math.abs(why.loadSinceKwh / why.loadBeforeKwh - 1) > 0.05)
    words.push(say.toUseWentFromToKwhA(number(why.loadBeforeKwh), number(why.loadSinceKwh)));
  return methods.length > 1 ? say.whyTheyPart(words.join(" ")) : words.join(" ");
}
