import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";

interface Props {
  readonly slug: string | null;
  readonly nowUtcMs: number;
  /** What is written down; empty while there is nothing to write. */
  readonly words: string;
}

/** A bench's answer for the field book; a bench without a book has none. */
export const BenchNote = ({ slug, nowUtcMs, words }: Props) =>
  slug === null ? null : <WriteDown slug={slug} disabled={words === ""} entry={() => noteEntry(nowUtcMs, words)} />;
