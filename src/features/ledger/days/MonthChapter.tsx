"use client";

import { useHotkeys } from "@mantine/hooks";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { PowerCurves } from "@/charts";
import type { DayReport } from "@/contracts/ledger";
import { type LedgerLine, lineState, sizeKwh } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import type { PostingTableProps } from "@/features/ledger/attribution/PostingRows";
import { PostingTable } from "@/features/ledger/attribution/PostingTable";
import { dateName, kwhDecimals, monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-days";
import { dayWorking } from "@/wording/workings/day-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import { spanTolerance } from "../span-tolerance";
import { DayStrip, type DaySum } from "./DayStrip";
import styles from "./MonthChapter.module.css";
import { MonthVerdict } from "./MonthVerdict";

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
  const kwh = (value: number) => number(value, kwhDecimals(sizeKwh(line)));
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
