"use client";

import type { ReactNode } from "react";
import { useOpenWorking } from "@/features/kit/workings/WorkingPanel";
import { figureInWords } from "@/wording/figures";
import { say } from "@/wording/screens/kit-figures";
import type { Working } from "@/wording/workings/working";
import styles from "./Figure.module.css";

interface FigureProps {
  readonly working: () => Working;
  /** Drops the dotted line, for dense tables. */
  readonly plain?: boolean;
  /** What the figure is, the same wherever it is drawn: "expected/2025". */
  readonly name?: string | undefined;
  /** What closes the clause after it, kept on its line: a full stop, a bracket. */
  readonly end?: string | undefined;
  readonly children: ReactNode;
}

/** A figure that opens its working. Its name is what a reader of the page hears, and by which screens are held against each other. */
export function Figure({ working, plain = false, name, end, children }: FigureProps) {
  const open = useOpenWorking();
  const figure = (
    <button
      type="button"
      className={plain ? styles.plain : styles.figure}
      onClick={() => open(working())}
      title={say.showTheWorking}
      data-figure={name}
      aria-description={name && figureInWords(name)}
    >
      {children}
    </button>
  );
  if (end === undefined) return figure;
  return (
    <span className={styles.closed}>
      {figure}
      {end}
    </span>
  );
}
