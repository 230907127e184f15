"use client";

import { NumberInput } from "@mantine/core";
import { useState } from "react";
import { DaySeries } from "@/charts";
import type { AttributionView } from "@/contracts/attribution";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import { dirtWorking } from "@/wording/workings/dirt-working";
import styles from "./Causes.module.css";
import { SnowByArray } from "./SnowByArray";

export interface DirtAndSnowProps {
  readonly slug: string;
  readonly report: AttributionView;
  /** Worth of a kilowatt-hour at the meter; null where no price is known. */
  readonly pricePerKwh: number | null;
  readonly currency: string;
}

const WEEKS_OF_MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** Dirt day by day with what took it off, what a cleaning brings and when, and the winters' snow. */
export function DirtAndSnowView({ slug, report, pricePerKwh, currency }: DirtAndSnowProps) {
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
        <Figure plain working={() => dirtWorking(soiling, days.at(-1) ?? "")}>
          {dirtVerdict(report)} {nowOrWait(report, money)}
        </Figure>
      </p>
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
      <div className={styles.split}>
        <section className={chapter.section}>
          <h2>{say.whatCleaningsBrought}</h2>
          {soiling.cleanings.length > 0 ? (
            <ScrollBox label={say.whatCleaningsBrought}>
              <RuledTable className={chapter.table}>
                <thead>
                  <tr>
                    <th>date</th>
                    <th style={{ textAlign: "left" }}>told by</th>
                    <th>brought, kWh</th>
                    {pricePerKwh !== null && <th>worth, {currency}</th>}
                  </tr>
                </thead>
                <tbody>
                  {soiling.cleanings.map((cleaning) => (
                    <tr key={cleaning.date}>
                      <td>{cleaning.date}</td>
                      <td style={{ textAlign: "left" }}>{cleaning.cause === "cleaning" ? "field book" : say.theOutputAlone}</td>
                      <td>
                        <Figure plain working={() => cleaningWorking(cleaning.date, cleaning.gainKwh)}>
                          {number(cleaning.gainKwh)}
                        </Figure>
                      </td>
                      {pricePerKwh !== null && (
                        <Cells working={() => cleaningWorking(cleaning.date, cleaning.gainKwh)}>
                          {[number(cleaning.gainKwh * pricePerKwh)]}
                        </Cells>
                      )}
                    </tr>
                  ))}
                </tbody>
              </RuledTable>
            </ScrollBox>
          ) : (
            <p className={chapter.soft}>{say.noCleaningIsWrittenDownAnd}</p>
          )}
        </section>
        <section className={chapter.section}>
          <h2>{say.whenOneCleaningAYearBrings}</h2>
          <WeekBars gains={soiling.gainByWeekKwh} money={money} />
          {pricePerKwh !== null && <CleanOrWait report={report} pricePerKwh={pricePerKwh} currency={currency} />}
        </section>
      </div>
      <section className={chapter.section}>
        <h2>{say.snowWinterByWinter}</h2>
        {snow.winters.length > 0 ? (
          <ScrollBox label={say.snowByWinter}>
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th>winter</th>
                  <th>{say.fallsThatStayed}</th>
                  <th>{say.daysUnderSnow}</th>
                  <th>lost, kWh</th>
                  {pricePerKwh !== null && <th>worth, {currency}</th>}
                  <th>{say.clearingTheNextMorningWouldHave}</th>
                  <th>{say.waitingKeptOfThat}</th>
                </tr>
              </thead>
              <tbody>
                {snow.winters.map((winter) => (
                  <tr key={winter.key}>
                    <td>{winter.key}</td>
                    <Cells working={() => winterWorking(winter)}>
                      {[
                        winter.spells,
                        winter.days,
                        number(winter.lostKwh),
                        ...(pricePerKwh === null ? [] : [number(winter.lostKwh * pricePerKwh)]),
                        number(winter.clearingKwh),
                        winter.lostKwh > 0 ? percent(1 - winter.clearingKwh / winter.lostKwh, 0) : "–",
                      ]}
                    </Cells>
                  </tr>
                ))}
              </tbody>
            </RuledTable>
          </ScrollBox>
        ) : (
          <p className={chapter.soft}>{say.noSnowWasSeenOnThe}</p>
        )}
        <SnowByArray report={report} />
        <p className={chapter.caution}>{say.snowAndWetRoofsKillNo}</p>
      </section>
    </>
  );
}

function dirtVerdict({ soiling }: AttributionView): string {
  if (!soiling.isSeen)
    return soiling.meanLostFrac > 0.0005 ? say.dirtIsHardlyToldFromScatter(percent(soiling.meanLostFrac)) : say.noDirtIsToldFromThe;
  return say.dirtGrowsByADayTo(
    percent(soiling.ratePerDayFrac, 2),
    percent(soiling.rateLowFrac, 2),
    percent(soiling.rateHighFrac, 2),
    percent(soiling.meanLostFrac),
  );
}

