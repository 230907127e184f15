"use client";

import { AccountBar, DifferenceBar } from "@/charts";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, lineState, performanceIndex } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import styles from "./LedgerSpread.module.css";
import { spanTolerance } from "./span-tolerance";

const MODEL_SIDE = LEDGER_ACCOUNTS.filter((account) => account !== "unread" && account !== "remainder");

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

export function Amounts({ line, scale, context, total = false, isClosed = false }: AmountsProps) {
  const kwh = (value: number) => number(value, scale.decimals);
  const index = performanceIndex(line);
  const state = lineState(line, spanTolerance(context, [line]));
  const look = state === "look" && !total;
  const difference = line.meteredKwh === null ? null : line.meteredKwh - line.unmatchedKwh - line.expectedKwh;
  return (
    <>
      <td className={total ? undefined : styles.soft}>
        <Figure plain working={() => workings.planeWorking(line, context)}>
          {number(line.planeKwhM2)}
        </Figure>
      </td>
      <td>
        <Figure plain working={() => workings.referenceWorking(line, context)}>
          {kwh(line.referenceKwh)}
        </Figure>
      </td>
      <td className={styles.bar}>{!total && <LossBar line={line} mostKwh={scale.mostReferenceKwh} />}</td>
      <td>
        <Figure plain working={() => workings.expectedWorking(line, context)}>
          {kwh(line.expectedKwh)}
        </Figure>
      </td>
      <td className={styles.spine}>
        <DifferenceFigure look={look} difference={difference} line={line} context={context} kwh={kwh} total={total} scale={scale} />
      </td>
      <td className={styles.metered}>
        {line.meteredKwh === null ? (
          "–"
        ) : (
          <Figure plain working={() => workings.meteredWorking(line, context)}>
            {kwh(line.meteredKwh)}
            {line.splitKwh > 0 && <span title={say.kwhSplitFromLongerSpansBy(kwh(line.splitKwh))}> ÷</span>}
          </Figure>
        )}
      </td>
      <td className={styles.soft}>
        <KnownFigure value={line.promiseKwh} say={kwh} working={() => workings.promiseWorking(line, context)} />
      </td>
      <td>
        <KnownFigure value={index} say={percent} working={() => workings.performanceIndexWorking(line, context)} />
      </td>
      <td className={styles.soft}>
        <Figure plain working={() => workings.dataGapWorking(line, context)}>
          {percent(line.readFrac, line.readFrac > 0.9995 ? 0 : 1)}
        </Figure>
      </td>
      <td className={styles.state}>
        {!total && <span data-state={isClosed ? "closed" : state}>{isClosed ? "closed" : STATE_WORDS[state]}</span>}
      </td>
    </>
  );
}

interface DifferenceFigureProps {
  readonly look: boolean;
  readonly difference: number | null;
  readonly line: LedgerLine;
  readonly context: LedgerContext;
  readonly kwh: (value: number) => string;
  readonly total: boolean;
  readonly scale: PageScale;
}

function DifferenceFigure({ look, difference, line, context, kwh, total, scale }: DifferenceFigureProps) {
  return (
    <span className={styles.spineCell}>
      <span className={look ? styles.needsLook : styles.difference}>
        {difference !== null && (
          <Figure plain working={() => workings.differenceWorking(line, context)}>
            {kwh(difference)}
          </Figure>
        )}
      </span>
      {!total && line.unexplainedKwh !== null && (
        <DifferenceBar
          unexplainedKwh={line.unexplainedKwh}
          dataGapKwh={line.dataGapKwh}
          mostShortKwh={scale.mostShortKwh}
          mostOverKwh={scale.mostOverKwh}
          look={look}
          width={72}
          height={28}
        />
      )}
    </span>
  );
}

const STATE_WORDS = { fits: "fits", look: "look", "part-read": "part read", unread: "unread" } as const;

function LossBar({ line, mostKwh }: { line: LedgerLine; mostKwh: number }) {
  const posted = ledgerPostings(line);
  const losses = MODEL_SIDE.map((account) => ({ account, kwh: posted[account] }));
  return (
    <AccountBar expectedKwh={line.expectedKwh} losses={losses} mostKwh={mostKwh} width={340} height={19} label={barLabel(line, losses)} />
  );
}

function barLabel(line: LedgerLine, losses: readonly { account: LedgerAccount; kwh: number }[]): string {
  const named = losses.filter((part) => Math.abs(part.kwh) > 0.5).map((part) => `${ACCOUNT_NAMES[part.account].name} ${number(part.kwh)}`);
  return `Of ${number(line.referenceKwh)} kWh: ${named.join(", ")}`;
}
