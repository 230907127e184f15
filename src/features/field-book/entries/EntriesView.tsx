"use client";

import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/field-book-entries";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { useEntryQueue } from "../use-entry-queue";
import { EntryForm } from "./EntryForm";
import { EntryList } from "./EntryList";
import { WaitingList } from "./WaitingList";

/** What was done and seen on site, and a line to write another. */
export function EntriesView({ slug, site, entries, effects, nowUtcMs }: FieldBookProps) {
  const queue = useEntryQueue(slug);
  const silent = entries.filter(({ id }) => effects[id]?.code === "not-seen").length;
  const applied = entries.filter(({ appliedFrom }) => appliedFrom.length > 0).length;
  const last = entries.at(-1);
  return (
    <>
      <p className={chapter.verdict}>
        {last ? say.lastWrittenOn(last.from.slice(0, 10)) : say.theNumbersAreOnlyAsGood}
        {applied > 0 && say.inTheModel(applied, applied === 1 ? "entry stands" : "entries stand")}
        {silent > 0 && <span className={chapter.clay}>{say.leftNoTraceInTheReadings(silent, silent === 1 ? "entry" : "entries")}</span>}
      </p>
      <WaitingList queue={queue} />
      <div className={`${chapter.columns} ${styles.columns}`}>
        <EntryForm slug={slug} site={site} queue={queue} today={new Date(nowUtcMs).toISOString().slice(0, 10)} />
        <EntryList slug={slug} site={site} entries={entries} effects={effects} />
      </div>
    </>
  );
}
