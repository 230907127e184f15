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
    title: `${dateName(reset.date)}: ${reset.cause === "rain" ? "rain" : reset.cause === "cleaning" ? "cleaning in the field book" : "cleaning suspected"}, took off ${percent(reset.effectFrac)}`,
  }));
  return (
    <>
      <p className={chapter.verdict} data-testid="dirt-verdict">
        <Figure plain working={() => dirtWorking(soiling, days.at(-1) ?? "")}>
          {dirtVerdict(report)} {nowOrWait(report, money)}
        </Figure>
      </p>
      <ChartFrame
        title="Light lost to dirt"
        note="tick: rain; filled: cleaning written down; open: cleaning suspected"
        fileName={`${slug}-dirt`}
        height={210}
        summary="Share of light lost to dirt by day, with rain and cleanings"
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
          <h2>What cleanings brought</h2>
          {soiling.cleanings.length > 0 ? (
            <ScrollBox label="What cleanings brought">
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
                      <td style={{ textAlign: "left" }}>{cleaning.cause === "cleaning" ? "field book" : "the output alone"}</td>
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
            <p className={chapter.soft}>No cleaning is written down, and none is seen in the output.</p>
          )}
        </section>
        <section className={chapter.section}>
          <h2>When one cleaning a year brings most</h2>
          <WeekBars gains={soiling.gainByWeekKwh} money={money} />
          {pricePerKwh !== null && <CleanOrWait report={report} pricePerKwh={pricePerKwh} currency={currency} />}
        </section>
      </div>
      <section className={chapter.section}>
        <h2>Snow, winter by winter</h2>
        {snow.winters.length > 0 ? (
          <ScrollBox label="Snow by winter">
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th>winter</th>
                  <th>falls that stayed</th>
                  <th>days under snow</th>
                  <th>lost, kWh</th>
                  {pricePerKwh !== null && <th>worth, {currency}</th>}
                  <th>clearing the next morning would have brought, kWh</th>
                  <th>waiting kept of that</th>
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
          <p className={chapter.soft}>No snow was seen on the modules.</p>
        )}
        <SnowByArray report={report} />
        <p className={chapter.caution}>
          Snow and wet roofs kill: no one goes up for kilowatt-hours without a harness and a second person. Never pour hot water on cold
          glass. Local rules for work at height come first.
        </p>
      </section>
    </>
  );
}

function dirtVerdict({ soiling }: AttributionView): string {
  if (!soiling.isSeen)
    return soiling.meanLostFrac > 0.0005
      ? `Dirt is hardly told from scatter: about ${percent(soiling.meanLostFrac)} of the light.`
      : "No dirt is told from the readings: rain keeps the modules clean enough.";
  return `Dirt grows by ${percent(soiling.ratePerDayFrac, 2)} a day (${percent(soiling.rateLowFrac, 2)} to ${percent(soiling.rateHighFrac, 2)}) and took ${percent(soiling.meanLostFrac)} of the light.`;
}

function nowOrWait({ soiling, days }: AttributionView, money: (kwh: number) => string): string {
  if (!soiling.isSeen) return "";
  const rain = soiling.daysToRain === null ? "" : ` Rain that washes comes after ${number(soiling.daysToRain)} days on average.`;
  return `On ${dateName(days.at(-1)!)} it takes ${percent(soiling.nowFrac)}; cleaning then would bring about ${number(soiling.nowGainKwh)} kWh${money(soiling.nowGainKwh)}${money(1) ? ": worth it while a cleaning costs less" : ""}.${rain}`;
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
        ? `Clean now: it brings ${number(now)} ${currency}, ${number(now - asked)} more than it costs.`
        : best > asked
          ? `Wait: now it brings ${number(now)} ${currency}; in the best week of a usual year ${number(best)}, ${number(best - asked)} more than it costs.`
          : `Leave it to the rain: even in the best week of a usual year it brings ${number(best)} ${currency}.`;
  return (
    <div className={styles.form}>
      <NumberInput label={`one cleaning costs, ${currency}`} value={cost} onChange={setCost} min={0} hideControls w={170} />
      <span className={chapter.soft} role="status">
        {verdict || `Worth it in the best week while it costs less than ${number(best)} ${currency}.`}
      </span>
    </div>
  );
}

const cleaningWorking = (date: string, gainKwh: number) => ({
  title: `What the cleaning of ${dateName(date)} brought`,
  value: number(gainKwh),
  unit: "kWh",
  formula: "Σ dirt that it took off × owed by a clean plant, thinned by each rain, until the next cleaning",
  inputs: [{ name: "dirt and rain by day", value: "as in the picture", from: "fit to the readings" }],
  source: "Kimber et al., 2006; docs/methods.md, causes.",
  assumptions: ["At the meter: above the inverter's ceiling cleaning brings nothing."],
});

const winterWorking = (winter: AttributionView["snow"]["winters"][number]) => ({
  title: `Snow of the winter ${winter.key}`,
  value: number(winter.lostKwh),
  unit: "kWh",
  formula:
    "Σ owed × (1 − paid ÷ owed) from each fall until two hours in a row give 90 % of the usual; clearing: the same from the next morning on",
  inputs: [
    { name: "falls that stayed", value: String(winter.spells), from: "snow depth or cold and rain, and the meter" },
    { name: "days under snow", value: String(winter.days), from: "the same" },
    {
      name: "clearing would have brought",
      value: `${number(winter.clearingKwh)} kWh`,
      from: "what was lost after the first morning of each fall",
    },
  ],
  source: "After Marion et al., 2013, with the meter in place of the model's end of a cover.",
  assumptions: ["At the meter.", "Clearing the next morning, all of it, every time."],
});

/** Mean gain of one cleaning by week of the year; the best week in clay. */
function WeekBars({ gains, money }: { gains: readonly number[]; money: (kwh: number) => string }) {
  const most = Math.max(1e-9, ...gains);
  const best = gains.indexOf(Math.max(...gains));
  if (most < 1) return <p className={chapter.soft}>In no week would one cleaning bring a kilowatt-hour worth the ladder.</p>;
  return (
    <>
      <svg viewBox="0 0 530 130" width="100%" role="img" aria-label="Gain of one cleaning by week of the year">
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
        Best in week {best + 1} ({WEEKS_OF_MONTHS[Math.min(11, Math.floor(best / 4.35))]}): about {number(gains[best]!)} kWh
        {money(gains[best]!)} a cleaning, over the years there are.
      </p>
    </>
  );
}
