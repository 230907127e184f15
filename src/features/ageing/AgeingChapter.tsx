"use client";

import Link from "next/link";
import { AgeingFan } from "@/charts";
import type { AgeingReport, AttributionRun } from "@/contracts/attribution";
import type { PartReport } from "@/contracts/parts";
import { isUsual, type ToBring, type WeatherBasis } from "@/core/basis";
import type { CloudlessReading } from "@/core/cloudless";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { CauseProgress } from "@/features/ledger/attribution/CauseProgress";
import styles from "@/features/ledger/attribution/Causes.module.css";
import { ageingSentence, ageingWords, claimWords } from "@/wording/ageing";
import { BRING_WORDS } from "@/wording/basis";
import { clearDaysSentence, clearDaysWorking } from "@/wording/clear-days";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ageing";
import { ageingWorking, levelWorking } from "@/wording/workings/cause-working";
import { AgeingParts } from "./AgeingParts";
import { FiltersAndYears, MethodsSection, YearTotals } from "./MethodsAndYears";
import { ResidualsSection } from "./ResidualsSection";

export interface AgeingChapterProps {
  readonly slug: string;
  readonly name: string;
  readonly report: AgeingReport | null;
  /** What clear days of the meter alone tell, where no weather carries more. */
  readonly clearDays: CloudlessReading | null;
  readonly parts: readonly PartReport[];
  readonly arrayCount: number;
  readonly run: AttributionRun;
  readonly commissioned: string | null;
  /** What was taken out of the index: findings in words. */
  readonly excluded: readonly string[];
  /** What the light of the book is, and the one thing that would carry the answer further. */
  readonly weather: WeatherBasis;
  readonly bring: NonNullable<ToBring>;
  /** Readings that come by the month: the rate is known less surely. */
  readonly isByMonths: boolean;
  /** Whole calendar years as metered. */
  readonly years: AgeingReport["yearTotals"];
  readonly fiscal: AgeingReport["yearTotals"];
  /** In which month the book's own year begins. */
  readonly firstMonth: number;
}

/** The modules' ageing read through the weather: verdict, fan, methods, filters, and a letter for a claim. */
export function AgeingChapter(props: AgeingChapterProps) {
  const { slug, name, report, run } = props;
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      {!run.isCurrent && <CauseProgress slug={slug} run={run} />}
      {report ? <Reading {...props} report={report} /> : <Withheld {...props} />}
    </div>
  );
}

/** Why no rate is told: the light first, then the readings. */
function whyWithheld(weather: WeatherBasis, bring: NonNullable<ToBring>): string {
  if (isUsual(weather)) return say.ageingNotFromAUsualYear;
  return bring === "interval-readings" ? say.ageingNotFromMonths : say.ageingIsReadFromMeteredOutput;
}

/** No rate where none can be read: why, what would tell, and the yearly totals as what they are. */
function Withheld({ slug, weather, bring, clearDays, years, fiscal, firstMonth }: AgeingChapterProps) {
  const totals = [...years, ...fiscal];
  return (
    <>
      <p className={chapter.verdict} data-testid="ageing-withheld">
        {whyWithheld(weather, bring)} <Link href={`/books/${slug}/readings`}>{BRING_WORDS[bring]}</Link>
      </p>
      {clearDays && (
        <p className={chapter.verdict} data-testid="clear-days">
          <Figure plain name="clear-days/all" working={() => clearDaysWorking(clearDays)}>
            {clearDaysSentence(clearDays)}
          </Figure>
        </p>
      )}
      {totals.length > 0 && (
        <>
          <p className={chapter.soft}>{say.totalsAreWeatherAndAgeingTogether}</p>
          <YearTotals totals={totals} firstMonth={firstMonth} />
        </>
      )}
    </>
  );
}

/** Rate, level, and what the warranty says to them. Figures are rate and level; the rest is plain text, which may wrap. */
function AgeingVerdict({ report }: { report: AgeingReport }) {
  const { rate, byRate, level, claim, course, light } = ageingWords(report);
  const hasRate = report.perYearFrac !== null;
  return (
    <p className={chapter.verdict} data-testid="ageing-verdict">
      <span className={report.verdict === "below" ? chapter.clay : undefined}>
        {hasRate ? (
          <Figure name="ageing-rate/all" working={() => ageingWorking(report)}>
            {rate}
          </Figure>
        ) : (
          rate
        )}
        . {byRate}{" "}
        {level && (
          <>
            {level.before}
            <Figure working={() => levelWorking(report)}>{level.figure}</Figure>
            {level.after}
          </>
        )}{" "}
        {claim} {course} {light}
      </span>
      {report.firstStep &&
        report.firstStep.low > 0 &&
        say.apartFromThatTheModulesFell(percent(report.firstStep.value), percent(report.firstStep.low), percent(report.firstStep.high))}
    </p>
  );
}

function Reading({
  slug,
  name,
  report,
  parts,
  arrayCount,
  commissioned,
  excluded,
  fiscal,
  firstMonth,
  isByMonths,
}: AgeingChapterProps & { report: AgeingReport }) {
  const hasRate = report.perYearFrac !== null;
  return (
    <>
      <AgeingVerdict report={report} />
      {isByMonths && hasRate && <p className={chapter.soft}>{say.ageingFromMonths}</p>}
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
              level={report.level}
              ageAtStartYears={report.ageAtStartYears}
              width={width}
              height={330}
            />
          )}
        </ChartFrame>
      )}
      <div className={styles.split}>
        <MethodsSection report={report} />
        <FiltersAndYears report={report} fiscal={fiscal} firstMonth={firstMonth} />
      </div>
      <AgeingParts slug={slug} parts={parts} arrayCount={arrayCount} warrantyFrac={report.warranty?.perYearFrac ?? null} />
      <ResidualsSection slug={slug} residuals={report.residuals} />
      {hasRate && <Letter name={name} report={report} commissioned={commissioned} excluded={excluded} />}
    </>
  );
}

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
      <p>{claimWords}</p>
    </section>
  );
}
