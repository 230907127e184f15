"use client";

import { useElementSize } from "@mantine/hooks";
import { type ReactNode, useRef } from "react";
import styles from "./ChartFrame.module.css";
import { type FigureTable, SaveMenu } from "./SaveMenu";

export interface ChartFrameProps {
  readonly title: string;
  readonly note?: ReactNode;
  /** Name of saved files, without ending. */
  readonly fileName: string;
  readonly height: number;
  /** What the picture says, for those who do not see it. */
  readonly summary: string;
  /** Whether marks inside are links or buttons of their own. */
  readonly interactive?: boolean;
  /** The picture's figures: a header row, then rows. */
  readonly table: () => FigureTable;
  readonly children: (width: number) => ReactNode;
}

/** A chart with its title, its figures as a table, and a menu to keep it as SVG, PNG or CSV. */
export function ChartFrame({ title, note, fileName, height, summary, interactive = false, table, children }: ChartFrameProps) {
  const { ref, width } = useElementSize<HTMLDivElement>();
  const frame = useRef<HTMLElement>(null);
  return (
    <figure className={styles.frame} ref={frame}>
      <figcaption className={styles.caption}>
        <span className={styles.title}>{title}</span>
        <span className={styles.note}>{note}</span>
        <SaveMenu title={title} fileName={fileName} table={table} picture={() => frame.current?.querySelector("svg[data-chart]")} />
      </figcaption>
      <div ref={ref} style={{ height }}>
        {width > 0 && (
          <svg
            width={width}
            height={height}
            viewBox={`0 0 ${width} ${height}`}
            role={interactive ? "group" : "img"}
            aria-label={summary}
            data-chart
          >
            {children(width)}
          </svg>
        )}
      </div>
    </figure>
  );
}
