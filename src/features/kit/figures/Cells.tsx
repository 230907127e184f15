"use client";

import type { ReactNode } from "react";
import type { Working } from "@/wording/workings/working";
import { Figure } from "./Figure";

/** Cells of a table's row whose figures share one working. */
export function Cells({
  working,
  className,
  children,
}: {
  working: () => Working;
  className?: string | undefined;
  children: readonly ReactNode[];
}) {
  return children.map((figure, k) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: a row's columns have no other name
    <td key={k} className={className}>
      <Figure plain working={working}>
        {figure}
      </Figure>
    </td>
  ));
}
