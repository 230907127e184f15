"use client";

import { NativeSelect } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import Link from "next/link";
import { type Dispatch, type SetStateAction, useState } from "react";
import { IndexDots } from "@/charts";
import type { EntryKind, NewEntryInput } from "@/contracts/field-book";
import { LEAST_DAYS } from "@/core/trial";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";
import { changeVerdict } from "@/wording/trial";
import { changeWorking } from "@/wording/workings/field-workings";
import { KIND_NAMES } from "../entries/kind-fields";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import type { ChangeAnswer } from "./trial.worker";
import { useBeforeAfter } from "./use-trial-engine";

const DOINGS: readonly EntryKind[] = ["cleaning", "repair", "tilt-change", "hardware-change", "snow-clearing", "note"];
const WEEKS = 30;

/** What an intervention changed, through the weather. */
export function ChangeView({ slug, site, entries, trialMeters, hasWeather, nowUtcMs }: FieldBookProps) {
  const doings = entries.filter(({ kind }) => DOINGS.includes(kind)).toReversed();
  const revisions = site.revisions.map(({ from, note }) => ({ on: from, label: `${from} ${note || "revision"}` }));
  const choices = [
    ...doings.map(({ from, kind, note }) => ({
      on: from.slice(0, 10),
      label: `${from.slice(0, 10)} ${KIND_NAMES[kind]}: ${note.slice(0, 50)}`,
    })),
    ...revisions,
  ];
  const [on, setOn] = useState(choices[0]?.on ?? "");
  const [meter, setMeter] = useState("");
  const isCleaning = doings.some(({ from, kind }) => from.slice(0, 10) === on && kind === "cleaning");
  const [days, setDays] = useState<number | string>(isCleaning ? WEEKS : 365);
  const [asked] = useDebouncedValue(Number(days) || 365, 400);
  const ready = hasWeather && on !== "";
  const { answer, refusal, busy } = useBeforeAfter(
    ready ? `/api/books/${slug}/change?${new URLSearchParams({ on, meter, days: String(asked) })}` : null,
  );
  const entry = (): NewEntryInput => {
    const today = new Date(nowUtcMs).toISOString().slice(0, 10);
    return {
      ...{ kind: "trial", from: today, to: today },
      note: say.beforeAndAfter(on, answer ? changeVerdict(answer) : "").slice(0, 2000),
      measured: answer ? { changeFrac: answer.frac, low: answer.low, high: answer.high } : null,
    };
  };
  return (
    <>
      <ChangeVerdict hasWeather={hasWeather} on={on} answer={answer} busy={busy} />
      {refusal && <Refused refusal={refusal} />}
      <p className={chapter.soft}>
        {say.onlyTotals} <Link href={`/books/${slug}/bench?view=sides`}>{say.compareTotals}</Link>
      </p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>Which change</h2>
          <ChangeFields
            choices={choices}
            on={on}
            setOn={setOn}
            days={days}
            setDays={setDays}
            trialMeters={trialMeters}
            meter={meter}
            setMeter={setMeter}
          />
        </section>
        <ChangeAnswerView answer={answer} on={on} slug={slug} entry={entry} />
      </div>
    </>
  );
}

interface ChangeVerdictProps {
  readonly hasWeather: boolean;
  readonly on: string;
  readonly answer: ChangeAnswer | null;
  readonly busy: boolean;
}

function ChangeVerdict({ hasWeather, on, answer, busy }: ChangeVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="2" data-testid="change-verdict">
      {!hasWeather
        ? say.withoutWeatherAChangeCantBe
        : on === ""
          ? say.giveTheDayOfAChange
          : answer
            ? changeVerdict(answer)
            : busy
              ? say.theDaysBeforeAndAfterAre
              : say.tooFewReadableDaysAroundAt(on, LEAST_DAYS)}
    </p>
  );
}

