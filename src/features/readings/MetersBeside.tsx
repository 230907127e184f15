"use client";
import { yearsIn } from "@/charts";
import type { ExaminedSeries } from "@/contracts/examination";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { quantityName } from "@/wording/quantities";
import { say } from "@/wording/screens/readings";
import { meterYearWorking } from "@/wording/workings/meter-working";
import styles from "./ReadingsChapter.module.css";

/** A year of one series: what was read, and what was expected for it. */
function sumOf(one: ExaminedSeries, year: string) {
  let [kwh, expected, read, all] = [0, 0, 0, 0];
  one.days.forEach((day, k) => {
    if (!day.startsWith(year)) return;
    all++;
    read += one.readFrac[k]!;
    if (one.cleanKwh[k] === null) return;
    kwh += one.cleanKwh[k]!;
    expected += (one.expectedKwh[k] ?? 0) * one.readFrac[k]!;
  });
  return { kwh, expectedKwh: expected, ratio: expected > 0 ? kwh / expected : null, readFrac: all > 0 ? read / all : 0 };
}

/** Years of each series beside what was expected for the days that were read: the ratio is of sums. */
export function MetersBeside({ series }: { series: readonly ExaminedSeries[] }) {
  const years = [...new Set(series.flatMap(({ days }) => yearsIn(days)))].sort();
  return (
    <section className={chapter.section}>
      <h2>{say.metersSideBySide}</h2>
      <YearsTable years={years} series={series} />
    </section>
  );
}

interface YearsTableProps {
  readonly years: string[];
  readonly series: readonly ExaminedSeries[];
}

function YearsTable({ years, series }: YearsTableProps) {
  return (
    <ScrollBox label={say.metersSideBySide}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">meter, point</th>
            {years.map((year) => (
              <th key={year} scope="col">
                {year}, kWh
                <br />
                of expected
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {series.map((one) => (
            <tr key={one.key} className={styles.batch}>
              <td>
                {one.meterId}
                <small>
                  {one.point} · {quantityName(one.quantity)} · {one.stepMinutes} min
                </small>
              </td>
              {years.map((year) => {
                const { kwh, expectedKwh, ratio, readFrac } = sumOf(one, year);
                return (
                  <td key={year}>
                    {readFrac > 0 ? (
                      <Figure plain working={() => meterYearWorking(one, year, { kwh, expectedKwh: expectedKwh, readFrac })}>
                        {number(kwh)}
                      </Figure>
                    ) : (
                      "–"
                    )}
                    <small>{ratio === null ? "–" : `${percent(ratio)}${readFrac < 0.985 ? `, ${percent(readFrac, 0)} read` : ""}`}</small>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
