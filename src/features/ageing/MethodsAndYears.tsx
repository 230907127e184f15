"use client";
import type { AgeingReport } from "@/contracts/attribution";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import styles from "@/features/ledger/attribution/Causes.module.css";
import { number, yearInWords } from "@/wording/format";
import { say } from "@/wording/screens/ageing";
import { ageingWorking } from "@/wording/workings/cause-working";
import type { Working } from "@/wording/workings/working";

const yearTotalWorking = ({ key, kwh }: AgeingReport["yearTotals"][number]): Working => ({
  title: `Metered in ${key}`,
  value: number(kwh),
  unit: "kWh",
  formula: say.meteredOfTheTwelveMonthsUnread,
  inputs: [{ name: "months", value: "12", from: say.theLedgerYearsWithAMonth }],
  source: say.theLedgerOfThisBook,
  assumptions: [say.weatherSnowDirtAndAgeingAre],
});

export const rate = (value: number | null): string => (value === null ? "–" : number(value * 100, 2));

const FILTERS: Readonly<Record<string, string>> = {
  "read-and-lit": say.daysReadWithEnoughLight,
  "causes-out": say.standstillSnowAndStringsTakenOut,
  clear: say.clearEnoughDaysDirtPutBack,
  "little-dirt": say.daysWithLittleDirtAfterSettling,
  "light-drift": say.lightsDriftTakenOff,
};

const METHODS = {
  "year-on-year": {
    name: say.yearOnYear,
    what: say.medianOfAllPairsOfDays,
    trust: say.trustThisOne,
  },
  trend: { name: "Straight line", what: say.throughTheMonthlyIndexAfterSeasonal, trust: "a check" },
  naive: { name: "Yearly totals", what: say.asReadOffTheMeterWeather, trust: say.notARateOfAgeing },
} as const;

interface MethodsSectionProps {
  readonly report: AgeingReport;
}

/** What each method reads of the same days. */
export function MethodsSection({ report }: MethodsSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.threeMethodsAndWhichToTrust}</h2>
      <ScrollBox label="Methods">
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th>method</th>
              <th>% a year</th>
              <th>interval</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {report.methods.map((method) => (
              <tr key={method.name}>
                <td title={METHODS[method.name].what} style={{ whiteSpace: "normal" }}>
                  <b>{METHODS[method.name].name}</b> <span className={chapter.soft}>{METHODS[method.name].what}</span>
                </td>
                <td className={method.name === "naive" ? styles.struck : undefined}>
                  <Figure plain working={() => ageingWorking(report)}>
                    {rate(method.perYearFrac)}
                  </Figure>
                </td>
                <Cells working={() => ageingWorking(report)}>
                  {[method.low === null ? "–" : `${rate(method.low)} to ${rate(method.high)}`]}
                </Cells>
                <td className={chapter.soft}>{METHODS[method.name].trust}</td>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p className={chapter.soft}>
        With one, two and three more years the interval would be about {report.halfWidthLater.map((half) => `±${rate(half)}`).join(", ")} %
        a year.
      </p>
    </section>
  );
}

interface FiltersAndYearsProps {
  readonly report: AgeingReport;
  readonly fiscal: { key: string; kwh: number }[];
  /** In which month the book's own year begins. */
  readonly firstMonth: number;
}

/** What each filter leaves, and what the years gave. */
export function FiltersAndYears({ report, fiscal, firstMonth }: FiltersAndYearsProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatTheFiltersLeaveAndWhat}</h2>
      <ScrollBox label="Filters">
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th>after</th>
              <th>days</th>
              <th>{say.aYearWouldBe}</th>
            </tr>
          </thead>
          <tbody>
            {report.filters.map((filter) => (
              <tr key={filter.name}>
                <td>{FILTERS[filter.name] ?? filter.name}</td>
                <Cells working={() => ageingWorking(report)}>{[number(filter.days), rate(filter.perYearFrac)]}</Cells>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      {report.usedDays !== report.filters.at(-1)?.days && (
        <p className={chapter.soft}>
          {say.tooFewDaysAreLeftA}
          <Figure working={() => ageingWorking(report)}>{number(report.usedDays)} days</Figure> {say.afterSettlingClearOrNot}
        </p>
      )}
      <YearTotals totals={[...report.yearTotals, ...fiscal]} firstMonth={firstMonth} />
    </section>
  );
}

interface YearTotalsProps {
  readonly totals: AgeingReport["yearTotals"];
  readonly firstMonth: number;
}

/** What whole years gave, as metered. */
export function YearTotals({ totals, firstMonth }: YearTotalsProps) {
  return (
    <ScrollBox label="Whole years">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>whole year</th>
            <th>metered, kWh</th>
          </tr>
        </thead>
        <tbody>
          {totals.map((year) => (
            <tr key={year.key}>
              <td>{yearInWords(year.key, firstMonth)}</td>
              <Cells working={() => yearTotalWorking(year)}>{[number(year.kwh)]}</Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
