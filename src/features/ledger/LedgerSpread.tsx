"use client";

import Link from "next/link";
import { useMemo } from "react";
import { AccountBar, DifferenceBar } from "@/charts";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { type LedgerLine, ledgerPostings, lineState, performanceIndex } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import * as workings from "@/wording/workings/ledger-workings";
import styles from "./LedgerSpread.module.css";

export interface LedgerSpreadProps {
  readonly slug: string;
  readonly lines: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly sumName: string;
  readonly context: LedgerContext;
  /** Months whose postings are closed. */
  readonly closed?: readonly string[];
}

const MODEL_SIDE = LEDGER_ACCOUNTS.filter((account) => account !== "unread" && account !== "remainder");

/** The two-page spread: the sun's side, the spine with the difference, the meter's side; one ruled line a month or year. */
export function LedgerSpread({ slug, lines, sum, sumName, context, closed = [] }: LedgerSpreadProps) {
  const scale = useMemo(() => pageScale(lines), [lines]);
  return (
    <div className={styles.scroll}>
      <RuledTable className={styles.spread}>
        <caption className={styles.hidden}>{say.whatTheSunOwedAndWhat(sumName)}</caption>
        <thead>
          <tr className={styles.sides}>
            <th colSpan={4} scope="colgroup">
              {say.owedByTheSun}
            </th>
            <th className={styles.unit}>kWh</th>
            <th className={styles.spine} scope="colgroup">
              difference
            </th>
            <th colSpan={4} scope="colgroup" className={styles.meterSide}>
              {say.paidAtTheMeter}
            </th>
            <th className={styles.unit}>kWh</th>
          </tr>
          <tr className={styles.heads}>
            <th scope="col" className={styles.hiddenHead}>
              span
            </th>
            <th scope="col">
              in-plane
              <br />
              kWh/m²
            </th>
            <th scope="col">reference</th>
            <th scope="col" className={styles.left}>
              {say.whereItGoesBeforeTheMeter}
            </th>
            <th scope="col">{context.isEvidence ? "explained" : "expected"}</th>
            <th scope="col" className={styles.spine}>
              <span className={styles.shortOver}>
                <span>short</span>
                <span>over</span>
              </span>
            </th>
            <th scope="col" className={styles.meterSide}>
              metered
            </th>
            <th scope="col">promise</th>
            <th scope="col">
              paid of
              <br />
              owed
            </th>
            <th scope="col">read</th>
            <th scope="col" className={styles.hiddenHead}>
              state
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Line key={line.key} line={line} slug={slug} scale={scale} context={context} isClosed={closed.includes(line.key)} />
          ))}
        </tbody>
        <tfoot>
          <tr className={styles.total}>
            <th scope="row">{sumName}</th>
            <Amounts line={sum} scale={scale} context={context} total />
          </tr>
        </tfoot>
      </RuledTable>
    </div>
  );
}

interface PageScale {
  readonly mostReferenceKwh: number;
  readonly mostShortKwh: number;
  readonly mostOverKwh: number;
  readonly decimals: number;
}

function pageScale(lines: readonly LedgerLine[]): PageScale {
  const short = lines.map((line) => Math.max(0, line.unexplainedKwh ?? 0) + line.dataGapKwh);
  const over = lines.map((line) => Math.max(0, -(line.unexplainedKwh ?? 0)));
  const mostReferenceKwh = Math.max(1e-9, ...lines.map((line) => line.referenceKwh));
  return {
    mostReferenceKwh,
    mostShortKwh: Math.max(1e-9, ...short),
    mostOverKwh: Math.max(1e-9, ...over),
    decimals: kwhDecimals(mostReferenceKwh),
  };
}

interface LineProps {
  readonly line: LedgerLine;
  readonly slug: string;
  readonly scale: PageScale;
  readonly context: LedgerContext;
  readonly isClosed: boolean;
}

function Line({ line, slug, scale, context, isClosed }: LineProps) {
  const isMonth = line.key.length === 7;
  const href = isMonth ? `/books/${slug}/ledger/${line.key}` : `/books/${slug}/ledger?year=${line.key}`;
  return (
    <tr className={styles.line}>
      <th scope="row">
        <Link href={href} title={isMonth ? say.openTheDaysOfThisMonth : say.openThisYear}>
          {monthName(line.key, "short")}
        </Link>
      </th>
      <Amounts line={line} scale={scale} context={context} isClosed={isClosed} />
    </tr>
  );
}

interface AmountsProps {
  readonly line: LedgerLine;
  readonly scale: PageScale;
  readonly context: LedgerContext;
  readonly total?: boolean;
  readonly isClosed?: boolean;
}

function Amounts({ line, scale, context, total = false, isClosed = false }: AmountsProps) {
  const kwh = (value: number) => number(value, scale.decimals);
  const index = performanceIndex(line);
  const state = lineState(line);
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
        {line.promiseKwh === null ? (
          "–"
        ) : (
          <Figure plain working={() => workings.promiseWorking(line, context)}>
            {kwh(line.promiseKwh)}
          </Figure>
        )}
      </td>
      <td>
        {index === null ? (
          "–"
        ) : (
          <Figure plain working={() => workings.performanceIndexWorking(line, context)}>
            {percent(index)}
          </Figure>
        )}
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
