"use client";

import { TextInput } from "@mantine/core";
import Link from "next/link";
import { useState } from "react";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/calculators";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";

/** Where a bench's figures come from, and a line of one's own to keep of them. */
export function BenchFooter({ slug, site, nowUtcMs, bench, keeps }: BenchProps & { readonly bench: string; readonly keeps: boolean }) {
  const [words, setWords] = useState("");
  if (slug === null)
    return (
      <footer className={styles.footer}>
        <p className={chapter.soft}>
          {say.nothingHereIsStored} <Link href="/open">{say.openABook}</Link>
        </p>
      </footer>
    );
  return (
    <footer className={styles.footer}>
      <p className={chapter.soft}>
        Fed from <Link href={`/books/${slug}/site`}>{site.arrays.map(({ id, name }) => name || id).join(", ")}</Link> {say.ofThisBook}
      </p>
      {keeps && (
        <>
          <TextInput label={say.noteToKeep} value={words} maxLength={500} onChange={(event) => setWords(event.currentTarget.value)} />
          <WriteDown slug={slug} disabled={words.trim() === ""} entry={() => noteEntry(nowUtcMs, `${bench}: ${words}`)} />
        </>
      )}
    </footer>
  );
}
