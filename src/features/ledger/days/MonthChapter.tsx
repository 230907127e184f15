"use client";

import { useHotkeys } from "@mantine/hooks";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { PowerCurves } from "@/charts";
import type { DayReport } from "@/contracts/ledger";
import { isUsualYear, type LedgerLine, type LineState, largestLoss, lineState, performanceIndex } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import type { PostingTableProps } from "@/features/ledger/attribution/PostingRows";
import { PostingTable } from "@/features/ledger/attribution/PostingTable";
import { dateName, kwhDecimals, monthName, number, percent } from "@/wording/format";
import { lossSubject } from "@/wording/ledger-states";
import { say as sayOfYears } from "@/wording/screens/ledger";
import { say } from "@/wording/screens/ledger-days";
import { dayWorking } from "@/wording/workings/day-workings";
import * as found from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import { spanTolerance } from "../span-tolerance";
import { DayStrip, type DaySum } from "./DayStrip";
import styles from "./MonthChapter.module.css";

export interface MonthChapterProps {
  readonly slug: string;
  readonly context: LedgerContext;
  readonly line: LedgerLine;
  readonly days: readonly DaySum[];
  readonly day: DayReport;
  readonly previousMonth: string | null;
  readonly nextMonth: string | null;
  /** The site's clock against UTC at noon of the day, ms. */
  readonly clockShiftMs: number;
  /** Causes that touch the month. */
  readonly findings: readonly { readonly key: string; readonly what: string }[];
  /** Null until causes are sought. */
  readonly postings: Omit<PostingTableProps, "slug"> | null;
}

/** A month's days, and one day's curves: expected against metered. Arrow keys turn the days. */
export function MonthChapter({
  slug,
  context,
  line,
  days,
  day,
  previousMonth,
  nextMonth,
  clockShiftMs,
  postings,
  findings,
}: MonthChapterProps) {
  const router = useRouter();
  const path = (date: string): string => `/books/${slug}/ledger/${date.slice(0, 7)}?day=${date}`;
  const turn = (by: number) => () => {
    const next = days[days.findIndex((candidate) => candidate.date === day.date) + by];
    if (next) router.push(path(next.date), { scroll: false });
  };
  useHotkeys([
    ["ArrowLeft", turn(-1)],
    ["ArrowRight", turn(1)],
    ["Escape", () => router.push(`/books/${slug}/ledger?year=${line.key.slice(0, 4)}`)],
  ]);
  const kwh = (value: number) => number(value, kwhDecimals(line.referenceKwh));
  const state = lineState(line, spanTolerance(context, [line]));
  return (
    <div className={chapter.page}>
      <nav className={styles.crumbs} aria-label="Months">
        <Link href={`/books/${slug}/ledger?year=${line.key.slice(0, 4)}`}>
          {context.site.name}, {line.key.slice(0, 4)}
        </Link>
        <span>
          {previousMonth && <Link href={`/books/${slug}/ledger/${previousMonth}`}>‹ {monthName(previousMonth)}</Link>}
          {nextMonth && <Link href={`/books/${slug}/ledger/${nextMonth}`}>{monthName(nextMonth)} ›</Link>}
        </span>
      </nav>
      <h1>
        {monthName(line.key)} {line.key.slice(0, 4)}
      </h1>
      <MonthVerdict context={context} line={line} kwh={kwh} state={state} days={days} />
      {findings.length > 0 && (
        <ul className={styles.causes}>
          {findings.map(({ key, what }) => (
            <li key={key}>{what}</li>
          ))}
        </ul>
      )}
      <div className={styles.ruled}>
        <DayStrip days={days} selected={day.date} path={path} slug={slug} />
        <DayCurves slug={slug} day={day} clockShiftMs={clockShiftMs} />
        <DayFigures day={day} />
      </div>
      {postings && <PostingTable key={line.key} slug={slug} {...postings} />}
    </div>
  );
}

interface MonthVerdictProps {
  readonly context: LedgerContext;
  readonly line: LedgerLine;
  readonly kwh: (value: number) => string;
  readonly state: LineState;
  readonly days: readonly DaySum[];
}

