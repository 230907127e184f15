"use client";

import { Menu } from "@mantine/core";
import { IconDownload } from "@tabler/icons-react";
import styles from "./ChartFrame.module.css";
import { csvOf } from "./csv";
import { savePng, saveSvg, saveText } from "./save-chart";

export type FigureTable = readonly (readonly (string | number | null)[])[];

interface Props {
  readonly title: string;
  /** Name of saved files, without ending. */
  readonly fileName: string;
  readonly table: () => FigureTable;
  /** The picture to keep; null while it is not drawn. */
  readonly picture: () => SVGSVGElement | null | undefined;
}

/** Keeps a picture as SVG or PNG, and its figures as CSV. */
export function SaveMenu({ title, fileName, table, picture }: Props) {
  const keep = (save: (chart: SVGSVGElement, name: string) => void) => {
    const chart = picture();
    if (chart) save(chart, fileName);
  };
  return (
    <Menu position="bottom-end" transitionProps={{ duration: 0 }}>
      <Menu.Target>
        <button type="button" className={styles.save} aria-label={`Save “${title}”`}>
          <IconDownload size={15} stroke={1.6} />
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => keep(saveSvg)}>Picture (SVG)</Menu.Item>
        <Menu.Item onClick={() => keep(savePng)}>Picture (PNG)</Menu.Item>
        <Menu.Item onClick={() => saveText(csvOf(table()), `${fileName}.csv`, "text/csv")}>Figures (CSV)</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
