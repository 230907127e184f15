import type { OddModuleLine } from "@/contracts/neighbours";
import { ODD_CAUSES, type OddCause } from "@/core/neighbours";

/** Odd modules of one cause, the dearest first. */
export interface OddGroup {
  readonly cause: OddCause;
  readonly odd: readonly OddModuleLine[];
  /** A year, or of a shorter record. */
  readonly kwh: number;
}

/** Causes by what they take, the dearest first. */
export const groupsOf = (odd: readonly OddModuleLine[]): OddGroup[] =>
  ODD_CAUSES.map((cause) => {
    const own = odd.filter((line) => line.cause === cause);
    return { cause, odd: own, kwh: own.reduce((sum, { told }) => sum + told.kwh, 0) };
  })
    .filter((group) => group.odd.length > 0)
    .sort((a, b) => b.kwh - a.kwh);
