"use client";

import type { ReactNode } from "react";
import type { Working } from "@/wording/workings/working";
import { Figure } from "./Figure";

/** Cells of a table's row whose figures share one working. */
export function Cells({
  working,
  names = [],
  className,
  children,
}: {
  working: () => Working;
  /** By which a cell's figure is known elsewhere, where it is. */
  names?: readonly (string | undefined)[];
  className?: string | undefined;
  children: readonly ReactNode[];
}) {
  return children.map((figure, k) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: a row's columns have no other name
    <td key={k} className={className}>
      <Figure plain name={names[k]} working={working}>
        {figure}
      </Figure>
    </td>
  ));
}