function MonthVerdict({ context, line, kwh, state, days }: MonthVerdictProps) {
  const { key } = line;
  const expected = (
    <Figure name={`expected/${key}`} working={() => workings.expectedWorking(line, context)}>
      {kwh(line.expectedKwh)} kWh
    </Figure>
  );
  const index = performanceIndex(line);
  if (isUsualYear(line))
    return (
      <p className={chapter.verdict}>
        {line.meteredKwh !== null && (
          <>
            <Figure name={`metered/${key}`} working={() => workings.meteredWorking(line, context)}>
              {kwh(line.meteredKwh)} kWh
            </Figure>
            {sayOfYears.meteredWhile}
          </>
        )}
        {say.suchAMonthGives} {expected}. {sayOfYears.ownWeatherNotKnown}
      </p>
    );
  if (line.meteredKwh === null || index === null)
    return (
      <p className={chapter.verdict}>
        {expected} {say.expectedNothingMetered}
      </p>
    );
  const loss = largestLoss(line);
  return (
    <p className={chapter.verdict}>
      <Figure name={`metered/${key}`} working={() => workings.meteredWorking(line, context)}>
        {kwh(line.meteredKwh)}
      </Figure>{" "}
      of {expected} {say.expectedCame}
      <Figure name={`performance-index/${key}`} working={() => workings.performanceIndexWorking(line, context)}>
        {percent(index)}
      </Figure>
      {say.ofTheTimeRead}
      {line.dataGapKwh > 0.01 * line.expectedKwh && (
        <>
          <Figure name={`data-gap/${key}`} working={() => workings.dataGapWorking(line, context)}>
            {kwh(line.dataGapKwh)} kWh
          </Figure>{" "}
          {say.fellIntoDataGaps}
        </>
      )}
      {loss && (
        <>
          {lossSubject(loss.account, null, context.site.place.timeZone, key)} took{" "}
          <Figure name={`found-${loss.account}/${key}`} working={() => found.foundWorking(line, loss.account, context)} end=".">
            {kwh(loss.kwh)} kWh
          </Figure>{" "}
        </>
      )}
      {line.unexplainedKwh !== null && (
        <span className={state.kind === "to-check" ? chapter.clay : undefined}>
          <Figure name={`unexplained-size/${key}`} working={() => workings.unexplainedWorking(line, context)}>
            {kwh(Math.abs(line.unexplainedKwh))} kWh
          </Figure>{" "}
          {line.unexplainedKwh > 0 ? "short" : "over"} {state.kind === "to-check" ? say.areUnexplained : say.areWithinTheTolerance}
          {state.kind === "to-check" && worstDay(days, line)}.
        </span>
      )}
    </p>
  );
}

function worstDay(days: readonly DaySum[], line: LedgerLine): string {
  if ((line.unexplainedKwh ?? 0) <= 0) return "";
  const missing = (d: DaySum): number => (d.meteredKwh === null ? 0 : d.expectedKwh - d.meteredKwh);
  const worst = [...days].sort((a, b) => missing(b) - missing(a))[0];
  return worst && missing(worst) > 0 ? `, most on ${dateName(worst.date)}` : "";
}

function DayCurves({ slug, day, clockShiftMs }: { slug: string; day: DayReport; clockShiftMs: number }) {
  const note = (
    <span className={styles.key}>
      <span>
        <i data-line="expected" />
        {say.expectedKwMin(day.expected.stepMinutes)}
      </span>
      <span>
        <i />
        {say.meteredKwMin(day.metered.stepMinutes)}
      </span>
      <span>{say.hoursOfTheSitesOwnClock}</span>
    </span>
  );
  const rows = () => [
    ["curve", "start_utc", "kw"],
    ...(["expected", "metered"] as const).flatMap((curve) =>
      day[curve].startUtcMs.map((utcMs, i) => [curve, new Date(utcMs).toISOString(), day[curve].kw[i] ?? null]),
    ),
  ];
  return (
    <ChartFrame
      title={dateName(day.date)}
      note={note}
      fileName={`${slug}-${day.date}`}
      height={290}
      summary={say.expectedAndMeteredPowerOn(dateName(day.date))}
      table={rows}
    >
      {(width) => <PowerCurves expected={day.expected} metered={day.metered} clockShiftMs={clockShiftMs} width={width} height={290} />}
    </ChartFrame>
  );
}

function DayFigures({ day }: { day: DayReport }) {
  const { line } = day;
  if (!line) return <p className={chapter.soft}>{say.noWeatherOnThisDaySo}</p>;
  const difference = line.meteredKwh === null ? null : line.meteredKwh - line.expectedKwh;
  const shown = [
    ["Expected", number(line.expectedKwh, 1), "kWh"],
    ["Metered", line.meteredKwh === null ? "–" : number(line.meteredKwh, 1), "kWh"],
    ["Difference", difference === null ? "–" : number(difference, 1), "kWh"],
    ["Data gap", number(line.dataGapKwh, 1), "kWh"],
    ["Data availability", percent(line.readFrac), ""],
  ] as const;
  return (
    <dl className={styles.figures}>
      {shown.map(([name, value, unit]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>
            <Figure plain working={() => dayWorking(day, name)}>
              {value}
            </Figure>{" "}
            <small>{unit}</small>
          </dd>
        </div>
      ))}
    </dl>
  );
}
