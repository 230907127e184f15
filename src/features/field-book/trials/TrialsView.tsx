"use client";

import { NativeSelect } from "@mantine/core";
import { useState } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import { DIFFERING, type Differing, type Group, type TrialReport } from "@/core/trial";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DateField } from "@/features/kit/look/DateField";
import { Refused } from "@/features/kit/problems/ProblemList";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";
import { confounders, differenceInWords, differenceValues, naiveReasons, trialVerdict } from "@/wording/trial";
import { trialWorking, trialYearWorking } from "@/wording/workings/field-workings";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { BetterSide } from "./BetterSide";
import { ShortPairs } from "./ShortPairs";
import { TrialBars } from "./TrialBars";
import { useTrial } from "./use-trial-engine";

/** Two sides at one metering point: who gives more a kilowatt-peak, how sure, and what can't be told apart. */
export function TrialsView(props: FieldBookProps) {
  const { slug, site, trialMeters, nowUtcMs } = props;
  const apart = trialMeters.filter(({ id }) => (site.meters.find((meter) => meter.id === id)?.arrays.length ?? 0) < site.arrays.length);
  const sides = apart.length >= 2 ? apart : trialMeters;
  const [a, setA] = useState(sides[0]?.id ?? "");
  const [b, setB] = useState(sides[1]?.id ?? "");
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const query = new URLSearchParams({ a, b, ...(from ? { from } : {}), ...(to ? { to } : {}) });
  const { answer, refusal, busy } = useTrial(sides.length < 2 ? null : `/api/books/${slug}/trial?${query}`);
  return (
    <>
      <p className={chapter.verdict} data-testid="trial-verdict">
        {sides.length < 2
          ? say.aTrialSetsTwoMetersOf
          : answer
            ? trialVerdict(answer).text
            : busy
              ? say.bothSidesAreBeingPaired
              : say.theTwoSidesShareNoLit}
      </p>
      {refusal && <Refused refusal={refusal} />}
      {sides.length >= 2 && (
        <div className={styles.fields}>
          <NativeSelect
            label="First side"
            data={sides.map(({ id, name }) => ({ value: id, label: name }))}
            value={a}
            onChange={(event) => setA(event.currentTarget.value)}
          />
          <NativeSelect
            label="Second side"
            data={sides.map(({ id, name }) => ({ value: id, label: name }))}
            value={b}
            onChange={(event) => setB(event.currentTarget.value)}
          />
          <DateField label={say.fromAllThereIs} value={from} onChange={setFrom} />
          <DateField label="To" value={to} onChange={setTo} />
        </div>
      )}
      {answer && (
        <TrialAnswer
          slug={slug}
          report={answer}
          currency={site.currency}
          price={Number(site.money.tariff.importPerKwh ?? 0)}
          nowUtcMs={nowUtcMs}
        />
      )}
      <ShortPairs {...props} />
    </>
  );
}

interface AnswerProps {
  readonly slug: string;
  readonly report: TrialReport;
  readonly currency: string;
  readonly price: number;
  readonly nowUtcMs: number;
}

function TrialAnswer({ slug, report, currency, price, nowUtcMs }: AnswerProps) {
  const { a, b, difference, naive, year, ends } = report;
  const [tested, setTested] = useState<Differing | "">("");
  const others = confounders(report.differs, tested === "" ? null : tested);
  const entry = (): NewEntryInput => {
    const today = new Date(nowUtcMs).toISOString().slice(0, 10);
    return {
      ...{ kind: "trial", from: today, to: today },
      note: say
        .notToldApart(trialVerdict(report).text, others.map(({ what }) => differenceInWords(what)).join(", ") || "nothing known")
        .slice(0, 2000),
      measured: {
        differenceFrac: difference.frac,
        low: difference.low,
        high: difference.high,
        pairedDays: report.pairedDays,
        yearFrac: year?.frac ?? null,
      },
    };
  };
  return (
    <div className={`${chapter.columns} ${styles.columns}`}>
      <section className={chapter.section}>
        <h2>{say.theDifferenceAndTheHurriedOne}</h2>
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
        <ul className={styles.steps}>
          {naiveReasons(report).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
        <h2>{say.whatDiffersBesides}</h2>
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
        {others.length > 0 ? (
          <ul className={styles.steps}>
            {others.map(({ what, a: left, b: right }) => (
              <li key={what}>
                <span className={chapter.clay}>{differenceInWords(what)}</span>
                <div
                  className={chapter.soft}
                >{`${differenceValues(what, left) || "none"} | ${differenceValues(what, right) || "none"}`}</div>
              </li>
            ))}
          </ul>
        ) : (
          <p className={chapter.soft}>{say.byTheBookNothingElseDoes}</p>
        )}
        {others.length > 0 && <p className={chapter.soft}>{say.theTrialCantTellTheseApart}</p>}
        <BetterSide {...{ report, currency, price }} />
        <WriteDown slug={slug} entry={entry} />
      </section>
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
    </div>
  );
}

const sum = (groups: readonly Group[], side: "a" | "b"): number => groups.reduce((total, group) => total + group[side], 0);