function nowOrWait({ soiling, days }: AttributionView, money: (kwh: number) => string): string {
  if (!soiling.isSeen) return "";
  const rain = soiling.daysToRain === null ? "" : say.rainThatWashesComesAfterDays(number(soiling.daysToRain));
  return say.onItTakesCleaningThenWould(
    dateName(days.at(-1)!),
    percent(soiling.nowFrac),
    number(soiling.nowGainKwh),
    money(soiling.nowGainKwh),
    money(1) ? say.worthItWhileACleaningCosts : "",
    rain,
  );
}

/** Clean now or wait, at a cost that the reader gives: what it would bring now, in the best week, and the cost at which the answer flips. */
function CleanOrWait({ report, pricePerKwh, currency }: { report: AttributionView; pricePerKwh: number; currency: string }) {
  const [cost, setCost] = useState<number | string>("");
  const { soiling } = report;
  const best = Math.max(...soiling.gainByWeekKwh) * pricePerKwh;
  const now = soiling.nowGainKwh * pricePerKwh;
  const asked = Number(cost);
  const verdict =
    cost === "" || !(asked >= 0)
      ? ""
      : now > asked
        ? say.cleanNowItBringsMoreThan(number(now), currency, number(now - asked))
        : best > asked
          ? say.waitNowItBringsInThe(number(now), currency, number(best), number(best - asked))
          : say.leaveItToTheRainEven(number(best), currency);
  return (
    <div className={styles.form}>
      <NumberInput label={say.oneCleaningCosts(currency)} value={cost} onChange={setCost} min={0} hideControls w={170} />
      <span className={chapter.soft} role="status">
        {verdict || say.worthItInTheBestWeek(number(best), currency)}
      </span>
    </div>
  );
}

const cleaningWorking = (date: string, gainKwh: number) => ({
  title: say.whatTheCleaningOfBrought(dateName(date)),
  value: number(gainKwh),
  unit: "kWh",
  formula: say.dirtThatItTookOffOwed,
  inputs: [{ name: say.dirtAndRainByDay, value: say.asInThePicture, from: say.fitToTheReadings }],
  source: say.kimberEtAl2006DocsMethods,
  assumptions: [say.atTheMeterAboveTheInverters],
});

const winterWorking = (winter: AttributionView["snow"]["winters"][number]) => ({
  title: say.snowOfTheWinter(winter.key),
  value: number(winter.lostKwh),
  unit: "kWh",
  formula: say.owed1PaidOwedFromEach,
  inputs: [
    { name: say.fallsThatStayed, value: String(winter.spells), from: say.snowDepthOrColdAndRain },
    { name: say.daysUnderSnow, value: String(winter.days), from: "the same" },
    {
      name: say.clearingWouldHaveBrought,
      value: `${number(winter.clearingKwh)} kWh`,
      from: say.whatWasLostAfterTheFirst,
    },
  ],
  source: say.afterMarionEtAl2013With,
  assumptions: [say.atTheMeter, say.clearingTheNextMorningAllOf],
});

/** Mean gain of one cleaning by week of the year; the best week in clay. */
function WeekBars({ gains, money }: { gains: readonly number[]; money: (kwh: number) => string }) {
  const most = Math.max(1e-9, ...gains);
  const best = gains.indexOf(Math.max(...gains));
  if (most < 1) return <p className={chapter.soft}>{say.inNoWeekWouldOneCleaning}</p>;
  return (
    <>
      <svg viewBox="0 0 530 130" width="100%" role="img" aria-label={say.gainOfOneCleaningByWeek}>
        {gains.map((kwh, week) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a week of the year is its number
            key={week}
            x={week * 10}
            width={8}
            y={110 - (100 * kwh) / most}
            height={(100 * kwh) / most}
            fill={week === best ? "var(--clay)" : "var(--account-soiling)"}
          >
            <title>{`week ${week + 1}: ${number(kwh)} kWh`}</title>
          </rect>
        ))}
        {WEEKS_OF_MONTHS.map((name, m) => (
          <text key={name} x={m * 43.5 + 4} y={126} fontSize={11.5} fill="var(--ink-soft)">
            {name}
          </text>
        ))}
      </svg>
      <p className={chapter.soft}>
        {say.bestInWeek(best + 1)}
        {WEEKS_OF_MONTHS[Math.min(11, Math.floor(best / 4.35))]}
        {say.aboutKwhACleaningOverThe(number(gains[best]!), money(gains[best]!))}
      </p>
    </>
  );
}
