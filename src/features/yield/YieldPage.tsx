"use client";

import Link from "next/link";
import { Hatches } from "@/charts";
import { avoidableKwh, isUsualYear, type LedgerLine, totalLine } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import type { Uncertainty } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import tabs from "@/features/kit/look/ViewTabs.module.css";
import { BRING_WORDS } from "@/wording/basis";
import { kwhDecimals, number, percent, yearInWords } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { avoidableWorking } from "@/wording/workings/found-workings";
import { expectedWorking, type LedgerContext, referenceWorking } from "@/wording/workings/ledger-workings";
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
  const { slug, site, years, year, isAll, unknownYear, view, months, span, context, doubt } = props;
  const { engine, refusal } = useEngine(slug, site, year);
  const lines = months.filter((line) => line.key >= span.from && line.key <= span.to);
  const isWhole = span.from === months[0]?.key && span.to === months.at(-1)?.key && isAll;
  const ofYear = months.filter(({ key }) => key.startsWith(year));
  const isYear = lines.length === ofYear.length && lines[0]?.key === ofYear[0]?.key;
  // A span that another page has too has its name, so that both say one thing.
  const name = isWhole ? "all" : isYear ? year : spanName(span);
  const sum = totalLine(name, lines);
  if (year === "") return <EmptyYield slug={slug} name={site.name} />;
  return (
    <div className={chapter.page}>
      <Hatches />
      <ViewTabs title={site.name} views={VIEWS} view={view} href={(id) => `/books/${slug}/yield?view=${id}&year=${isAll ? "all" : year}`}>
        <nav className={tabs.years} aria-label="Years">
          {[...years, ...(view === "goes" ? ["all"] : [])].map((name) => (
            <Link
              key={name}
              href={`/books/${slug}/yield?view=${view}&year=${name}`}
              aria-current={name === (isAll ? "all" : year) ? "page" : undefined}
            >
              {name === "all" ? "All" : name}
            </Link>
          ))}
        </nav>
      </ViewTabs>
      {unknownYear !== null && <p className={chapter.soft}>{say.yearNotInTheBook(unknownYear)}</p>}
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      {view === "goes" && (
        <>
          <YieldSentence sum={sum} lines={lines} context={context} uncertainty={doubt.span} name={yearInWords(name)} />
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
  const half = uncertainty.halfWidth90Frac * sum.expectedKwh;
  const regain = avoidableKwh(sum);
  const price = pricePerKwh(context.site);
  return (
    <p className={chapter.verdict}>
      {name}:{" "}
      <Figure name={`expected/${sum.key}`} working={() => expectedWorking(sum, context)}>
        {kwh(sum.expectedKwh)} kWh
      </Figure>{" "}
      {isUsualYear(sum) ? say.expectedOfAUsualYear : say.expectedGiveOrTake}
      <Figure end="," working={() => uncertaintyWorking(uncertainty, sum.expectedKwh)}>
        {kwh(half)}
      </Figure>{" "}
      {percent(sum.expectedKwh / Math.max(1e-9, sum.referenceKwh), 0)} {say.ofTheReferenceEnergy}
      <Figure name={`reference/${sum.key}`} working={() => referenceWorking(sum, context)} end=".">
        {kwh(sum.referenceKwh)}
      </Figure>{" "}
      {sum.isSought &&
        !isUsualYear(sum) &&
        (regain > 0 ? (
          <>
            <Figure name={`avoidable/${sum.key}`} working={() => avoidableWorking(sum, context)}>
              {kwh(regain)} kWh
            </Figure>
            {price !== null && price > 0 && ` (${number(regain * price)} ${context.site.currency})`} {say.couldBeHadBack}
          </>
        ) : (
          say.nothingCouldBeHadBack
        ))}
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
        <Link href={`/books/${slug}/readings`}>Readings chapter</Link>.{" "}
        <Link href={`/books/${slug}/readings?view=type`}>{BRING_WORDS["any-sun"]}</Link>
      </p>
    </div>
  );
}
