"use client";

import Link from "next/link";
import { Hatches, MonthCurves } from "@/charts";
import type { Glance } from "@/contracts/ledger";
import type { LedgerLine, Verdict } from "@/core/reconcile";
import { nameplateW } from "@/core/site";
import { monthName, number } from "@/features/figures/format";
import { ChartFrame } from "@/features/save/ChartFrame";
import type { LedgerContext } from "@/features/workings/ledger-workings";
import { AccountLegend } from "./AccountLegend";
import { GlanceChart } from "./GlanceChart";
import { LedgerSpread } from "./LedgerSpread";
import styles from "./LedgerSpread.module.css";
import { VerdictSentence } from "./VerdictSentence";

export interface LedgerPageProps {
  readonly slug: string;
  readonly context: LedgerContext;
  readonly years: readonly string[];
  /** A year, or "all". */
  readonly selected: string;
  readonly lines: readonly LedgerLine[];
  readonly months: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly verdict: Verdict;
  readonly glance: Glance | null;
}

export function LedgerPage(props: LedgerPageProps) {
  const { slug, context, years, selected, lines, months, sum, verdict, glance } = props;
  const { site } = context;
  return (
    <div className={styles.page}>
      <Hatches />
      <header className={styles.head}>
        <h1>{site.name}</h1>
        <span className={styles.facts}>
          {number(nameplateW(site) / 1000, 1)} kWp · {latitude(site.place.latitudeDeg)}
          {site.commissioned ? ` · since ${monthName(site.commissioned)} ${site.commissioned.slice(0, 4)}` : ""}
        </span>
        <nav className={styles.years} aria-label="Years">
          {[...years, "all"].map((year) => (
            <Link key={year} href={`/books/${slug}/ledger?year=${year}`} aria-current={year === selected ? "page" : undefined}>
              {year === "all" ? "All" : year}
            </Link>
          ))}
        </nav>
      </header>
      <VerdictSentence verdict={verdict} sum={sum} context={context} />
      {lines.length === 0 ? (
        <EmptyLedger slug={slug} />
      ) : (
        <>
          <LedgerSpread slug={slug} lines={lines} sum={sum} sumName={selected === "all" ? "All" : selected} context={context} />
          <div className={styles.below}>
            {glance ? <GlanceChart glance={glance} year={selected} slug={slug} /> : <AllMonths months={months} slug={slug} />}
            <AccountLegend sum={sum} context={context} />
          </div>
        </>
      )}
    </div>
  );
}

const latitude = (deg: number): string => `${number(Math.abs(deg), 1)}° ${deg < 0 ? "S" : "N"}`;

function AllMonths({ months, slug }: { months: readonly LedgerLine[]; slug: string }) {
  const key = (
    <span className={styles.lineKey}>
      <span>
        <i data-line="expected" />
        expected
      </span>
      <span>
        <i />
        metered
      </span>
      <span>
        <i data-line="promise" />
        promise
      </span>
    </span>
  );
  return (
    <ChartFrame
      title="All months"
      note={key}
      fileName={`${slug}-months`}
      height={230}
      summary="Expected, metered and promised energy of every month"
      table={() => [
        ["month", "expected_kwh", "metered_kwh", "promise_kwh"],
        ...months.map((m) => [m.key, m.expectedKwh, m.meteredKwh, m.promiseKwh]),
      ]}
    >
      {(width) => <MonthCurves points={months} width={width} height={230} label={(kwh) => number(kwh)} />}
    </ChartFrame>
  );
}

function EmptyLedger({ slug }: { slug: string }) {
  return (
    <section className={styles.empty}>
      <h2>This ledger has no lines yet</h2>
      <p>
        The sun's side needs weather: a CSV with <code>time</code> and at least <code>ghi_w_m2</code>, best with{" "}
        <code>air_temperature_c</code> and <code>wind_speed_m_s</code>. The meter's side needs production:
        <code>time</code> with <code>energy_kwh</code>, <code>power_w</code> or <code>counter_kwh</code>.{" "}
        <Link href={`/books/${slug}/readings`}>Bring them in the Readings chapter</Link>, or <Link href="/">open a book of the demo</Link>{" "}
        to see a full page.
      </p>
    </section>
  );
}
