"use client";

import { BalanceCurve, type BalancePoint } from "@/charts";
import { number } from "@/features/figures/format";
import { ChartFrame } from "@/features/save/ChartFrame";
import type { MoneyContext } from "@/features/workings/money-workings";
import styles from "./MoneyChapter.module.css";

/** Savings less cost, year by year, in both readings. */
export function BalanceChart({ slug, context }: { slug: string; context: MoneyContext }) {
  const { payback, site } = context;
  const start = -Number(payback.netCost);
  const points: BalancePoint[] = [
    { year: 0, balance: start, simpleBalance: start },
    ...payback.years.map((year) => ({ year: year.year, balance: Number(year.balance), simpleBalance: Number(year.simpleBalance) })),
  ];
  const note = (
    <span className={styles.key}>
      <span>
        <i />
        with price rise and ageing
      </span>
      <span>
        <i data-line="simple" />
        with neither
      </span>
    </span>
  );
  return (
    <ChartFrame
      title={`Balance, ${site.currency}`}
      note={note}
      fileName={`${slug}-payback`}
      height={250}
      summary="Savings less cost over the years"
      table={() => [["year", "balance", "balance_without_rise_and_ageing"], ...points.map((p) => [p.year, p.balance, p.simpleBalance])]}
    >
      {(width) => (
        <BalanceCurve
          points={points}
          risingYears={payback.risingYears}
          simpleYears={payback.simpleYears}
          width={width}
          height={250}
          label={(value) => number(value)}
        />
      )}
    </ChartFrame>
  );
}
