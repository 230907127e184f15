"use client";

import { VisuallyHidden } from "@mantine/core";
import Link from "next/link";
import { useMemo } from "react";
import { type LedgerLine, sizeKwh } from "@/core/ledger";
import { Term } from "@/features/kit/help/Term";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { kwhDecimals, monthName } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import { Amounts, type PageScale } from "./LedgerAmounts";
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

/** The two-page spread: the sun's side, the spine with the difference, the meter's side; one ruled line a month or year. */
export function LedgerSpread({ slug, lines, sum, sumName, context, closed = [] }: LedgerSpreadProps) {
  const scale = useMemo(() => pageScale(lines), [lines]);
  return (
    <div className={styles.scroll}>
      <RuledTable className={styles.spread}>
        <VisuallyHidden component="caption">{say.theAccountOf(sumName)}</VisuallyHidden>
        <SpreadHead />
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

/** The columns of both pages. */
function SpreadHead() {
  return (
    <thead>
      <tr className={styles.sides}>
        <th colSpan={4} scope="colgroup">
          {say.owedByTheSun}
        </th>
        <th className={styles.unit}>kWh</th>
        <th className={styles.spine} scope="colgroup">
          {say.shortOver}
        </th>
        <th colSpan={4} scope="colgroup" className={styles.meterSide}>
          {say.paidAtTheMeter}
        </th>
        <th className={styles.unit}>kWh</th>
      </tr>
      <ColumnHeads />
    </thead>
  );
}

function ColumnHeads() {
  return (
    <tr className={styles.heads}>
      <th scope="col" className={styles.hiddenHead}>
        span
      </th>
      <th scope="col">
        <Term>in-plane</Term>
        <br />
        kWh/m²
      </th>
      <th scope="col">
        <Term>reference</Term>
      </th>
      <th scope="col" className={styles.left}>
        <Term>design losses</Term>
      </th>
      <th scope="col">
        <Term>expected</Term>
      </th>
      <th scope="col" className={styles.spine}>
        <span className={styles.shortOver}>
          <span>
            <Term>found</Term>
          </span>
          <span />
          <span>
            <Term>unexplained</Term>
          </span>
        </span>
      </th>
      <th scope="col" className={styles.meterSide}>
        <Term>metered</Term>
      </th>
      <th scope="col" className={styles.wraps}>
        <Term>performance index</Term>
      </th>
      <th scope="col">
        <Term>promise</Term>
      </th>
      <th scope="col" className={styles.wraps}>
        <Term>data availability</Term>
      </th>
      <th scope="col" className={styles.hiddenHead}>
        state
      </th>
    </tr>
  );
}

function pageScale(lines: readonly LedgerLine[]): PageScale {
  const between = (line: LedgerLine): number[] => [...Object.values(line.foundKwh), line.dataGapKwh, line.unexplainedKwh ?? 0];
  const side = (line: LedgerLine, sign: number): number => between(line).reduce((sum, kwh) => sum + Math.max(0, sign * kwh), 0);
  // What is not told has no bar.
  const told = lines.filter(({ unexplainedKwh }) => unexplainedKwh !== null);
  const mostReferenceKwh = Math.max(1e-9, ...lines.map((line) => line.referenceKwh));
  return {
    mostReferenceKwh,
    mostShortKwh: Math.max(1e-9, ...told.map((line) => side(line, 1))),
    mostOverKwh: Math.max(1e-9, ...told.map((line) => side(line, -1))),
    decimals: kwhDecimals(Math.max(...lines.map(sizeKwh), 1e-9)),
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
