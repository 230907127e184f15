"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import { say } from "@/wording/screens/field-book";
import styles from "./FieldBook.module.css";
import { useEntryQueue } from "./use-entry-queue";

interface Props {
  readonly slug: string;
  readonly entry: () => NewEntryInput;
  readonly disabled?: boolean;
  /** The entry is kept: what was typed for it may go. */
  readonly onSaved?: () => void;
}

/** Writes a bench's answer to the field book; kept here until the server has it. */
export function WriteDown({ slug, entry, disabled = false, onSaved: onKept }: Props) {
  const { write } = useEntryQueue(slug);
  const [saved, setSaved] = useState("");
  const go = async (): Promise<void> => {
    setSaved("…");
    const isThere = await write(entry());
    setSaved(isThere ? say.writtenToTheFieldBook : say.keptHereItIsSentWhen);
    onKept?.();
  };
  return (
    <div className={styles.writeDown}>
      <Button variant="default" disabled={disabled} onClick={() => void go()}>
        {say.writeToTheFieldBook}
      </Button>
      <span role="status">{saved}</span>
    </div>
  );
}
