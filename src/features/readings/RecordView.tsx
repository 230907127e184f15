"use client";

import { type MouseEvent, useState } from "react";
import { type DayState, STATE_FILL, YearStrips, yearsIn } from "@/charts";
import type { Examination, ExaminedSeries } from "@/contracts/examination";
import type { Glance } from "@/contracts/ledger";
import { DAY_MS } from "@/core/units";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { DataTable } from "@/features/kit/table/DataTable";
import { GlanceChart } from "@/features/ledger/GlanceChart";
import { dateName, number, percent } from "@/wording/format";
import { quantityName } from "@/wording/quantities";
import { say } from "@/wording/screens/readings";
import { spanWorking } from "@/wording/workings/span-working";
import { dayStates, stateOf } from "./day-states";
import { MetersBeside } from "./MetersBeside";
import styles from "./ReadingsChapter.module.css";

interface Props {
  readonly slug: string;
  readonly timeZone: string;
  readonly examination: Examination;
  readonly glance: Glance;
  readonly year: string | null;
}

const WORDS: Readonly<Record<DayState, string>> = {
  whole: "read whole",
  part: say.readInPart,
  none: "not read",
  mended: "put right",
  doubt: say.waitsForYourWord,
};

/** Every series as strips of years, the year by day and hour, meters beside each other, and what lies between hand readings. */
export function RecordView({ slug, timeZone, examination, glance, year }: Props) {
  const { series, spans, findings, weather } = examination;
  if (series.length === 0 && spans.length === 0 && weather.length === 0)
    return <p className={chapter.verdict}>{say.noProductionStandsInThisBook2}</p>;
  return (
    <>
      <p className={chapter.verdict}>{sentence(series, spans.length)}</p>
      {series.map((one) => (
        <Strip
          key={one.key}
          title={quantityName(one.quantity, one.meterId)}
          fileName={`${slug}-${one.meterId}-record`}
          days={one.days}
          states={dayStates(one, findings, timeZone)}
          describe={(k) => (one.cleanKwh[k] === null ? "nothing counted" : `${number(one.cleanKwh[k]!, 1)} kWh counted`)}
          columns={{ recorded_kwh: one.rawKwh, counted_kwh: one.cleanKwh, owed_kwh: one.expectedKwh, read_frac: one.readFrac }}
        />
      ))}
      {year && glance.days.length > 0 && <GlanceChart glance={glance} year={year} slug={slug} />}
      {series.length > 0 && <MetersBeside series={series} />}
      {spans.length > 0 && <Spans spans={spans} timeZone={timeZone} />}
      {weather.map(({ quantity, stepMinutes, days, readFrac }) => (
        <Strip
          key={`${quantity}-${stepMinutes}`}
          title={`${quantityName(quantity)}, ${stepMinutes} min`}
          fileName={`${slug}-${quantity}-record`}
          days={days}
          states={readFrac.map(stateOf)}
          describe={(k) => say.ofTheDay2(percent(readFrac[k]!, 0))}
          columns={{ read_frac: readFrac }}
        />
      ))}
    </>
  );
}

function sentence(series: readonly ExaminedSeries[], spans: number): string {
  const days = series.reduce((sum, one) => sum + one.days.length, 0);
  const read = series.reduce((sum, one) => sum + one.readFrac.reduce((a, b) => a + b, 0), 0);
  const hand = spans > 0 ? say.betweenHandReadings2(spans, spans === 1 ? "span lies" : "spans lie") : "";
  if (series.length === 0) return hand ? `${hand}.` : say.weatherStandsInThisBookNo;
  return say.ofDaysRead(
    percent(read / Math.max(1, days)),
    number(days),
    series.length === 1 ? "are" : say.ofSeriesAre(series.length),
    hand ? `; ${hand}` : "",
  );
}

const ROW = 17;
const LEFT = 46;

