"use client";

import { AccountBar, DifferenceBar } from "@/charts";
import { DESIGN_ACCOUNTS, FOUND_ACCOUNTS } from "@/core/accounts";
import { designLosses, foundSumKwh, type LedgerLine, lineState } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number, percent } from "@/wording/format";
import { stateWords } from "@/wording/ledger-states";
import { say } from "@/wording/screens/ledger";
import * as besides from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import { IndexFigure } from "./IndexFigure";
import styles from "./LedgerSpread.module.css";
import { spanTolerance } from "./span-tolerance";

export interface PageScale {
  readonly mostReferenceKwh: number;
  readonly mostShortKwh: number;
  readonly mostOverKwh: number;
  readonly decimals: number;
}

interface AmountsProps {
  readonly line: LedgerLine;
  readonly scale: PageScale;
  readonly context: LedgerContext;
  readonly total?: boolean;
  readonly isClosed?: boolean;
}

/** The figures of one line, from the sun to the state. */
export function Amounts({ line, scale, context, total = false, isClosed = false }: AmountsProps) {
  const kwh = (value: number) => number(value, scale.decimals);
  const { key } = line;
  // Without weather nothing is known of the sun: no nought is claimed.
  const lit = (value: number): number | null => (line.referenceKwh > 0 || line.meteredKwh === null ? value : null);
  const kwhM2 = (value: number): string => number(value);
  const state = lineState(line, spanTolerance(context, [line]));
  return (
    <>
      <td className={total ? undefined : styles.soft}>
        <KnownFigure name={`plane/${key}`} value={lit(line.planeKwhM2)} say={kwhM2} working={() => workings.planeWorking(line, context)} />
      </td>
      <td>
        <KnownFigure
          name={`reference/${key}`}
          value={lit(line.referenceKwh)}
          say={kwh}
          working={() => workings.referenceWorking(line, context)}
        />
      </td>
      <td className={styles.bar}>{!total && <LossBar line={line} mostKwh={scale.mostReferenceKwh} />}</td>
      <td>
        <KnownFigure
          name={`expected/${key}`}
          value={lit(line.expectedKwh)}
          say={kwh}
          working={() => workings.expectedWorking(line, context)}
        />
      </td>
      <td className={styles.spine}>
        <SpineFigures toCheck={state.kind === "to-check" && !total} line={line} context={context} kwh={kwh} total={total} scale={scale} />
      </td>
      <td className={styles.metered}>
        <KnownFigure name={`metered/${key}`} value={line.meteredKwh} say={kwh} working={() => workings.meteredWorking(line, context)} />
        {line.splitKwh > 0 && <span title={say.kwhSplitFromLongerSpansBy(kwh(line.splitKwh))}> ÷</span>}
      </td>
      <td>
        <IndexFigure line={line} context={context} />
      </td>
      <td className={styles.soft}>
        <KnownFigure name={`promise/${key}`} value={line.promiseKwh} say={kwh} working={() => workings.promiseWorking(line, context)} />
      </td>
      <td className={styles.soft}>
        <KnownFigure
          name={`data-availability/${key}`}
          value={state.kind === "usual" || state.kind === "no-weather" ? null : line.readFrac}
          say={percent}
          working={() => workings.dataGapWorking(line, context)}
        />
      </td>
      <td className={styles.state}>
        {!total && <span data-state={isClosed ? "closed" : state.kind}>{stateWords(isClosed ? { kind: "closed" } : state)}</span>}
      </td>
    </>
  );
}

interface SpineProps {
  readonly toCheck: boolean;
  readonly line: LedgerLine;
  readonly context: LedgerContext;
  readonly kwh: (value: number) => string;
  readonly total: boolean;
  readonly scale: PageScale;
}

/** What lies between expected and metered: found, and unexplained, with their bar. */
function SpineFigures({ toCheck, line, context, kwh, total, scale }: SpineProps) {
  const { key, unexplainedKwh } = line;
  if (unexplainedKwh === null) return null;
  const found = FOUND_ACCOUNTS.map((account) => ({ account, kwh: line.foundKwh[account] }));
  return (
    <span className={styles.spineCell}>
      <span>
        {line.isSought ? (
          <Figure plain name={`found/${key}`} working={() => besides.foundSumWorking(line, context)}>
            {kwh(foundSumKwh(line))}
          </Figure>
        ) : (
          "–"
        )}
      </span>
      {total ? (
        <i />
      ) : (
        <DifferenceBar
          found={found}
          unexplainedKwh={unexplainedKwh}
          dataGapKwh={line.dataGapKwh}
          mostShortKwh={scale.mostShortKwh}
          mostOverKwh={scale.mostOverKwh}
          toCheck={toCheck}
          width={78}
          height={28}
        />
      )}
      <span className={toCheck ? styles.needsLook : styles.difference}>
        <Figure plain name={`unexplained/${key}`} working={() => workings.unexplainedWorking(line, context)}>
          {kwh(unexplainedKwh)}
        </Figure>
      </span>
    </span>
  );
}

function LossBar({ line, mostKwh }: { line: LedgerLine; mostKwh: number }) {
  const planned = designLosses(line);
  const losses = DESIGN_ACCOUNTS.map((account) => ({ account, kwh: planned[account] }));
  const named = losses.filter((part) => Math.abs(part.kwh) > 0.5).map((part) => `${ACCOUNT_NAMES[part.account].name} ${number(part.kwh)}`);
  return (
    <AccountBar
      expectedKwh={line.expectedKwh}
      losses={losses}
      mostKwh={mostKwh}
      width={340}
      height={19}
      label={say.ofReferenceKwh(number(line.referenceKwh), named.join(", "))}
    />
  );
}
