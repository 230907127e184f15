"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { CauseReport } from "@/contracts/causes";
import { entryKinds, type FieldEntry, type KeptEntry } from "@/contracts/field-book";
import { asRefused, call, type RefusedCall } from "@/features/api";
import chapter from "@/features/look/Chapter.module.css";
import { DateField } from "@/features/look/DateField";
import { ScrollBox } from "@/features/look/ScrollBox";
import { Refused } from "@/features/problems/ProblemList";
import styles from "./Causes.module.css";

/** The field book's entries with what each did to the output, and a line to write another. */
export function EntriesPanel({ slug, entries, report }: { slug: string; entries: readonly KeptEntry[]; report: CauseReport }) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const [draft, setDraft] = useState({ from: "", kind: "cleaning" as FieldEntry["kind"], note: "" });
  const change = (work: Promise<unknown>) => {
    setRefusal(null);
    work.then(() => router.refresh()).catch((error: unknown) => setRefusal(asRefused(error)));
  };
  const add = () => {
    const { from, kind, note } = draft;
    change(call("POST", `/api/books/${slug}/entries`, { from, to: from, kind, note, array: "", value: "" }));
    setDraft({ ...draft, note: "" });
  };
  const effectOf = (entry: FieldEntry): string =>
    report.entries.find((known) => known.from === entry.from && known.kind === entry.kind && known.note === entry.note)?.effect ??
    "not yet looked at";
  return (
    <section className={chapter.section} id="field-book">
      <h2>Field book</h2>
      {entries.length > 0 ? (
        <ScrollBox label="Entries">
          <table className={chapter.table}>
            <thead>
              <tr>
                <th>date</th>
                <th style={{ textAlign: "left" }}>kind</th>
                <th style={{ textAlign: "left" }}>note</th>
                <th style={{ textAlign: "left" }}>what it did</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {entries.map((entry) => (
                <tr key={entry.id}>
                  <td>{entry.from.slice(0, 10)}</td>
                  <td style={{ textAlign: "left" }}>{entry.kind}</td>
                  <td style={{ textAlign: "left", whiteSpace: "normal" }}>{entry.note}</td>
                  <td style={{ textAlign: "left" }} className={effectOf(entry).startsWith("no effect") ? chapter.clay : chapter.soft}>
                    {effectOf(entry)}
                  </td>
                  <td>
                    <Button
                      variant="subtle"
                      size="compact-xs"
                      aria-label={`Remove the entry of ${entry.from.slice(0, 10)}`}
                      onClick={() => change(call("DELETE", `/api/books/${slug}/entries/${entry.id}`))}
                    >
                      remove
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollBox>
      ) : (
        <p className={chapter.soft}>
          Nothing is written down yet. A cleaning, an outage or a repair with its date lets findings be told from faults.
        </p>
      )}
      <form
        className={styles.form}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <DateField label="date" value={draft.from} onChange={(from) => setDraft((held) => ({ ...held, from }))} />
        <NativeSelect
          label="kind"
          data={[...entryKinds]}
          value={draft.kind}
          onChange={(event) => {
            const kind = event.currentTarget.value as FieldEntry["kind"];
            setDraft((held) => ({ ...held, kind }));
          }}
        />
        <TextInput
          label="note"
          value={draft.note}
          onChange={(event) => {
            const note = event.currentTarget.value;
            setDraft((held) => ({ ...held, note }));
          }}
        />
        <Button type="submit" disabled={draft.from === ""}>
          Write it down
        </Button>
      </form>
      {refusal && <Refused refusal={refusal} />}
    </section>
  );
}
