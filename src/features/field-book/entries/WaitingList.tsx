import { Button } from "@mantine/core";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/field-book-entries";
import styles from "../FieldBook.module.css";
import type { EntryQueue } from "../use-entry-queue";
import { KIND_NAMES } from "./kind-fields";

/** Entries that this browser holds because the server has them not: the line is down, or it would not take them. */
export function WaitingList({ queue }: { queue: EntryQueue }) {
  if (queue.waiting.length === 0) return null;
  const refused = queue.waiting.filter((waiting) => waiting.refused !== null).length;
  return (
    <section className={styles.waiting} aria-label={say.entriesThatWait}>
      <strong>
        {say.inThisBrowser(
          queue.waiting.length === 1 ? say.oneEntryWaits : `${queue.waiting.length} entries wait`,
          refused === queue.waiting.length ? "." : say.andWillBeSentByThemselves,
        )}
      </strong>
      <ul>
        {queue.waiting.map((waiting) => (
          <li key={waiting.clientId}>
            {waiting.entry.from.slice(0, 10)} {KIND_NAMES[waiting.entry.kind]}
            {waiting.entry.note ? `: ${waiting.entry.note}` : ""}
            {waiting.photo ? say.withAPhoto : ""}{" "}
            {waiting.refused && <span className={chapter.clay}>{`${waiting.refused.message} ${waiting.refused.help}`}</span>}{" "}
            <Button variant="subtle" size="compact-xs" onClick={() => void queue.drop(waiting.clientId)}>
              throw away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
