"use client";

import Link from "next/link";
import { MonthCurves } from "@/charts";
import { type AgainstPromise, againstPromise, isOwnWeatherKnown, type LedgerLine, readOfTimeFrac } from "@/core/ledger";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import { naiveRatio, promiseRatioWorking } from "@/wording/workings/promise-working";
import styles from "./Causes.module.css";

interface PromiseViewProps {
  readonly slug: string;
  readonly months: readonly LedgerLine[];
  readonly fiscalStart: number;
  /** The span, in words. */
  readonly name: string;
}

/** Promise against expected against metered: by month of the year, as ratios of sums, and running on. */
export function PromiseView({ slug, months, fiscalStart, name }: PromiseViewProps) {
  const against = againstPromise(months);
  if (!against)
    return (
      <p className={chapter.verdict}>
        {say.noPromiseStandsBesideReadingsYet} <Link href={`/books/${slug}/site?view=losses`}>{say.writeThePromise}</Link>
      </p>
    );
  const sum = (lines: readonly LedgerLine[], of: (line: LedgerLine) => number): number =>
    lines.reduce((total, line) => total + of(line), 0);
  const { promisedKwh: promised, meteredKwh: metered } = against;
  const known = [...against.months];
  const expected = sum(known, (line) => line.expectedKwh - line.dataGapKwh);
  const naive = naiveRatio(against);
  // How much of it the weather took can be told only where the weather of every month is known.
  const isWeatherKnown = known.every(isOwnWeatherKnown);
  const spread = yearSpread(known);
  const byMonth = Array.from({ length: 12 }, (_, k) => (k + fiscalStart - 1) % 12).map((month) => {
    const own = known.filter((line) => Number(line.key.slice(5, 7)) - 1 === month);
    return { month, own };
  });
  return (
    <>
      <p className={chapter.verdict} data-testid="promise-verdict">
        {name}. {say.metered}
        <Figure working={() => promiseRatioWorking(against)}>{percent(metered / promised)}</Figure>
        {isWeatherKnown
          ? say.ofThePromiseWithTheWeather(
              percent(expected / promised),
              percent(expected / promised, 0),
              spread === null ? "" : say.toFromYearToYear(percent(spread[0], 0), percent(spread[1], 0)),
              biasWords(expected / promised),
            )
          : say.ofThePromiseWeatherNotKnown}
      </p>
      <MonthsTable byMonth={byMonth} sum={sum} against={against} expected={isWeatherKnown ? expected : null} />
      <RunningOn slug={slug} known={known} naive={naive} />
    </>
  );
}

interface RunningOnProps {
  readonly slug: string;
  readonly known: readonly LedgerLine[];
  readonly naive: number;
}

/** What a mean of percentages would say, and the three energies added up month by month. */
function RunningOn({ slug, known, naive }: RunningOnProps) {
  const running = cumulative(known);
  return (
    <>
      <p className={chapter.soft}>
        {say.theMeanOfMonthlyPercentagesWould(known.length)}
        <span className={styles.struck}>{percent(naive)}</span>
        {say.itLetsAJanuaryWeighAs}
      </p>
      <ChartFrame
        title="Running on"
        note={say.dottedPromiseDashedExpectedInkMetered}
        fileName={`${slug}-promise`}
        height={220}
        summary={say.promiseExpectedAndMeteredEnergyAdded}
        table={() => [
          ["month", "promise_kwh", "expected_kwh", "metered_kwh"],
          ...running.map((p) => [p.key, p.promiseKwh, p.expectedKwh, p.meteredKwh]),
        ]}
      >
        {(width) => <MonthCurves points={running} width={width} height={220} label={(kwh) => number(kwh)} />}
      </ChartFrame>
    </>
  );
}

interface MonthsTableProps {
  readonly byMonth: { month: number; own: LedgerLine[] }[];
  readonly sum: (lines: readonly LedgerLine[], of: (line: LedgerLine) => number) => number;
  readonly against: AgainstPromise;
  /** Null where the weather of a month is not known. */
  readonly expected: number | null;
}

