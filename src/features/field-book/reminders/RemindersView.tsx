"use client";

import { Anchor } from "@mantine/core";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { DataTable } from "@/features/kit/table/DataTable";
import { dateName } from "@/wording/format";
import { reminderInWords } from "@/wording/reminders";
import { say } from "@/wording/screens/field-book-reminders";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { howOften } from "./how-often";
import { OwnDates } from "./OwnDates";

const KIND: Readonly<Record<FieldBookProps["reminders"][number]["kind"], string>> = {
  tilt: "tilt",
  cleaning: "cleaning",
  inspection: "inspection",
  insurance: "insurance",
  warranty: "warranty",
  own: "own date",
};

/** What is to come, the nearest first, and as a calendar to subscribe to. */
export function RemindersView({ slug, site, version, reminders: rows }: FieldBookProps) {
  const reminders = rows.map((row) => ({ ...row, ...reminderInWords(row) }));
  const overdue = reminders.filter(({ isOverdue }) => isOverdue);
  const first = reminders.find(({ isOverdue }) => !isOverdue);
  return (
    <>
      <p className={chapter.verdict}>
        {overdue.length > 0 && (
          <span className={chapter.clay}>{say.overdue(overdue.map(({ title, on }) => say.sinceDay(title, dateName(on))).join("; "))} </span>
        )}
        {first ? say.next(first.title, dateName(first.on)) : overdue.length === 0 && say.nothingIsDueATiltSchedule}
      </p>
      <div className={`${chapter.columns} ${styles.reminders}`}>
        <section className={chapter.section}>
          <h2>{say.whatIsToCome}</h2>
          <ScrollBox label="Reminders">
            <DataTable
              className={chapter.table}
              rows={reminders}
              rowKey={({ kind, on, title }) => `${kind} ${on} ${title}`}
              columns={[
                {
                  key: "on",
                  head: "on",
                  cell: ({ on, isOverdue }) => (isOverdue ? <span className={chapter.clay}>{say.sinceDate(on)}</span> : on),
                },
                { key: "kind", head: "kind", cell: ({ kind }) => KIND[kind], kind: "words" },
                {
                  key: "what",
                  head: "what",
                  cell: ({ title, text }) => (
                    <>
                      {title}
                      {text && <div className={chapter.soft}>{text}</div>}
                    </>
                  ),
                  kind: "words",
                },
                { key: "how-often", head: "how often", cell: ({ everyYears }) => howOften(everyYears), kind: "words" },
              ]}
            />
          </ScrollBox>
          <p>
            <Anchor href={`/api/books/${slug}/reminders`}>{say.calendarFileIcalendar}</Anchor>
            {say.withAnAlarmAWeekAnd}
          </p>
        </section>
        <OwnDates key={version} slug={slug} site={site} version={version} />
      </div>
    </>
  );
}
