"use client";

import { Menu } from "@mantine/core";
import { useElementSize } from "@mantine/hooks";
import { IconDownload } from "@tabler/icons-react";
import { unparse } from "papaparse";
import { type ReactNode, useRef } from "react";
import styles from "./ChartFrame.module.css";
import { savePng, saveSvg, saveText } from "./save-chart";

export interface ChartFrameProps {
  readonly title: string;
  readonly note?: ReactNode;
  /** Name of saved files, without ending. */
  readonly fileName: string;
  readonly height: number;
  /** What the picture says, for those who do not see it. */
  readonly summary: string;
  /** The picture's figures: a header row, then rows. */
  /** Whether marks inside are links or buttons of their own. */
  readonly interactive?: boolean;
  readonly table: () => readonly (readonly (string | number | null)[])[];
  readonly children: (width: number) => ReactNode;
}

/** A chart with its title, its figures as a table, and a menu to keep it as SVG, PNG or CSV. */
export function ChartFrame({ title, note, fileName, height, summary, interactive = false, table, children }: ChartFrameProps) {
  const { ref, width } = useElementSize<HTMLDivElement>();
  const frame = useRef<HTMLElement>(null);
  const keep = (save: (chart: SVGSVGElement, name: string) => void) => {
    const chart = frame.current?.querySelector<SVGSVGElement>("svg[data-chart]");
    if (chart) save(chart, fileName);
  };
  return (
    <figure className={styles.frame} ref={frame}>
      <figcaption className={styles.caption}>
        <span className={styles.title}>{title}</span>
        <span className={styles.note}>{note}</span>
        <Menu position="bottom-end" transitionProps={{ duration: 0 }}>
          <Menu.Target>
            <button type="button" className={styles.save} aria-label={`Save “${title}”`}>
              <IconDownload size={15} stroke={1.6} />
            </button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item onClick={() => keep(saveSvg)}>Picture (SVG)</Menu.Item>
            <Menu.Item onClick={() => keep(savePng)}>Picture (PNG)</Menu.Item>
            <Menu.Item onClick={() => saveText(unparse(table() as unknown[][]), `${fileName}.csv`, "text/csv")}>Figures (CSV)</Menu.Item>
          </Menu.Dropdown>
        </Menu>
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
