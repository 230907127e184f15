"use client";

import { NativeSelect, NumberInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import { IndexDots } from "@/charts";
import type { EntryKind, NewEntryInput } from "@/contracts/field-book";
import { LEAST_DAYS } from "@/core/trial";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DateField } from "@/features/kit/look/DateField";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { changeVerdict } from "@/wording/trial";
import { changeWorking } from "@/wording/workings/field-workings";
import { KIND_NAMES } from "../entries/kind-fields";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
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
      note: `Before and after ${on}: ${answer ? changeVerdict(answer) : ""}`.slice(0, 2000),
      measured: answer ? { changeFrac: answer.frac, low: answer.low, high: answer.high } : null,
    };
  };
  return (
    <>
      <p className={chapter.verdict} data-testid="change-verdict">
        {!hasWeather
          ? "Without weather a change can't be told from a sunny month: bring a weather file in the Readings chapter."
          : on === ""
            ? "Give the day of a change: a turned array, a felled tree, a cleaning, a new inverter."
            : answer
              ? changeVerdict(answer)
              : busy
                ? "The days before and after are being read …"
                : `Too few readable days around ${on}: at least ${LEAST_DAYS} on each side are needed.`}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>Which change</h2>
          <div className={styles.fields}>
            {choices.length > 0 && (
              <NativeSelect
                className={styles.wide}
                label="From the field book"
                data={[{ value: "", label: "a day of its own" }, ...choices.map((choice) => ({ value: choice.on, label: choice.label }))]}
                value={choices.some((choice) => choice.on === on) ? on : ""}
                onChange={(event) => setOn(event.currentTarget.value)}
              />
            )}
            <DateField label="Day of the change" value={on} onChange={setOn} />
            <NumberInput label="Days on each side, at most" hideControls min={5} max={1100} value={days} onChange={setDays} />
            {trialMeters.length > 1 && (
              <NativeSelect
                label="Read at"
                data={[{ value: "", label: "the whole site" }, ...trialMeters.map(({ id, name }) => ({ value: id, label: name }))]}
                value={meter}
                onChange={(event) => setMeter(event.currentTarget.value)}
              />
            )}
          </div>
        </section>
        <section className={chapter.section}>
          {answer && (
            <>
              <h2>The weather-corrected index</h2>
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
                      <Cells working={() => changeWorking(answer, on)}>
                        {[number(answer[period].days), number(answer[period].index, 3)]}
                      </Cells>
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
              <p className={chapter.soft}>
                Raw output moved by <span className={styles.naive}>{percent(answer.rawFrac)}</span>: weather and season are in that.
              </p>
              <ChartFrame
                title="Day by day"
                note="metered ÷ expected; lines: each side's level"
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
              <p className={chapter.soft}>
                {`Left out of the record: ${answer.leftOut.unread} days not read whole, ${answer.leftOut.dim} too dim to tell, ${answer.leftOut.still} that stood still or lay under snow.`}
              </p>
              <WriteDown slug={slug} entry={entry} />
            </>
          )}
        </section>
      </div>
    </>
  );
}
