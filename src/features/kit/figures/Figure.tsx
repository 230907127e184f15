"use client";

import type { ReactNode } from "react";
import { useOpenWorking } from "@/features/kit/workings/WorkingPanel";
import { say } from "@/wording/screens/kit-figures";
import type { Working } from "@/wording/workings/working";
import styles from "./Figure.module.css";

/** A figure that opens its working. `plain` drops the dotted line, for dense tables. */
export function Figure({ working, plain = false, children }: { working: () => Working; plain?: boolean; children: ReactNode }) {
  const open = useOpenWorking();
  return (
    <button type="button" className={plain ? styles.plain : styles.figure} onClick={() => open(working())} title={say.showTheWorking}>
      {children}
    </button>
  );
}
