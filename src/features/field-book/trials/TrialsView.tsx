"use client";

import { NativeSelect } from "@mantine/core";
import Link from "next/link";
import { useState } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import type { Differing, TrialReport } from "@/core/trial";
import { DateField } from "@/features/kit/fields/DateField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/field-book-trials";
import { confounders, differenceInWords, naiveReasons, trialVerdict } from "@/wording/trial";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { BetterSide } from "./BetterSide";
import { ShortPairs } from "./ShortPairs";
import { MonthsBeside, OtherDifferences, SidesTable, TestedChoice } from "./TrialParts";
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
      <p className={chapter.verdict} data-lines="2" data-testid="trial-verdict">
        {sides.length < 2
          ? say.aTrialSetsTwoMetersOf
          : answer
            ? trialVerdict(answer).text
            : busy
              ? say.bothSidesAreBeingPaired
              : say.theTwoSidesShareNoLit}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <p className={chapter.soft}>
        {say.onlyTotals} <Link href={`/books/${slug}/bench?view=sides`}>{say.compareTotals}</Link>
      </p>
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
      {busy && !answer && <div className={chapter.awaited} />}
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
        <SidesTable a={a} b={b} report={report} difference={difference} year={year} naive={naive} />
        <ul className={styles.steps}>
          {naiveReasons(report).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
        <h2>{say.whatDiffersBesides}</h2>
        <TestedChoice report={report} tested={tested} setTested={setTested} />
        {others.length > 0 ? <OtherDifferences others={others} /> : <p className={chapter.soft}>{say.byTheBookNothingElseDoes}</p>}
        {others.length > 0 && <p className={chapter.soft}>{say.theTrialCantTellTheseApart}</p>}
        <BetterSide {...{ report, currency, price }} />
        <WriteDown slug={slug} entry={entry} />
      </section>
      <MonthsBeside report={report} difference={difference} slug={slug} a={a} ends={ends} b={b} />
    </div>
  );
}
