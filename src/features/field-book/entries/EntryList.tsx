"use client";

import { Anchor, Button, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import type { EntryEffect } from "@/contracts/attribution";
import type { StoredEntry } from "@/contracts/field-book";
import { tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { effectInWords } from "@/wording/attribution";
import { money } from "@/wording/format";
import { say } from "@/wording/screens/field-book-entries";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { KIND_NAMES } from "./kind-fields";

const textOf = ({ kind, note, value, who, array, from }: StoredEntry): string =>
  [KIND_NAMES[kind], note, value, who, array, from].join(" ").toLowerCase();

/** Entries that stand on the page at first: some years of a well-kept book. */
const SHOWN_FIRST = 150;

/** All entries, newest first, by year; what was typed filters them. */
export function EntryList({ slug, site, entries, effects }: Pick<FieldBookProps, "slug" | "site" | "entries" | "effects">) {
  const [search, setSearch] = useState("");
  const [kind, setKind] = useState("");
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const [isWhole, setWhole] = useState(false);
  const matching = entries
    .filter((entry) => (kind === "" || entry.kind === kind) && words.every((word) => textOf(entry).includes(word)))
    .toReversed();
  const shown = isWhole ? matching : matching.slice(0, SHOWN_FIRST);
  const kinds = [...new Set(entries.map((entry) => entry.kind))];
  const { run: remove, refusal } = useChange((id: number) => tell("DELETE", `/api/books/${slug}/entries/${id}`));
  return (
    <section className={chapter.section}>
      <h2>
        {entries.length === 1 ? "One entry" : `${entries.length} entries`}
        {shown.length < entries.length && `, ${shown.length} shown`}
      </h2>
      <div className={`${styles.fields} ${styles.tools}`}>
        <TextInput label="Search" value={search} onChange={(event) => setSearch(event.currentTarget.value)} />
        <NativeSelect
          label="Kind"
          data={[{ value: "", label: "all" }, ...kinds.map((each) => ({ value: each, label: KIND_NAMES[each] }))]}
          value={kind}
          onChange={(event) => setKind(event.currentTarget.value)}
        />
        <span>
          <Anchor href={`/api/books/${slug}/entries?as=csv`}>CSV</Anchor>
          {" · "}
          <Anchor component="button" type="button" onClick={() => window.print()}>
            Print
          </Anchor>
        </span>
      </div>
      {refusal && <Refused refusal={refusal} />}
      {shown.length === 0 && <p className={chapter.soft}>{entries.length > 0 ? "Nothing matches." : say.nothingIsWrittenDownYetA}</p>}
      <ol className={styles.entries}>
        {shown.map((entry, k) => (
          <EntryRow
            key={entry.id}
            {...{ slug, entry }}
            year={k === 0 || shown[k - 1]!.from.slice(0, 4) !== entry.from.slice(0, 4) ? entry.from.slice(0, 4) : null}
            place={site.arrays.length > 1 ? (site.arrays.find(({ id }) => id === entry.array)?.name ?? entry.array) : ""}
            effect={effects[entry.id] ?? null}
            currency={site.currency}
            onRemove={() => remove(entry.id)}
          />
        ))}
      </ol>
      {shown.length < matching.length && (
        <Button variant="default" onClick={() => setWhole(true)}>
          {say.showAllOfThem(matching.length)}
        </Button>
      )}
    </section>
  );
}

interface RowProps {
  readonly slug: string;
  readonly entry: StoredEntry;
  readonly year: string | null;
  readonly place: string;
  readonly effect: EntryEffect | null;
  readonly currency: string;
  readonly onRemove: () => void;
}

function EntryRow({ slug, entry, year, place, effect, currency, onRemove }: RowProps) {
  const { from, to, kind, note, value, who, cost, meter, appliedFrom, photos } = entry;
  const days = from.slice(0, 10) === to.slice(0, 10) ? from.slice(5, 10) : `${from.slice(5, 10)} to ${to.slice(5, 10)}`;
  const meta = [place, meter, value, who, cost === null ? "" : `${money(cost)} ${currency}`].filter(Boolean).join(" · ");
  return (
    <>
      {year && <li className={styles.year}>{year}</li>}
      <li className={styles.entry}>
        <time dateTime={from.slice(0, 10)}>{days}</time>
        <span className={styles.kind}>{KIND_NAMES[kind]}</span>
        <div className={styles.words}>
          {note || <span className={chapter.soft}>no words</span>}
          {meta && <div className={styles.meta}>{meta}</div>}
          {appliedFrom.length > 0 && <div className={styles.meta}>{say.inTheModelFrom(appliedFrom.join(", "))}</div>}
          {effect && <div className={effect.code === "not-seen" ? chapter.clay : styles.meta}>{effectInWords(effect)}</div>}
          {photos.length > 0 && (
            <div className={styles.thumbs}>
              {photos.map(({ id, widthPx, heightPx }) => (
                <a key={id} href={`/api/books/${slug}/photos/${id}`} target="_blank" rel="noreferrer">
                  {/* biome-ignore lint/performance/noImgElement: a small picture of this machine's own; it was made small when it was kept */}
                  <img
                    src={`/api/books/${slug}/photos/${id}`}
                    alt={`${KIND_NAMES[kind]} of ${from.slice(0, 10)}`}
                    height={58}
                    width={Math.round((58 * widthPx) / heightPx)}
                    loading="lazy"
                  />
                </a>
              ))}
            </div>
          )}
        </div>
        <Button variant="subtle" size="compact-xs" aria-label={say.removeTheEntryOf(from.slice(0, 10))} onClick={onRemove}>
          remove
        </Button>
      </li>
    </>
  );
}