interface StripProps {
  readonly title: string;
  readonly fileName: string;
  readonly days: readonly string[];
  readonly states: readonly DayState[];
  /** What is told of day k beside its state. */
  readonly describe: (k: number) => string;
  /** Figures of each day, for the saved table. */
  readonly columns: Readonly<Record<string, readonly (number | null)[]>>;
}

function Strip({ title, fileName, days, states, describe: told, columns }: StripProps) {
  const [under, setUnder] = useState<string | null>(null);
  const years = yearsIn(days);
  const seen = (Object.keys(WORDS) as DayState[]).filter((state) => states.includes(state));
  const tell = (event: MouseEvent<SVGGElement>, width: number) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const year = years[Math.floor((event.clientY - box.top) / ROW)];
    const of = Math.floor(((event.clientX - box.left - LEFT) / (width - LEFT)) * 366);
    const day = year && new Date(Date.UTC(Number(year), 0, 1 + of)).toISOString().slice(0, 10);
    const k = day ? days.indexOf(day) : -1;
    setUnder(k < 0 ? null : `${dateName(day!)}: ${WORDS[states[k]!]}, ${told(k)}`);
  };
  const key = (
    <span className={styles.key}>
      {seen.map((state) => (
        <span key={state}>
          <i style={{ background: STATE_FILL[state] }} />
          {WORDS[state]}
        </span>
      ))}
    </span>
  );
  return (
    <div className={chapter.section}>
      <ChartFrame
        title={title}
        note={under ?? key}
        fileName={fileName}
        height={years.length * ROW + 4}
        summary={say.daysOfByYear(title, seen.map((state) => `${states.filter((own) => own === state).length} ${WORDS[state]}`).join(", "))}
        table={() => [
          ["day", "state", ...Object.keys(columns)],
          ...days.map((day, k) => [day, WORDS[states[k]!], ...Object.values(columns).map((column) => column[k] ?? "")]),
        ]}
      >
        {(width) => (
          <g onMouseMove={(event) => tell(event, width)} onMouseLeave={() => setUnder(null)}>
            <YearStrips days={days} states={states} width={width} rowHeight={ROW} left={LEFT} />
          </g>
        )}
      </ChartFrame>
    </div>
  );
}

function Spans({ spans, timeZone }: { spans: Examination["spans"]; timeZone: string }) {
  const day = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
  return (
    <section className={chapter.section}>
      <h2>{say.betweenHandReadings}</h2>
      <ScrollBox label={say.betweenHandReadings}>
        <DataTable
          className={chapter.table}
          rows={spans}
          rowKey={(span) => `${span.meterId}-${span.source}-${span.fromUtcMs}`}
          columns={[
            {
              key: "from-to",
              head: "from, to",
              cell: (span) => (
                <>
                  {day.format(new Date(span.fromUtcMs))}to {day.format(new Date(span.toUtcMs))}
                </>
              ),
            },
            { key: "meter", head: "meter", cell: (span) => span.meterId },
            { key: "days", head: "days", cell: (span) => number((span.toUtcMs - span.fromUtcMs) / DAY_MS, 1) },
            { key: "metered-kwh", head: "metered, kWh", cell: (span) => number(span.kwh, 1) },
            {
              key: "expected-for-exactly-that-time",
              head: say.owedForExactlyThatTimeKwh,
              cell: (span) => (
                <>
                  <Figure plain working={() => spanWorking(span, timeZone)}>
                    {span.knownFrac > 0 ? number(span.expectedKwh, 1) : "–"}
                  </Figure>
                </>
              ),
            },
            {
              key: "of-expected",
              head: "of expected",
              cell: (span) =>
                span.knownFrac > 0.99 && span.expectedKwh > 0
                  ? percent(span.kwh / span.expectedKwh)
                  : span.knownFrac > 0
                    ? `weather for ${percent(span.knownFrac, 0)}`
                    : "–",
            },
          ]}
        />
      </ScrollBox>
    </section>
  );
}
