"use client";

import Link from "next/link";
import { Hatches, MonthCurves } from "@/charts";
import type { AttributionRun } from "@/contracts/attribution";
import type { Glance } from "@/contracts/ledger";
import { isOwnWeatherKnown, isUsualYear, type LedgerLine, type Verdict } from "@/core/ledger";
import { isOffGrid, nameplateW } from "@/core/site";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { CauseProgress } from "@/features/ledger/attribution/CauseProgress";
import { monthName, number, yearInWords } from "@/wording/format";
import type { LossSpan } from "@/wording/ledger-states";
import { say } from "@/wording/screens/ledger";
import { say as sayOfWiring } from "@/wording/screens/site-wiring";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import { AccountLegend } from "./AccountLegend";
import { GlanceChart } from "./GlanceChart";
import { FiscalStart, type Href, YearChoice } from "./LedgerHead";
import { LedgerSaves } from "./LedgerSaves";
import { LedgerSpread } from "./LedgerSpread";
import styles from "./LedgerSpread.module.css";
import views from "./LedgerViews.module.css";
import { LEDGER_VIEWS } from "./ledger-views";
import { type LedgerView, OtherView } from "./OtherView";
import { VerdictSentence } from "./VerdictSentence";

export interface LedgerPageProps {
  readonly view: LedgerView;
  readonly run: AttributionRun | null;
  readonly fiscalStart: number;
  readonly closed: readonly string[];
  /** What is said above the page: closed months that have drifted, a year that is not in the book. */
  readonly notices: readonly string[];
  readonly slug: string;
  readonly context: LedgerContext;
  readonly years: readonly string[];
  /** A year, or "all". */
  readonly selected: string;
  readonly lines: readonly LedgerLine[];
  readonly months: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly verdict: Verdict;
  /** When the largest loss was. */
  readonly span: LossSpan | null;
  readonly light: "drifts" | "dirty" | null;
  readonly glance: Glance | null;
}

export function LedgerPage(props: LedgerPageProps) {
  const { slug, context, years, selected, view, run, fiscalStart, notices } = props;
  const { site } = context;
  const viewId = view.id === "withheld" ? view.of : view.id;
  const href: Href = (change) => {
    const kept = {
      year: selected,
      ...(viewId === "year" ? {} : { view: viewId }),
      ...(fiscalStart === 1 ? {} : { starts: String(fiscalStart) }),
    };
    return `/books/${slug}/ledger?${new URLSearchParams({ ...kept, ...change }).toString()}`;
  };
  return (
    <div className={styles.page}>
      <Hatches />
      <div className={styles.head}>
        <ViewTabs title={site.name} views={LEDGER_VIEWS} view={viewId} href={(id) => href({ view: id })}>
          <YearChoice years={years} selected={selected} href={href} fiscalStart={fiscalStart} />
        </ViewTabs>
      </div>
      {notices.map((notice) => (
        <p key={notice} className={views.drift}>
          {notice}
        </p>
      ))}
      {run && !run.isCurrent && (
        <div className={styles.below}>
          <CauseProgress slug={slug} run={run} />
        </div>
      )}
      {view.id !== "year" ? (
        <>
          {view.id === "causes" && <OfTheYear {...props} />}
          <div className={styles.below}>
            <OtherView slug={slug} view={view} fiscalStart={fiscalStart} selected={selected} />
          </div>
        </>
      ) : (
        <Spread {...props} />
      )}
      <Foot site={site} href={href} fiscalStart={fiscalStart} />
    </div>
  );
}

/** What the year says, above its causes: the very sentence and sums of the Year view. */
const OfTheYear = (props: LedgerPageProps) => (
  <>
    <Sentence {...props} />
    <div className={styles.below}>
      <AccountLegend sum={props.sum} context={props.context} />
    </div>
  </>
);

const Sentence = ({ slug, verdict, sum, context, span, light, selected, fiscalStart }: LedgerPageProps) => (
  <VerdictSentence
    slug={slug}
    verdict={verdict}
    sum={sum}
    context={context}
    span={span}
    light={light}
    name={yearInWords(selected, fiscalStart)}
  />
);

interface FootProps {
  readonly site: LedgerContext["site"];
  readonly href: Href;
  readonly fiscalStart: number;
}

const Foot = ({ site, href, fiscalStart }: FootProps) => (
  <p className={styles.foot}>
    <span>
      {number(nameplateW(site) / 1000, 1)} kWp · {latitude(site.place.latitudeDeg)}
      {site.commissioned ? ` · since ${monthName(site.commissioned)} ${site.commissioned.slice(0, 4)}` : ""}
    </span>
    <FiscalStart href={href} fiscalStart={fiscalStart} />
    {isOffGrid(site) && <span>{sayOfWiring.offTheGridUndrawn}</span>}
  </p>
);

function Spread(props: LedgerPageProps) {
  const { slug, context, selected, lines, months, sum, glance, closed } = props;
  return (
    <>
      <Sentence {...props} />
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
            {isUsualYear(sum) || !(sum.referenceKwh > 0) ? null : glance ? (
              <GlanceChart glance={glance} year={selected} slug={slug} />
            ) : (
              <AllMonths months={months} slug={slug} />
            )}
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
  const points = months.map((month) => ({ ...month, expectedKwh: isOwnWeatherKnown(month) ? month.expectedKwh : null }));
  return (
    <ChartFrame
      title="All months"
      note={key}
      fileName={`${slug}-months`}
      height={230}
      summary={say.expectedMeteredAndPromisedEnergyOf}
      table={() => [
        ["month", "expected_kwh", "metered_kwh", "promise_kwh"],
        ...points.map((m) => [m.key, m.expectedKwh, m.meteredKwh, m.promiseKwh]),
      ]}
    >
      {(width) => <MonthCurves points={points} width={width} height={230} label={(kwh) => number(kwh)} />}
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
