"use client";

import { VisuallyHidden } from "@mantine/core";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";
import { type MoneyContext, yearWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

/** The cash flow year by year. */
export function YearTable({ context }: { context: MoneyContext }) {
  const { payback, site } = context;
  const turned = payback.years.findIndex((year) => Number(year.balance) >= 0);
  const heads = [
    ["energy", "kWh"],
    ["worth", `${site.currency} a kWh`],
    ["saved", site.currency],
    ["upkeep, once", site.currency],
    [say.balanceNominal, site.currency],
    [say.inTodaysMoney, site.currency],
  ];
  return (
    <ScrollBox label={say.yearByYear} className={styles.years}>
      <RuledTable className={chapter.table}>
        <VisuallyHidden component="caption">{say.yearByYear}</VisuallyHidden>
        <thead>
          <tr>
            <th scope="col">year</th>
            {heads.map(([name, unit]) => (
              <th scope="col" key={name}>
                {name}
                <br />
                {unit}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {payback.years.map((year, i) => (
            <tr key={year.year} data-turned={i === turned || undefined} className={styles.year}>
              <td>{year.year}</td>
              <Cells working={() => yearWorking(context, i)}>
                {[
                  number(year.energyKwh),
                  year.valuePerKwh,
                  money(year.value, 0),
                  number(Number(year.upkeep) + Number(year.once)),
                  money(year.balance, 0),
                  money(year.discountedBalance, 0),
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