function MonthsTable({ byMonth, sum, against, expected }: MonthsTableProps) {
  const { promisedKwh: promised, meteredKwh: metered } = against;
  return (
    <ScrollBox label={say.promiseByMonth}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>month</th>
            <th>promise, kWh</th>
            <th>expected, kWh</th>
            <th>metered, kWh</th>
            <th>metered ÷ promise</th>
            <th>expected ÷ promise</th>
            <th>metered ÷ expected</th>
          </tr>
        </thead>
        <tbody>
          {byMonth.map(({ month, own }) => {
            const p = sum(own, (line) => line.promiseKwh! * readOfTimeFrac(line));
            const e = !own.every(isOwnWeatherKnown) ? null : sum(own, (line) => line.expectedKwh - line.dataGapKwh);
            const m = sum(own, (line) => line.meteredKwh!);
            return (
              <tr key={month}>
                <td>{monthName(`2000-${String(month + 1).padStart(2, "0")}`)}</td>
                <Cells working={() => monthWorking(month, { promised: p, expected: e, metered: m, months: own.length })}>
                  {[
                    number(p / Math.max(1, own.length)),
                    e === null ? "–" : number(e / Math.max(1, own.length)),
                    number(m / Math.max(1, own.length)),
                    p > 0 ? percent(m / p) : "–",
                    e !== null && p > 0 ? percent(e / p) : "–",
                    e !== null && e > 0 ? percent(m / e) : "–",
                  ]}
                </Cells>
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr>
            <td>{say.sumOverSum}</td>
            <Cells working={() => promiseRatioWorking(against)}>
              {[
                number(promised),
                expected === null ? "–" : number(expected),
                number(metered),
                percent(metered / promised),
                expected === null ? "–" : percent(expected / promised),
                expected === null ? "–" : percent(metered / expected),
              ]}
            </Cells>
          </tr>
        </tfoot>
      </RuledTable>
    </ScrollBox>
  );
}

function cumulative(lines: readonly LedgerLine[]) {
  let [promiseKwh, expectedKwh, meteredKwh] = [0, 0, 0];
  // A sum of which a part is not known is not known.
  const isKnown = lines.every(isOwnWeatherKnown);
  return lines.map((line) => {
    promiseKwh += line.promiseKwh! * readOfTimeFrac(line);
    expectedKwh += line.expectedKwh - line.dataGapKwh;
    meteredKwh += line.meteredKwh!;
    return { key: line.key, promiseKwh, expectedKwh: isKnown ? expectedKwh : null, meteredKwh };
  });
}

/** Least and most of expected over promise among whole years; null under two. */
function yearSpread(lines: readonly LedgerLine[]): [number, number] | null {
  const years = [...new Set(lines.map(({ key }) => key.slice(0, 4)))]
    .map((year) => lines.filter(({ key }) => key.startsWith(year)))
    .filter((own) => own.length === 12)
    .map((own) => own.reduce((sum, line) => sum + line.expectedKwh, 0) / own.reduce((sum, line) => sum + line.promiseKwh!, 0));
  return years.length < 2 ? null : [Math.min(...years), Math.max(...years)];
}

const biasWords = (ratio: number): string =>
  ratio < 0.97 ? say.itPromisedMoreThanThisSites : ratio > 1.03 ? say.itWasWrittenOnTheSafe : say.itWasAFairPromise;

interface MonthSums {
  readonly promised: number;
  readonly expected: number | null;
  readonly metered: number;
  readonly months: number;
}

const monthWorking = (month: number, { promised, expected, metered, months }: MonthSums) => ({
  title: say.promiseAndMeterIn(monthName(`2000-${String(month + 1).padStart(2, "0")}`)),
  value: promised > 0 ? percent(metered / promised) : "–",
  unit: say.meteredOverPromise2,
  formula: say.meteredPromiseShareReadEnergiesAre,
  inputs: [
    { name: say.monthsWithBoth2, value: String(months), from: "over 90 % read" },
    { name: "promise", value: `${number(promised)} kWh`, from: say.designStatementForTheTimeThat },
    ...(expected === null ? [] : [{ name: "expected", value: `${number(expected)} kWh`, from: say.modelWithTheWeatherThatCame }]),
    { name: "metered", value: `${number(metered)} kWh`, from: "readings" },
  ],
  source: say.ratioOfSumsIec617241,
  assumptions: [say.monthsUnder90ReadAreLeft],
});
