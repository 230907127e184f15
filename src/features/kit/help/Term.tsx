"use client";

import { Tooltip } from "@mantine/core";
import { termOf } from "@/wording/glossary";
import styles from "./Term.module.css";

/** A label that says what it means: the glossary's line, on hover and on focus. A label without a line is plain text. */
export function Term({ children }: { children: string }) {
  const entry = termOf(children);
  if (!entry) return children;
  return (
    <Tooltip label={entry.what} multiline w={290} events={{ hover: true, focus: true, touch: true }} openDelay={250} withArrow>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: its help opens on focus too */}
      <span className={styles.term} tabIndex={0} data-term={entry.term}>
        {children}
      </span>
    </Tooltip>
  );
}