interface ChangeFieldsProps {
  readonly choices: { on: string; label: string }[];
  readonly on: string;
  readonly setOn: Dispatch<SetStateAction<string>>;
  readonly days: string | number;
  readonly setDays: Dispatch<SetStateAction<string | number>>;
  readonly trialMeters: FieldBookProps["trialMeters"];
  readonly meter: string;
  readonly setMeter: Dispatch<SetStateAction<string>>;
}

function ChangeFields({ choices, on, setOn, days, setDays, trialMeters, meter, setMeter }: ChangeFieldsProps) {
  return (
    <div className={styles.fields}>
      {choices.length > 0 && (
        <NativeSelect
          className={styles.wide}
          label={say.fromTheFieldBook}
          data={[{ value: "", label: say.aDayOfItsOwn }, ...choices.map((choice) => ({ value: choice.on, label: choice.label }))]}
          value={choices.some((choice) => choice.on === on) ? on : ""}
          onChange={(event) => setOn(event.currentTarget.value)}
        />
      )}
      <DateField label={say.dayOfTheChange} value={on} onChange={setOn} />
      <NumberField label={say.daysOnEachSideAtMost} min={5} max={1100} value={days} onChange={setDays} />
      {trialMeters.length > 1 && (
        <NativeSelect
          label="Read at"
          data={[{ value: "", label: say.theWholeSite }, ...trialMeters.map(({ id, name }) => ({ value: id, label: name }))]}
          value={meter}
          onChange={(event) => setMeter(event.currentTarget.value)}
        />
      )}
    </div>
  );
}

interface ChangeAnswerViewProps {
  readonly answer: ChangeAnswer | null;
  readonly on: string;
  readonly slug: string;
  readonly entry: () => NewEntryInput;
}

function ChangeAnswerView({ answer, on, slug, entry }: ChangeAnswerViewProps) {
  return (
    <section className={chapter.section}>
      {answer && (
        <>
          <h2>{say.theWeatherCorrectedIndex}</h2>
          <ChangeFigures answer={answer} on={on} />
          <p className={chapter.soft}>
            {say.rawOutputMovedBy}
            <span className={styles.naive}>{percent(answer.rawFrac)}</span>
            {say.weatherAndSeasonAreInThat}
          </p>
          <ChartFrame
            title={say.dayByDay}
            note={say.meteredExpectedLinesEachSidesLevel}
            fileName={`${slug}-before-and-after`}
            height={230}
            summary={changeVerdict(answer)}
            table={() => [["date", "index"], ...answer.days.map(({ date, index }) => [date, index])]}
          >
            {(width) => (
              <IndexDots
                days={answer.days}
                on={on}
                levels={{ before: answer.before.index, after: answer.after.index }}
                width={width}
                height={230}
              />
            )}
          </ChartFrame>
          <p className={chapter.soft}>{say.leftOutOfTheRecordDays(answer.leftOut.unread, answer.leftOut.dim, answer.leftOut.still)}</p>
          <WriteDown slug={slug} entry={entry} />
        </>
      )}
    </section>
  );
}

interface ChangeFiguresProps {
  readonly answer: ChangeAnswer;
  readonly on: string;
}

function ChangeFigures({ answer, on }: ChangeFiguresProps) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">period</th>
          <th scope="col">days</th>
          <th scope="col">metered ÷ expected</th>
        </tr>
      </thead>
      <tbody>
        {(["before", "after"] as const).map((period) => (
          <tr key={period}>
            <td>{period}</td>
            <Cells working={() => changeWorking(answer, on)}>{[number(answer[period].days), number(answer[period].index, 3)]}</Cells>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td>change</td>
          <td>{`${percent(answer.low)} to ${percent(answer.high)}`}</td>
          <td>
            <Figure working={() => changeWorking(answer, on)}>{percent(answer.frac)}</Figure>
          </td>
        </tr>
      </tfoot>
    </RuledTable>
  );
}
