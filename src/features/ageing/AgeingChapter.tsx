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
    name: "Year on year",
    what: "median of all pairs of days one year apart, through the weather; immune to seasons",
    trust: "trust this one",
  },
  trend: { name: "Straight line", what: "through the monthly index after seasonal decomposition; one odd year bends it", trust: "a check" },
  naive: { name: "Yearly totals", what: "as read off the meter: weather, snow, dirt and ageing together", trust: "not a rate of ageing" },
} as const;

const FILTERS: Readonly<Record<string, string>> = {
  "read-and-lit": "days read, with enough light",
  "causes-out": "standstill, snow and strings taken out",
  clear: "clear-enough days, dirt put back",
  "little-dirt": "days with little dirt, after settling",
};

const rate = (value: number | null): string => (value === null ? "–" : number(value * 100, 2));

/** The modules' ageing read through the weather: verdict, fan, schools, filters, and a letter for a claim. */
export function AgeingChapter(props: AgeingChapterProps) {
  const { slug, name, report, run } = props;
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      {!run.isCurrent && <CauseProgress slug={slug} run={run} />}
      {report ? (
        <Reading {...props} report={report} />
      ) : (
        <p className={chapter.verdict}>
          Ageing is read from metered output set against weather: bring both in the Readings chapter, best two full years or more.
        </p>
      )}
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
        {report.firstStep && report.firstStep.low > 0 && (
          <>
            {" "}
            Apart from that, the modules fell by {percent(report.firstStep.value)} ({percent(report.firstStep.low)} to{" "}
            {percent(report.firstStep.high)}) in their first months.
          </>
        )}
      </p>
      {hasRate && (
        <ChartFrame
          title="Index through the weather"
          note="metered over expected without ageing, by day; the fan holds 95 of 100 redraws"
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
          <h2>Three schools, and which to trust</h2>
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
          <h2>What the filters leave, and what they do</h2>
          <ScrollBox label="Filters">
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th>after</th>
                  <th>days</th>
                  <th>% a year would be</th>
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
              Too few days are left a year apart: the reading is made of all{" "}
              <Figure working={() => ageingWorking(report)}>{number(report.usedDays)} days</Figure> after settling, clear or not.
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
  formula: "Σ metered of the twelve months, unread time stretched by the months' read share",
  inputs: [{ name: "months", value: "12", from: "the ledger; years with a month missing are left out" }],
  source: "The ledger of this book.",
  assumptions: ["Weather, snow, dirt and ageing are all in it: a change from year to year is no rate of ageing."],
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
      <h2>Evidence on the ageing of the modules at {name}</h2>
      <p>
        {ageingSentence(report)} {commissioned ? `The plant was commissioned on ${commissioned}.` : ""}
      </p>
      <p>
        Data: {number(report.years, 1)} years, {report.days[0]} to {report.days.at(-1)}; metered energy against measured weather.
      </p>
      <p>
        Method: daily ratio of metered energy to what the plant owes without ageing in the weather that came; median of the changes between
        days one year apart (Jordan et al., 2018); interval from {number(report.draws)} block-bootstrap redraws (seed {report.seed}), drift
        of sensors and meters included.
      </p>
      <p>Left out of the index, and why:</p>
      <ul>
        {excluded.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {excluded.length === 0 && <li>nothing</li>}
      </ul>
      <p>
        Left of {number(report.filters[0]?.days ?? 0)} days: {number(report.usedDays)}.{" "}
        {report.warranty
          ? `Guaranteed: ${percent(report.warranty.firstYearFrac)} in the first year, ${percent(report.warranty.perYearFrac, 2)} a year after it, over ${report.warranty.years} years.`
          : "The book holds no warranty terms."}
      </p>
    </section>
  );
}
