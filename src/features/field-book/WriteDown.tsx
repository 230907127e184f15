"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import styles from "./FieldBook.module.css";
import { useEntryQueue } from "./use-entry-queue";

/** Writes a bench's answer to the field book; kept here until the server has it. */
export function WriteDown({ slug, entry, disabled = false }: { slug: string; entry: () => NewEntryInput; disabled?: boolean }) {
  const { write } = useEntryQueue(slug);
  const [told, setTold] = useState("");
  const go = async (): Promise<void> => {
    setTold("…");
    setTold(
      (await write(entry()))
        ? "Written to the field book."
        : "Kept here; it is sent when the line is back, or see the field book for why not.",
    );
  };
  return (
    <div className={styles.writeDown}>
      <Button variant="default" disabled={disabled} onClick={() => void go()}>
        Write to the field book
      </Button>
      <span role="status">{told}</span>
    </div>
  );
}
