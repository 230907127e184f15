"use client";

import type { ReactNode } from "react";
import { isUsualYear, type LedgerLine, type LineState, largestLoss, performanceIndex } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { dateName, percent } from "@/wording/format";
import { lossSubject } from "@/wording/ledger-states";
import { say as sayOfYears } from "@/wording/screens/ledger";
import { say } from "@/wording/screens/ledger-days";
import * as found from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import type { DaySum } from "./DayStrip";

interface MonthVerdictProps {
  readonly context: LedgerContext;
  readonly line: LedgerLine;
  readonly kwh: (value: number) => string;
  readonly state: LineState;
  readonly days: readonly DaySum[];
}

/** A month in a sentence or three. */
export function MonthVerdict({ context, line, kwh, state, days }: MonthVerdictProps) {
  const { key } = line;
  const expected = (
    <Figure name={`expected/${key}`} working={() => workings.expectedWorking(line, context)}>
      {kwh(line.expectedKwh)} kWh
    </Figure>
  );
  const index = performanceIndex(line);
  if (isUsualYear(line) || (line.meteredKwh !== null && !(line.referenceKwh > 0)))
    return <UsualMonth context={context} line={line} kwh={kwh} expected={expected} />;
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

interface UsualMonthProps extends Pick<MonthVerdictProps, "context" | "line" | "kwh"> {
  readonly expected: ReactNode;
}

/** A month whose own weather nobody knows. */
function UsualMonth({ context, line, kwh, expected }: UsualMonthProps) {
  return (
    <p className={chapter.verdict}>
      {line.meteredKwh !== null && (
        <Figure name={`metered/${line.key}`} working={() => workings.meteredWorking(line, context)}>
          {kwh(line.meteredKwh)} kWh
        </Figure>
      )}
      {line.referenceKwh > 0 ? (
        <>
          {line.meteredKwh !== null && sayOfYears.meteredWhile}
          {say.suchAMonthGives} {expected}. {sayOfYears.ownWeatherNotKnown}
        </>
      ) : (
        `${sayOfYears.metered}${sayOfYears.noWeatherBeside}`
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
