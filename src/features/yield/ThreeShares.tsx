"use client";

import { PlantsShare } from "./PlantsShare";
import styles from "./Shares.module.css";
import type { SharesProps } from "./shares-props";
import { WeathersShare } from "./WeathersShare";
import { YoursToRegain } from "./YoursToRegain";

/** Three books in one: what the sky gave, what the design takes of it, and what could be had back. */
export function ThreeShares(props: SharesProps) {
  return (
    <div className={styles.books}>
      <WeathersShare {...props} />
      <PlantsShare {...props} />
      <YoursToRegain {...props} />
    </div>
  );
}
