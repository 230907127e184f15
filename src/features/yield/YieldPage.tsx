"use client";

import Link from "next/link";
import { Hatches } from "@/charts";
import { type LedgerLine, largestLosses, totalLine } from "@/core/ledger";
import type { Uncertainty } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import tabs from "@/features/kit/look/ViewTabs.module.css";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { accountWorking, expectedWorking, type LedgerContext, referenceWorking } from "@/wording/workings/ledger-workings";
import { uncertaintyWorking } from "@/wording/workings/yield-workings";
import { MethodsView } from "./MethodsView";
import { useEngine } from "./use-engine";
import { WhatIfView } from "./WhatIfView";
import { WhereItGoes } from "./WhereItGoes";
import { spanName, type YieldPageProps, type YieldView } from "./yield-props";

const VIEWS: readonly { id: YieldView; name: string }[] = [
  { id: "goes", name: say.whereItGoes },
  { id: "what-if", name: "What if" },
  { id: "methods", name: "Methods" },
];

/** The yield chapter: where each kilowatt-hour goes, what would change, and which methods say so. */
export function YieldPage(props: YieldPageProps) {
  const { slug, site, years, year, view, months, span, context, doubt } = props;
  const { engine, refusal } = useEngine(slug, site, year);
  const lines = months.filter((line) => line.key >= span.from && line.key <= span.to);
  const sum = totalLine(span.from.slice(0, 4) === span.to.slice(0, 4) && lines.length === 12 ? year : spanName(span), lines);
  if (year === "") return <EmptyYield slug={slug} name={site.name} />;
  return (
    <div className={chapter.page}>
      <Hatches />
      <ViewTabs title={site.name} views={VIEWS} view={view} href={(id) => `/books/${slug}/yield?view=${id}&year=${year}`}>
        <nav className={tabs.years} aria-label="Years">
          {years.map((name) => (
            <Link key={name} href={`/books/${slug}/yield?view=${view}&year=${name}`} aria-current={name === year ? "page" : undefined}>
              {name}
            </Link>
          ))}
        </nav>
      </ViewTabs>
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      {view === "goes" && (
        <>
          <YieldSentence sum={sum} lines={lines} context={context} uncertainty={doubt.span} name={spanName(span)} />
          <WhereItGoes {...props} lines={lines} sum={sum} engine={engine} />
        </>
      )}
      {view === "what-if" && <WhatIfView {...props} engine={engine} />}
      {view === "methods" && <MethodsView {...props} engine={engine} />}
    </div>
  );
}

interface SentenceProps {
  readonly sum: LedgerLine;
  readonly lines: readonly LedgerLine[];
  readonly context: LedgerContext;
  readonly uncertainty: Uncertainty;
  readonly name: string;
}

function YieldSentence({ sum, lines, context, uncertainty, name }: SentenceProps) {
  const kwh = (value: number) => number(value, kwhDecimals(sum.referenceKwh / Math.max(1, lines.length)));
  const largest = sum.referenceKwh > 0 ? largestLosses(sum) : [];
  const half = uncertainty.halfWidth90Frac * sum.expectedKwh;
  return (
    <p className={chapter.verdict}>
      {say.inTheSunOwedTheseModules(name)}
      <Figure working={() => referenceWorking(sum, context)}>{kwh(sum.referenceKwh)} kWh</Figure>;{" "}
      <Figure working={() => expectedWorking(sum, context)}>{kwh(sum.expectedKwh)}</Figure> {say.shouldReachTheMeterGiveOr}
      <Figure working={() => uncertaintyWorking(uncertainty, sum.expectedKwh)}>{kwh(half)}</Figure>:{" "}
      {percent(sum.expectedKwh / Math.max(1e-9, sum.referenceKwh), 0)}.{" "}
      {largest.map(({ account, kwh: lost }, k) => (
        <span key={account}>
          {k === 0 ? "" : k === largest.length - 1 ? " and " : ", "}
          {k === 0 ? ACCOUNT_NAMES[account].name : ACCOUNT_NAMES[account].name.toLowerCase()}
          {k === 0 ? " takes " : " "}
          <Figure working={() => accountWorking(sum, account, context)}>{kwh(lost)}</Figure>
        </span>
      ))}
      {largest.length > 0 && "."}
    </p>
  );
}

function EmptyYield({ slug, name }: { slug: string; name: string }) {
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      <p className={chapter.verdict}>
        {say.noWeatherYetSoNothingCan}
        <code>ghi_w_m2</code>
        {say.anEpwYearOrTwelveMonthly}
        <Link href={`/books/${slug}/readings`}>Readings chapter</Link>.
      </p>
    </div>
  );
}
