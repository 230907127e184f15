"use client";

import { Button, VisuallyHidden } from "@mantine/core";
import type { ReactNode } from "react";
import type { Batch, Coverage } from "@/contracts/imports";
import { tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { ProblemList, Refused } from "@/features/kit/problems/ProblemList";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { CoverageChart } from "./CoverageChart";
import { ImportDesk } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";
import { READINGS_VIEWS, type ReadingsView } from "./readings-views";

export interface ReadingsChapterProps {
  readonly slug: string;
  readonly name: string;
  readonly timeZone: string;
  readonly zones: readonly string[];
  readonly meters: readonly string[];
  readonly view: ReadingsView;
  readonly batches: readonly Batch[];
  readonly coverage: readonly Coverage[];
  readonly children: ReactNode;
}

/** Where readings come in, what is wrong with them, and what has come in so far. */
export function ReadingsChapter(props: ReadingsChapterProps) {
  const { slug, name, view, batches, coverage, timeZone, children } = props;
  return (
    <div className={chapter.page}>
      <ViewTabs title={name} views={READINGS_VIEWS} view={view} href={(id) => `/books/${slug}/readings?view=${id}`} />
      {children}
      {view === "bring" && (
        <>
          <p className={chapter.verdict}>
            {standingSentence(
              batches.filter((batch) => batch.undoneAt === null),
              timeZone,
            )}
          </p>
          <div className={`${chapter.columns} ${styles.columns}`}>
            <ImportDesk {...props} />
            <BatchList slug={slug} batches={batches} timeZone={timeZone} />
          </div>
          <CoverageChart coverage={coverage} slug={slug} />
        </>
      )}
    </div>
  );
}

/** The local day of an instant, as 2025-03-01. */
const dayIn = (timeZone: string) => {
  const format = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
  return (iso: string | null): string => (iso === null ? "–" : format.format(new Date(iso)));
};

function standingSentence(batches: readonly Batch[], timeZone: string): string {
  const day = dayIn(timeZone);
  const span = (kind: Batch["kind"]): string | null => {
    const of = batches.filter((batch) => batch.kind === kind && batch.firstUtc && batch.lastUtc);
    if (of.length === 0) return null;
    return `${day(of.map((b) => b.firstUtc!).sort()[0]!)} to ${day(
      of
        .map((b) => b.lastUtc!)
        .sort()
        .at(-1)!,
    )}`;
  };
  const weather = span("weather");
  const production = span("production");
  if (!weather && !production) return say.nothingHasComeInYetDrop;
  return say.weatherStandsFromProductionFrom(weather ?? "nowhere yet", production ?? "nowhere yet");
}

function BatchList({ slug, batches, timeZone }: { slug: string; batches: readonly Batch[]; timeZone: string }) {
  const day = dayIn(timeZone);
  const { run, refusal } = useChange(({ id, undone }: { id: number; undone: boolean }) =>
    tell("PATCH", `/api/books/${slug}/batches/${id}`, { undone }),
  );
  return (
    <section className={chapter.section}>
      <h2>Imports</h2>
      {refusal && <Refused refusal={refusal} />}
      {batches.length === 0 && <p className={chapter.soft}>{say.noneYetEachImportStandsHere}</p>}
      {batches.length > 0 && (
        <ScrollBox label="Imports">
          <RuledTable className={chapter.table}>
            <thead>
              <tr>
                <th scope="col">file</th>
                <th scope="col">values</th>
                <th scope="col">from, to</th>
                <th scope="col">step</th>
                <th scope="col">
                  <VisuallyHidden component="span">action</VisuallyHidden>
                </th>
              </tr>
            </thead>
            <tbody>
              {batches.map((batch) => (
                <tr key={batch.id} data-undone={batch.undoneAt !== null || undefined} className={styles.batch}>
                  <td title={`SHA-256 ${batch.sha256}`}>
                    {batch.fileName}
                    <small>
                      {batch.kind} · {number(batch.rowCount)} rows · {day(batch.createdAt)}
                    </small>
                    <Remarks batch={batch} />
                  </td>
                  <td>{number(batch.valueCount)}</td>
                  <td>
                    {day(batch.firstUtc)}
                    <small>{day(batch.lastUtc)}</small>
                  </td>
                  <td>{batch.stepMinutes === null ? "–" : `${batch.stepMinutes} min`}</td>
                  <td>
                    <Button variant="subtle" size="compact-xs" onClick={() => run({ id: batch.id, undone: batch.undoneAt === null })}>
                      {batch.undoneAt === null ? "Undo" : "Bring back"}
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollBox>
      )}
    </section>
  );
}

/** What was remarked when a file came in, kept with its batch. */
function Remarks({ batch }: { batch: Batch }) {
  const notices = batch.notices.filter(({ severity }) => severity === "notice");
  if (notices.length === 0) return null;
  return (
    <details className={styles.remarks}>
      <summary>
        {notices.length} {notices.length === 1 ? "remark" : "remarks"}
      </summary>
      <ProblemList problems={notices} />
    </details>
  );
}
