"use client";

import { AgeingFan } from "@/charts";
import type { AgeingReport, AttributionRun } from "@/contracts/attribution";
import type { PartReport } from "@/contracts/parts";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { CauseProgress } from "@/features/ledger/attribution/CauseProgress";
import styles from "@/features/ledger/attribution/Causes.module.css";
import { ageingSentence } from "@/wording/ageing";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ageing";
import { ageingWorking } from "@/wording/workings/cause-working";
import type { Working } from "@/wording/workings/working";
import { AgeingParts } from "./AgeingParts";

export interface AgeingChapterProps {
  readonly slug: string;
  readonly name: string;
  readonly report: AgeingReport | null;
  readonly parts: readonly PartReport[];
  readonly arrayCount: number;
  readonly run: AttributionRun;
  readonly commissioned: string | null;
  /** What was taken out of the index: findings in words. */
  readonly excluded: readonly string[];
  readonly fiscal: AgeingReport["yearTotals"];
}

const METHODS = {
  "year-on-year": {
    name: say.yearOnYear,
    what: say.medianOfAllPairsOfDays,
    trust: say.trustThisOne,
  },
  trend: { name: "Straight line", what: say.throughTheMonthlyIndexAfterSeasonal, trust: "a check" },
  naive: { name: "Yearly totals", what: say.asReadOffTheMeterWeather, trust: say.notARateOfAgeing },
} as const;

const FILTERS: Readonly<Record<string, string>> = {
  "read-and-lit": say.daysReadWithEnoughLight,
  "causes-out": say.standstillSnowAndStringsTakenOut,
  clear: say.clearEnoughDaysDirtPutBack,
  "little-dirt": say.daysWithLittleDirtAfterSettling,
};

const rate = (value: number | null): string => (value === null ? "–" : number(value * 100, 2));

/** The modules' ageing read through the weather: verdict, fan, schools, filters, and a letter for a claim. */
export function AgeingChapter(props: AgeingChapterProps) {
  const { slug, name, report, run } = props;
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      {!run.isCurrent && <CauseProgress slug={slug} run={run} />}
      {report ? <Reading {...props} report={report} /> : <p className={chapter.verdict}>{say.ageingIsReadFromMeteredOutput}</p>}
    </div>
  );
}

function Reading({ slug, name, report, parts, arrayCount, commissioned, excluded, fiscal }: AgeingChapterProps & { report: AgeingReport }) {
  const hasRate = report.perYearFrac !== null;
  // The figure is the rate; what the warranty says to it is plain text, which may wrap.
  const [rateWords, ...reason] = ageingSentence(report).split(". ");
  return (
    <>
      <p className={chapter.verdict} data-testid="ageing-verdict">
        <span className={report.verdict === "below" ? chapter.clay : undefined}>
          {hasRate ? <Figure working={() => ageingWorking(report)}>{rateWords}</Figure> : rateWords}. {reason.join(". ")}
        </span>
        {report.firstStep &&
          report.firstStep.low > 0 &&
          say.apartFromThatTheModulesFell(percent(report.firstStep.value), percent(report.firstStep.low), percent(report.firstStep.high))}
      </p>
      {hasRate && (
        <ChartFrame
          title={say.indexThroughTheWeather}
          note={say.meteredOverExpectedWithoutAgeingBy}
          fileName={`${slug}-ageing`}
          height={330}
          summary={ageingSentence(report)}
          table={() => [["day", "index"], ...report.days.map((day, d) => [day, report.index[d] ?? null])]}
        >
          {(width) => (
            <AgeingFan
              days={report.days}
              index={report.index}
              fan={report.fan}
              perYearFrac={report.perYearFrac!}
              warranty={report.warranty}
              ageAtStartYears={report.ageAtStartYears}
              width={width}
              height={330}
            />
          )}
        </ChartFrame>
      )}
      <div className={styles.split}>
        <section className={chapter.section}>
          <h2>{say.threeSchoolsAndWhichToTrust}</h2>
          <ScrollBox label="Schools">
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th>school</th>
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
            With one, two and three more years the interval would be about{" "}
            {report.halfWidthLater.map((half) => `±${rate(half)}`).join(", ")} % a year.
          </p>
        </section>
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
              <Figure working={() => ageingWorking(report)}>{number(report.usedDays)} days</Figure>
              {say.afterSettlingClearOrNot}
            </p>
          )}
          <ScrollBox label="Whole years">
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th>whole year</th>
                  <th>metered, kWh</th>
                </tr>
              </thead>
              <tbody>
                {[...report.yearTotals, ...fiscal].map((year) => (
                  <tr key={year.key}>
                    <td>{year.key}</td>
                    <Cells working={() => yearTotalWorking(year)}>{[number(year.kwh)]}</Cells>
                  </tr>
                ))}
              </tbody>
            </RuledTable>
          </ScrollBox>
        </section>
      </div>
      <AgeingParts slug={slug} parts={parts} arrayCount={arrayCount} warrantyFrac={report.warranty?.perYearFrac ?? null} />
      {hasRate && <Letter name={name} report={report} commissioned={commissioned} excluded={excluded} />}
    </>
  );
}

const yearTotalWorking = ({ key, kwh }: AgeingReport["yearTotals"][number]): Working => ({
  title: `Metered in ${key}`,
  value: number(kwh),
  unit: "kWh",
  formula: say.meteredOfTheTwelveMonthsUnread,
  inputs: [{ name: "months", value: "12", from: say.theLedgerYearsWithAMonth }],
  source: say.theLedgerOfThisBook,
  assumptions: [say.weatherSnowDirtAndAgeingAre],
});

/** An evidence sheet for a warranty claim: data, method, interval, exclusions. */
function Letter({
  name,
  report,
  commissioned,
  excluded,
}: {
  name: string;
  report: AgeingReport;
  commissioned: string | null;
  excluded: readonly string[];
}) {
  return (
    <section className={styles.letter} aria-label="Evidence sheet">
      <h2>{say.evidenceOnTheAgeingOfThe(name)}</h2>
      <p>
        {ageingSentence(report)} {commissioned ? say.thePlantWasCommissionedOn(commissioned) : ""}
      </p>
      <p>
        Data: {number(report.years, 1)} years, {report.days[0]} to {report.days.at(-1)}
        {say.meteredEnergyAgainstMeasuredWeather}
      </p>
      <p>{say.methodDailyRatioOfMeteredEnergy(number(report.draws), report.seed)}</p>
      <p>{say.leftOutOfTheIndexAnd}</p>
      <ul>
        {excluded.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {excluded.length === 0 && <li>nothing</li>}
      </ul>
      <p>
        {say.leftOfDays(
          number(report.filters[0]?.days ?? 0),
          number(report.usedDays),
          report.warranty
            ? say.guaranteedInTheFirstYearA(
                percent(report.warranty.firstYearFrac),
                percent(report.warranty.perYearFrac, 2),
                report.warranty.years,
              )
            : say.theBookHoldsNoWarrantyTerms,
        )}
      </p>
    </section>
  );
}
