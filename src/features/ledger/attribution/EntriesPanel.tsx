import Link from "next/link";
import { type AttributionView, entryEffects } from "@/contracts/attribution";
import type { StoredEntry } from "@/contracts/field-book";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { DataTable } from "@/features/kit/table/DataTable";
import { effectInWords } from "@/wording/attribution";
import { say } from "@/wording/screens/ledger-attribution";

/** The field book's entries with what each did to the output; they are written in their own chapter. */
export function EntriesPanel({ slug, entries, report }: { slug: string; entries: readonly StoredEntry[]; report: AttributionView }) {
  const effects = entryEffects(entries, report);
  return (
    <section className={chapter.section} id="field-book">
      <h2>Field book</h2>
      {entries.length > 0 ? (
        <ScrollBox label="Entries">
          <DataTable
            className={chapter.table}
            rows={entries}
            rowKey={({ id }) => id}
            columns={[
              { key: "date", head: "date", cell: ({ from }) => from.slice(0, 10) },
              { key: "kind", head: "kind", cell: ({ kind }) => kind, kind: "words" },
              { key: "note", head: "note", cell: ({ note }) => note, kind: "words" },
              {
                key: "what-it-did",
                head: say.whatItDid,
                cell: ({ id }) => (effects[id] ? effectInWords(effects[id]) : say.notYetLookedAt),
                kind: "words",
                cellClass: ({ id }) => (effects[id]?.code === "not-seen" ? chapter.clay : chapter.soft),
              },
            ]}
          />
        </ScrollBox>
      ) : (
        <p className={chapter.soft}>{say.nothingIsWrittenDownYetA}</p>
      )}
      <p>
        <Link href={`/books/${slug}/field-book`}>{say.writeAnotherInTheFieldBook}</Link>
      </p>
    </section>
  );
}
