import Link from "next/link";
import { type AttributionView, entryEffects } from "@/contracts/attribution";
import type { StoredEntry } from "@/contracts/field-book";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { effectInWords } from "@/wording/attribution";

/** The field book's entries with what each did to the output; they are written in their own chapter. */
export function EntriesPanel({ slug, entries, report }: { slug: string; entries: readonly StoredEntry[]; report: AttributionView }) {
  const effects = entryEffects(entries, report);
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
              </tr>
            </thead>
            <tbody>
              {entries.map(({ id, from, kind, note }) => (
                <tr key={id}>
                  <td>{from.slice(0, 10)}</td>
                  <td style={{ textAlign: "left" }}>{kind}</td>
                  <td style={{ textAlign: "left", whiteSpace: "normal" }}>{note}</td>
                  <td style={{ textAlign: "left" }} className={effects[id]?.code === "not-seen" ? chapter.clay : chapter.soft}>
                    {effects[id] ? effectInWords(effects[id]) : "not yet looked at"}
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
      <p>
        <Link href={`/books/${slug}/field-book`}>Write another in the field book</Link>
      </p>
    </section>
  );
}
