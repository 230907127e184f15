import Link from "next/link";
import { type LedgerLine, sizeKwh, TOLD_FRAC, type Verdict } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import { BRING_WORDS } from "@/wording/basis";
import { kwhDecimals, monthName, number, percent } from "@/wording/format";
import { type LossSpan, lossSubject } from "@/wording/ledger-states";
import { say } from "@/wording/screens/ledger";
import { foundWorking, foundWorthWorking } from "@/wording/workings/found-workings";
import {
  dataGapWorking,
  expectedReadWorking,
  expectedWorking,
  type LedgerContext,
  meteredReadWorking,
  meteredWorking,
  performanceIndexWorking,
  unexplainedWorking,
} from "@/wording/workings/ledger-workings";
import { promiseRatioWorking } from "@/wording/workings/promise-working";
import styles from "./LedgerSpread.module.css";

interface VerdictProps {
  readonly verdict: Verdict;
  readonly sum: LedgerLine;
  readonly context: LedgerContext;
  /** When the largest loss was; null where it has no dates. */
  readonly span: LossSpan | null;
  /** What the light sensor did by itself, where the page's months show it. */
  readonly light: "drifts" | "dirty" | null;
  readonly slug: string;
  /** What the page is called: "2025", "All years", "12 months to 31 August 2022". */
  readonly name: string;
}

type Known = Extract<Verdict, { index: number }>;
type Kwh = (value: number) => string;

/** The page in a sentence or four: what came of what was expected, the largest loss with its dates and money, what is unexplained. Numbers open their working. */
export function VerdictSentence({ verdict, sum, context, span, light, slug, name }: VerdictProps) {
  const kwh: Kwh = (value) => number(value, kwhDecimals(sizeKwh(sum) / 12));
  if (verdict.kind === "no-weather")
    return <WithoutWeather verdict={verdict} sum={sum} context={context} kwh={kwh} slug={slug} name={name} />;
  if (verdict.kind === "no-readings") {
    return (
      <p className={styles.verdict}>
        {name}:{" "}
        <Figure name={`expected/${sum.key}`} working={() => expectedReadWorking(sum, context)}>
          {kwh(verdict.expectedKwh)} kWh
        </Figure>
        {say.expectedNothingMetered}
      </p>
    );
  }
  if (verdict.kind === "usual-year") return <UsualYear verdict={verdict} sum={sum} context={context} kwh={kwh} slug={slug} name={name} />;
  return (
    <p className={styles.verdict}>
      {name}:{" "}
      <Figure name={`metered-read/${sum.key}`} working={() => meteredReadWorking(sum, context)}>
        {kwh(verdict.meteredReadKwh)}
      </Figure>
      {say.ofExpected}
      <Figure name={`expected-read/${sum.key}`} working={() => expectedReadWorking(sum, context)}>
        {kwh(verdict.expectedReadKwh)} kWh
      </Figure>
      {verdict.dataGapKwh > 0 ? say.expectedOfTimeReadCame : say.expectedCame}
      <Figure name={`performance-index/${sum.key}`} working={() => performanceIndexWorking(sum, context)} end=").">
        {percent(verdict.index)}
      </Figure>{" "}
      <GapClause verdict={verdict} sum={sum} context={context} kwh={kwh} />
      <LossClause verdict={verdict} sum={sum} context={context} kwh={kwh} span={span} />
      <UnexplainedClause verdict={verdict} sum={sum} context={context} kwh={kwh} />
      {light && <span data-testid="light-clause"> {LIGHT_CLAUSES[light]}</span>}
    </p>
  );
}

/** Expected energy stands on the light that was read: where that is in doubt, the page says so. */
const LIGHT_CLAUSES = { drifts: say.theLightSensorDrifts, dirty: say.theLightSensorWasDirty } as const;

interface ClauseProps {
  readonly verdict: Known;
  readonly sum: LedgerLine;
  readonly context: LedgerContext;
  readonly kwh: Kwh;
}

interface WithoutWeatherProps extends Pick<VerdictProps, "sum" | "context" | "slug" | "name"> {
  readonly verdict: Extract<Verdict, { kind: "no-weather" }>;
  readonly kwh: Kwh;
}

