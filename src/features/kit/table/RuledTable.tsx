"use client";

import { IconDownload } from "@tabler/icons-react";
import { type ComponentPropsWithoutRef, type Ref, useRef } from "react";
import { csvOf } from "@/features/kit/save/csv";
import { saveText } from "@/features/kit/save/save-chart";
import { say } from "@/wording/screens/kit-table";
import styles from "./Table.module.css";
import { shownTable } from "./table-text";

interface RuledTableProps extends ComponentPropsWithoutRef<"table"> {
  /** Name of the saved file, without ending. */
  readonly fileName?: string;
  readonly ref?: Ref<HTMLTableElement>;
  /** All of it, where not all is drawn or what stands in it is typed. */
  readonly whole?: () => readonly (readonly (string | number | null)[])[];
}

/** A ruled table whose rows are drawn by its owner: the head stays in sight, and what is shown can be saved as CSV. */
export function RuledTable({ fileName = "table", children, className, ref, whole, ...rest }: RuledTableProps) {
  const frame = useRef<HTMLDivElement>(null);
  const save = (): void => {
    const table = frame.current?.querySelector("table");
    if (table) saveText(csvOf(whole?.() ?? shownTable(table)), `${fileName}.csv`, "text/csv");
  };
  return (
    <div ref={frame} className={styles.frame}>
      <table ref={ref} className={`${styles.ruled} ${className ?? ""}`} {...rest}>
        {children}
      </table>
      <button type="button" className={styles.save} onClick={save} aria-label={say.saveThisTableAsCsv}>
        <IconDownload size={15} stroke={1.6} />
      </button>
    </div>
  );
}
