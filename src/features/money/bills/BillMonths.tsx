"use client";

import { Switch } from "@mantine/core";
import { useState } from "react";
import type { BillsReport } from "@/contracts/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-bills";
import { billedMonthWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

const kwh = (value: number | null): string => (value === null ? "–" : number(value));

/** Bills by month, the newest first; months without a bill are hatched, and can be left out. */
export function BillMonths({ report }: { report: BillsReport }) {
  const { months, currency } = report;
  const bands = [...new Set(months.flatMap((month) => Object.keys(month.importByBandKwh)))];
  const [withEstimated, setWithEstimated] = useState(true);
  const estimated = months.filter(({ isEstimated }) => isEstimated).length;
  const shown = withEstimated ? months : months.filter(({ isEstimated }) => !isEstimated);
  return (
    <section className={chapter.section}>
      <h2>{say.monthByMonth}</h2>
      {estimated > 0 && (
        <Switch
          size="xs"
          label={say.monthsWithoutABill(estimated)}
          checked={withEstimated}
          onChange={(event) => setWithEstimated(event.currentTarget.checked)}
        />
      )}
      <ScrollBox label={say.billsByMonth} className={styles.months}>
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th>month</th>
              <th>bought, kWh</th>
              {bands.map((band) => (
                <th key={band}>{band}</th>
              ))}
              <th>exported</th>
              <th>produced</th>
              <th>{say.usedOnTheSpot}</th>
              <th>bill, {currency}</th>
              <th>{say.withoutTheArray}</th>
              <th>saved</th>
              <th>{say.aBoughtKwh}</th>
            </tr>
          </thead>
          <tbody>
            {[...shown].reverse().map((month) => (
              <MonthRow key={month.key} month={month} bands={bands} currency={currency} />
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
    </section>
  );
}

interface MonthRowProps {
  readonly month: BillsReport["months"][number];
  readonly bands: readonly string[];
  readonly currency: string;
}

function MonthRow({ month, bands, currency }: MonthRowProps) {
  return (
    <tr className={month.isEstimated ? styles.estimated : undefined} title={month.isEstimated ? say.estimatedNoBill : undefined}>
      <td>
        {month.key}
        {month.isEstimated && " est."}
      </td>
      <Cells working={() => billedMonthWorking(month, currency)}>
        {[
          kwh(month.importKwh),
          ...bands.map((band) => kwh(month.importByBandKwh[band] ?? null)),
          kwh(month.exportKwh),
          month.isFilled ? <i key="filled">{kwh(month.productionKwh)}</i> : kwh(month.productionKwh),
          kwh(month.selfUsedKwh),
          money(month.amount),
          month.without === null ? "–" : money(month.without),
          month.saved["re-run"] === null ? "–" : money(month.saved["re-run"]),
          month.perKwh === null ? "–" : number(month.perKwh, 3),
        ]}
      </Cells>
    </tr>
  );
}
