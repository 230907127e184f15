"use client";

import Link from "next/link";
import { DaySeries } from "@/charts";
import type { AttributionView, SoilingReport } from "@/contracts/attribution";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { dateName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import { dirtWorking } from "@/wording/workings/dirt-working";
import styles from "./Causes.module.css";
import { CleaningsSection, type DirtAndSnowProps, WintersSection } from "./DirtAndSnowTables";

const WEEKS_OF_MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** Dirt day by day with what took it off, what a cleaning brings and when, and the winters' snow. */
export function DirtAndSnowView({ slug, report, lastDay, span, pricePerKwh, currency }: DirtAndSnowProps) {
  const { soiling, snow, days } = report;
  const money = (kwh: number): string => (pricePerKwh === null ? "" : `, ${number(kwh * pricePerKwh)} ${currency}`);
  const marks = soiling.resets.map((reset) => ({
    date: reset.date,
    kind: reset.cause,
    title: `${dateName(reset.date)}: ${reset.cause === "rain" ? "rain" : reset.cause === "cleaning" ? say.cleaningInTheFieldBook : "cleaning suspected"}, took off ${percent(reset.effectFrac)}`,
  }));
  return (
    <>
      <p className={chapter.verdict} data-testid="dirt-verdict">
        <Figure plain working={() => dirtWorking(soiling, lastDay ?? "", span)}>
          {dirtVerdict(report, span)} {nowOrWait(report, lastDay, money)}
        </Figure>
      </p>
      <DirtChart slug={slug} days={days} soiling={soiling} marks={marks} />
      <div className={styles.split}>
        <CleaningsSection soiling={soiling} pricePerKwh={pricePerKwh} currency={currency} />
        <section className={chapter.section}>
          <WeekBars slug={slug} gains={soiling.gainByWeekKwh} />
          <p className={chapter.soft}>
            {say.whatItBringsAndWhetherItPays}
            <Link href={`/books/${slug}/money?view=cases`}>{say.seeTheDecision}</Link>.
          </p>
        </section>
      </div>
      <WintersSection snow={snow} pricePerKwh={pricePerKwh} currency={currency} report={report} />
    </>
  );
}

interface DirtChartProps {
  readonly slug: string;
  readonly days: string[];
  readonly soiling: SoilingReport;
  readonly marks: { date: string; kind: "cleaning" | "rain" | "suspected"; title: string }[];
}

function DirtChart({ slug, days, soiling, marks }: DirtChartProps) {
  return (
    <ChartFrame
      title={say.lightLostToDirt}
      note={say.tickRainFilledCleaningWrittenDown}
      fileName={`${slug}-dirt`}
      height={210}
      summary={say.shareOfLightLostToDirt}
      table={() => [["day", "lost_frac"], ...days.map((day, d) => [day, soiling.lostFracByDay[d] ?? null])]}
    >
      {(width) => (
        <DaySeries
          days={days}
          values={soiling.lostFracByDay}
          marks={marks}
          width={width}
          height={210}
          fill="var(--account-soiling)"
          label={(value) => percent(value, 0)}
        />
      )}
    </ChartFrame>
  );
}

function dirtVerdict({ soiling }: AttributionView, span: string): string {
  if (!soiling.isSeen)
    return soiling.meanLostFrac > 0.0005 ? say.dirtIsHardlyToldFromScatter(percent(soiling.meanLostFrac), span) : say.noDirtIsToldFromThe;
  return say.dirtGrowsByADayTo(
    percent(soiling.ratePerDayFrac, 2),
    percent(soiling.rateLowFrac, 2),
    percent(soiling.rateHighFrac, 2),
    percent(soiling.meanLostFrac),
    span,
  );
}

function nowOrWait({ soiling }: AttributionView, lastDay: string | null, money: (kwh: number) => string): string {
  if (!soiling.isSeen || lastDay === null) return "";
  const rain = soiling.daysToRain === null ? "" : say.rainThatWashesComesAfterDays(number(soiling.daysToRain));
  return say.onItTakesCleaningThenWould(
    dateName(lastDay),
    percent(soiling.nowFrac),
    number(soiling.nowGainKwh),
    money(soiling.nowGainKwh),
    money(1) ? say.worthItWhileACleaningCosts : "",
    rain,
  );
}

/** Mean gain of one cleaning by week of the year; the best week in clay. */
const WEEK_BARS_PX = 130;

/** What one cleaning brings, week by week of the year. */
function WeekBars({ slug, gains }: { slug: string; gains: readonly number[] }) {
  const most = Math.max(1e-9, ...gains);
  const best = gains.indexOf(Math.max(...gains));
  if (most < 1)
    return (
      <>
        <h2>{say.whenOneCleaningAYearBrings}</h2>
        <p className={chapter.soft}>{say.inNoWeekWouldOneCleaning}</p>
      </>
    );
  const tall = (kwh: number): number => (100 * kwh) / most;
  return (
    <>
      <ChartFrame
        title={say.whenOneCleaningAYearBrings}
        note={say.kwhAYearByItsWeek}
        fileName={`${slug}-cleaning-by-week`}
        height={WEEK_BARS_PX}
        summary={say.gainOfOneCleaningByWeek}
        table={() => [["week", "gain_kwh"], ...gains.map((kwh, week) => [week + 1, kwh])]}
      >
        {(width) => {
          const step = width / gains.length;
          return (
            <>
              {gains.map((kwh, week) => (
                <rect
                  // biome-ignore lint/suspicious/noArrayIndexKey: a week of the year is its number
                  key={week}
                  x={week * step}
                  width={step * 0.8}
                  y={110 - tall(kwh)}
                  height={tall(kwh)}
                  fill={week === best ? "var(--clay)" : "var(--account-soiling)"}
                >
                  <title>{`week ${week + 1}: ${number(kwh)} kWh`}</title>
                </rect>
              ))}
              {WEEKS_OF_MONTHS.map((name, m) => (
                <text key={name} x={(m * width) / 12 + 4} y={126} fontSize={11.5} fill="var(--ink-soft)">
                  {name}
                </text>
              ))}
            </>
          );
        }}
      </ChartFrame>
      <p className={chapter.soft}>
        {say.bestInWeek(best + 1)}
        {WEEKS_OF_MONTHS[Math.min(11, Math.floor(best / 4.35))]}
        {say.whereAllElseIsLeftToTheRain}
      </p>
    </>
  );
}
