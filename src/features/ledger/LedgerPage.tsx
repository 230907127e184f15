"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { Hatches, MonthCurves } from "@/charts";
import type { AttributionRun, Indicators } from "@/contracts/attribution";
import type { Glance } from "@/contracts/ledger";
import type { LedgerLine, Verdict } from "@/core/ledger";
import { nameplateW } from "@/core/site";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { CauseProgress } from "@/features/ledger/attribution/CauseProgress";
import { CausesView, type CausesViewProps } from "@/features/ledger/attribution/CausesView";
import type { DirtAndSnowProps } from "@/features/ledger/attribution/DirtAndSnowTables";
import { DirtAndSnowView } from "@/features/ledger/attribution/DirtAndSnowView";
import { IndicatorsView } from "@/features/ledger/attribution/IndicatorsView";
import { PromiseView } from "@/features/ledger/attribution/PromiseView";
import { monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import { AccountLegend } from "./AccountLegend";
import { GlanceChart } from "./GlanceChart";
import { LedgerSaves } from "./LedgerSaves";
import { LedgerSpread } from "./LedgerSpread";
import styles from "./LedgerSpread.module.css";
import views from "./LedgerViews.module.css";
import { LEDGER_VIEWS } from "./ledger-views";
import { VerdictSentence } from "./VerdictSentence";

/** What stands under the page's head, by view. */
export type LedgerView =
  | { readonly id: "spread" }
  | ({ readonly id: "causes" } & Omit<CausesViewProps, "slug">)
  | ({ readonly id: "dirt" } & Omit<DirtAndSnowProps, "slug">)
  | { readonly id: "promise"; readonly months: readonly LedgerLine[] }
  | { readonly id: "figures"; readonly indicators: readonly Indicators[]; readonly lines: readonly LedgerLine[] };

export interface LedgerPageProps {
  readonly view: LedgerView;
  /** Whether lines are by evidence or by the book's budget; null without a report of causes. */
  readonly posting: "evidence" | "budget" | null;
  readonly run: AttributionRun | null;
  readonly fiscalStart: number;
  readonly closed: readonly string[];
  readonly drift: string;
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
  const { slug, context, years, selected, view, posting, run, fiscalStart } = props;
  const router = useRouter();
  const { site } = context;
  const href = (change: Partial<Record<"year" | "view" | "posting" | "starts", string>>): string => {
    const kept = {
      year: selected,
      ...(view.id === "spread" ? {} : { view: view.id }),
      ...(posting === "budget" ? { posting } : {}),
      ...(fiscalStart === 1 ? {} : { starts: String(fiscalStart) }),
    };
    return `/books/${slug}/ledger?${new URLSearchParams({ ...kept, ...change }).toString()}`;
  };
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
            <Link key={year} href={href({ year })} aria-current={year === selected ? "page" : undefined}>
              {year === "all" ? "All" : year}
            </Link>
          ))}
        </nav>
      </header>
      <ViewLinks href={href} view={view} posting={posting} fiscalStart={fiscalStart} router={router} />
      {run && !run.isCurrent && (
        <div className={styles.below}>
          <CauseProgress slug={slug} run={run} />
        </div>
      )}
      {view.id !== "spread" ? (
        <div className={styles.below}>
          <OtherView slug={slug} view={view} fiscalStart={fiscalStart} />
        </div>
      ) : (
        <Spread {...props} />
      )}
    </div>
  );
}

interface ViewLinksProps {
  readonly href: (change: Partial<Record<"year" | "view" | "posting" | "starts", string>>) => string;
  readonly view: LedgerView;
  readonly posting: "evidence" | "budget" | null;
  readonly fiscalStart: number;
  readonly router: ReturnType<typeof useRouter>;
}

function ViewLinks({ href, view, posting, fiscalStart, router }: ViewLinksProps) {
  return (
    <nav className={views.views} aria-label="Views">
      {LEDGER_VIEWS.map(({ id, name }) => (
        <Link key={id} href={href({ view: id })} aria-current={id === view.id ? "page" : undefined}>
          {name}
        </Link>
      ))}
      {view.id === "spread" && posting !== null && (
        <span className={views.postings}>
          postings
          <Link className={views.posting} href={href({ posting: "evidence" })} aria-current={posting === "evidence" ? "true" : undefined}>
            by evidence
          </Link>
          <Link className={views.posting} href={href({ posting: "budget" })} aria-current={posting === "budget" ? "true" : undefined}>
            {say.byTheBook}
          </Link>
        </span>
      )}
      <label className={views.starts}>
        {say.yearStartsIn}
        <select value={fiscalStart} onChange={(event) => router.push(href({ starts: event.currentTarget.value, year: "all" }))}>
          {MONTH_NUMBERS.map((month) => (
            <option key={month} value={month}>
              {monthName(`2000-${String(month).padStart(2, "0")}`)}
            </option>
          ))}
        </select>
      </label>
    </nav>
  );
}

const MONTH_NUMBERS = Array.from({ length: 12 }, (_, k) => k + 1);

function OtherView({ slug, view, fiscalStart }: { slug: string; view: LedgerView; fiscalStart: number }) {
  switch (view.id) {
    case "causes":
      return <CausesView slug={slug} {...view} />;
    case "dirt":
      return <DirtAndSnowView slug={slug} {...view} />;
    case "promise":
      return <PromiseView slug={slug} months={view.months} fiscalStart={fiscalStart} />;
    case "figures":
      return <IndicatorsView slug={slug} indicators={view.indicators} lines={view.lines} />;
    default:
      return null;
  }
}

function Spread({ slug, context, selected, lines, months, sum, verdict, glance, closed, drift }: LedgerPageProps) {
  return (
    <>
      <VerdictSentence verdict={verdict} sum={sum} context={context} />
      {drift && <p className={views.drift}>{drift}</p>}
      {lines.length === 0 ? (
        <EmptyLedger slug={slug} />
      ) : (
        <>
          <LedgerSpread
            slug={slug}
            lines={lines}
            sum={sum}
            sumName={selected === "all" ? "All" : selected}
            context={context}
            closed={closed}
          />
          <LedgerSaves slug={slug} selected={selected} lines={lines} sum={sum} />
          <div className={styles.below}>
            {glance ? <GlanceChart glance={glance} year={selected} slug={slug} /> : <AllMonths months={months} slug={slug} />}
            <AccountLegend sum={sum} context={context} />
          </div>
        </>
      )}
    </>
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
      summary={say.expectedMeteredAndPromisedEnergyOf}
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
      <h2>{say.thisLedgerHasNoLinesYet}</h2>
      <p>
        {say.theSunsSideNeedsWeatherA}
        <code>time</code> {say.andAtLeast}
        <code>ghi_w_m2</code>, best with <code>air_temperature_c</code> and <code>wind_speed_m_s</code>
        {say.theMetersSideNeedsProduction} <code>time</code> with <code>energy_kwh</code>, <code>power_w</code> or <code>counter_kwh</code>.{" "}
        <Link href={`/books/${slug}/readings`}>{say.bringThemInTheReadingsChapter}</Link>, or <Link href="/">{say.openABookOfTheDemo}</Link>
        {say.toSeeAFullPage}
      </p>
    </section>
  );
}