/** What needs no sun: what was counted, and how that stands to the promise. */
function WithoutWeather({ verdict: { meteredKwh, against }, sum, context, kwh, slug, name }: WithoutWeatherProps) {
  if (meteredKwh === null) return <p className={styles.verdict}>{say.noWeatherYetSoNothingIs}</p>;
  return (
    <p className={styles.verdict} data-testid="no-weather">
      {name}:{" "}
      <Figure name={`metered/${sum.key}`} working={() => meteredWorking(sum, context)}>
        {kwh(meteredKwh)} kWh
      </Figure>
      {say.metered}
      {against && (
        <>
          {", "}
          <Figure name={`promise-ratio/${sum.key}`} working={() => promiseRatioWorking(against)}>
            {percent(against.meteredKwh / against.promisedKwh)}
          </Figure>
          {say.ofThePromise(against.months.length)}
        </>
      )}
      {say.noWeatherBeside} <Link href={`/books/${slug}/readings?view=type`}>{BRING_WORDS["any-sun"]}</Link>
    </p>
  );
}

interface UsualYearProps extends Pick<VerdictProps, "sum" | "context" | "slug" | "name"> {
  readonly verdict: Extract<Verdict, { kind: "usual-year" }>;
  readonly kwh: Kwh;
}

/** A page whose own weather nobody knows: what was counted, what a usual year gives, and that nothing follows from the two. */
function UsualYear({ verdict: { usualKwh, meteredKwh }, sum, context, kwh, slug, name }: UsualYearProps) {
  return (
    <p className={styles.verdict} data-testid="usual-year">
      {name}:{" "}
      {meteredKwh !== null && (
        <>
          <Figure name={`metered/${sum.key}`} working={() => meteredWorking(sum, context)}>
            {kwh(meteredKwh)} kWh
          </Figure>
          {say.meteredWhile}
        </>
      )}
      {say.aUsualYearGives}
      <Figure name={`expected/${sum.key}`} working={() => expectedWorking(sum, context)} end=".">
        {kwh(usualKwh)} kWh
      </Figure>{" "}
      {say.ownWeatherNotKnown} <Link href={`/books/${slug}/readings`}>{BRING_WORDS["measured-weather"]}</Link>
    </p>
  );
}

function GapClause({ verdict, sum, context, kwh }: ClauseProps) {
  if (verdict.dataGapKwh <= TOLD_FRAC * sum.expectedKwh) return null;
  return (
    <>
      {say.whileNothingWasRead}
      <Figure name={`data-gap/${sum.key}`} working={() => dataGapWorking(sum, context)}>
        {kwh(verdict.dataGapKwh)} kWh
      </Figure>
      {say.moreWereExpected}
    </>
  );
}

function LossClause({ verdict, sum, context, kwh, span }: ClauseProps & Pick<VerdictProps, "span">) {
  const { largest } = verdict;
  if (!largest) return null;
  const price = pricePerKwh(context.site) ?? 0;
  const isWorth = largest.isAvoidable && price > 0;
  return (
    <>
      {lossSubject(largest.account, span, context.site.place.timeZone, sum.key)} took{" "}
      <Figure
        name={`found-${largest.account}/${sum.key}`}
        working={() => foundWorking(sum, largest.account, context)}
        end={isWorth ? undefined : "."}
      >
        {kwh(largest.kwh)} kWh
      </Figure>
      {isWorth && (
        <>
          {" ("}
          <Figure
            name={`found-${largest.account}-worth/${sum.key}`}
            working={() => foundWorthWorking(sum, largest.account, price, context)}
            end=")."
          >
            {number(largest.kwh * price)} {context.site.currency}
          </Figure>
        </>
      )}{" "}
    </>
  );
}

function UnexplainedClause({ verdict, sum, context, kwh }: ClauseProps) {
  const { unexplainedKwh, toCheckKeys, isSought, kind } = verdict;
  const figure = (
    <Figure name={`unexplained-size/${sum.key}`} working={() => unexplainedWorking(sum, context)}>
      {kwh(Math.abs(unexplainedKwh))} kWh
    </Figure>
  );
  const way = unexplainedKwh > 0 ? "short" : "over";
  const named = toCheckKeys
    .slice(0, 3)
    .map((key) => monthName(key))
    .join(", ");
  if (kind === "gap") return <span>{say.tooLittleWasRead}</span>;
  if (kind === "to-check")
    return (
      <strong className={styles.needsLook}>
        {figure} {way} {isSought ? say.areUnexplained(named) : say.causesNotSought}
      </strong>
    );
  return (
    <>
      <span className={toCheckKeys.length > 0 ? undefined : styles.settled}>
        {verdict.largest ? say.theRest : say.theDifference}
        {figure} {way}
        {say.isWithinWhatInstrumentsCanTell}
      </span>
      {toCheckKeys.length > 0 && <strong className={styles.needsLook}>{say.monthsAskByThemselves(named, toCheckKeys.length)}</strong>}
    </>
  );
}
