"use client";

import { BalanceCurve, type BalancePoint } from "@/charts";
import type { PaybackSpread } from "@/core/money";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";
import type { MoneyContext } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

/** Savings less cost, year by year, in three readings, with the interval of the break-even. */
export function BalanceChart({ slug, context, spread }: { slug: string; context: MoneyContext; spread: PaybackSpread | null }) {
  const { payback, site } = context;
  const start = -Number(payback.netCost);
  const points: BalancePoint[] = [
    { year: 0, balance: start, simpleBalance: start, discountedBalance: start },
    ...payback.years.map((year) => ({
      year: year.year,
      balance: Number(year.balance),
      simpleBalance: Number(year.simpleBalance),
      discountedBalance: Number(year.discountedBalance),
    })),
  ];
  const note = (
    <span className={styles.key}>
      <span>
        <i />
        {say.riseAgeingUpkeep}
      </span>
      <span>
        <i data-line="simple" />
        {say.noneOfThese}
      </span>
      <span>
        <i data-line="discounted" />
        {say.inTodaysMoney}
      </span>
    </span>
  );
  return (
    <ChartFrame
      title={say.balanceOfEachYear(site.currency)}
      note={note}
      fileName={`${slug}-payback`}
      height={250}
      summary={say.savingsLessCostOverTheYears}
      table={() => [
        ["year", "balance", "balance_without_rise_and_ageing", "balance_discounted"],
        ...points.map((p) => [p.year, p.balance, p.simpleBalance, p.discountedBalance]),
      ]}
    >
      {(width) => (
        <BalanceCurve
          points={points}
          risingYears={payback.risingYears}
          simpleYears={payback.simpleYears}
          interval={spread ? [spread.low, spread.high] : null}
          width={width}
          height={250}
          label={(value) => number(value)}
        />
      )}
    </ChartFrame>
  );
}
