"use client";

import { NativeSelect } from "@mantine/core";
import {
  type DayEnds,
  DIFFERING,
  type Difference,
  type Differing,
  type Group,
  type NaiveTrial,
  type SideDifference,
  type SideReport,
  type TrialReport,
  type WholeYear,
} from "@/core/trial";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";
import { differenceInWords, differenceValues } from "@/wording/trial";
import { trialWorking, trialYearWorking } from "@/wording/workings/field-workings";
import styles from "../FieldBook.module.css";
import { TrialBars } from "./TrialBars";

const sum = (groups: readonly Group[], side: "a" | "b"): number => groups.reduce((total, group) => total + group[side], 0);

interface SidesTableProps {
  readonly a: SideReport;
  readonly b: SideReport;
  readonly report: TrialReport;
  readonly difference: Difference;
  readonly year: WholeYear | null;
  readonly naive: NaiveTrial;
}

export function SidesTable({ a, b, report, difference, year, naive }: SidesTableProps) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">{say.kwhAKilowattPeak}</th>
          <th scope="col">{a.name}</th>
          <th scope="col">{b.name}</th>
          <th scope="col">difference</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>paired, {report.pairedDays} days</td>
          <td>{number(sum(report.months, "a"))}</td>
          <td>{number(sum(report.months, "b"))}</td>
          <td>
            <Figure working={() => trialWorking(report)}>{percent(difference.frac)}</Figure>
          </td>
        </tr>
        {year && (
          <tr>
            <td>{say.wholeYearBySeason}</td>
            <td>{number(year.a)}</td>
            <td>{number(year.b)}</td>
            <td>
              <Figure working={() => trialYearWorking(report)}>{percent(year.frac)}</Figure>
            </td>
          </tr>
        )}
        <tr className={chapter.soft}>
          <td>{say.rawStretchedByDays}</td>
          <td className={styles.naive}>{number(naive.a)}</td>
          <td className={styles.naive}>{number(naive.b)}</td>
          <td className={styles.naive}>{percent(naive.frac)}</td>
        </tr>
      </tbody>
    </RuledTable>
  );
}

interface TestedChoiceProps {
  readonly report: TrialReport;
  readonly tested: Differing | "";
  readonly setTested: (tested: Differing | "") => void;
}

export function TestedChoice({ report, tested, setTested }: TestedChoiceProps) {
  return (
    <NativeSelect
      label={say.theThingThatIsTried}
      data={[
        { value: "", label: "not said" },
        ...DIFFERING.filter((what) => report.differs.some((each) => each.what === what)).map((what) => ({
          value: what,
          label: differenceInWords(what),
        })),
      ]}
      value={tested}
      onChange={(event) => setTested(event.currentTarget.value as Differing | "")}
    />
  );
}

interface OtherDifferencesProps {
  readonly others: SideDifference[];
}

export function OtherDifferences({ others }: OtherDifferencesProps) {
  return (
    <ul className={styles.steps}>
      {others.map(({ what, a: left, b: right }) => (
        <li key={what}>
          <span className={chapter.clay}>{differenceInWords(what)}</span>
          <div className={chapter.soft}>{`${differenceValues(what, left) || "none"} | ${differenceValues(what, right) || "none"}`}</div>
        </li>
      ))}
    </ul>
  );
}

interface MonthsBesideProps {
  readonly report: TrialReport;
  readonly difference: Difference;
  readonly slug: string;
  readonly a: SideReport;
  readonly ends: DayEnds;
  readonly b: SideReport;
}

export function MonthsBeside({ report, difference, slug, a, ends, b }: MonthsBesideProps) {
  return (
    <section className={chapter.section}>
      <TrialBars
        title="By month"
        groups={report.months}
        mean={difference.frac}
        label={(key) => monthName(key, "short")}
        weights={report.months.map(({ pairedFrac }) => pairedFrac)}
        name={`${slug}-trial-months`}
      />
      <TrialBars
        title={say.byHourOfTheDay}
        groups={report.hours}
        mean={difference.frac}
        label={(key) => key}
        name={`${slug}-trial-hours`}
      />
      {report.light.length > 0 && (
        <TrialBars
          title={say.byLightWMInThe}
          groups={report.light}
          mean={difference.frac}
          label={(key) => `${key}+`}
          name={`${slug}-trial-light`}
        />
      )}
      <p>
        {say.whoWakesFirstOnDaysOn(a.name, ends.startsFirst.a, b.name, ends.startsFirst.b, ends.startsFirst.together)}
        {say.whoWorksLastOnOnTogether(a.name, ends.stopsLast.a, b.name, ends.stopsLast.b, ends.stopsLast.together)}
        {[a, b].map(({ name, clipping }) => say.layOnItsRatingOnDays(name, clipping.days, number(clipping.hours, 1))).join("")}
      </p>
    </section>
  );
}
