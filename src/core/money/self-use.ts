import type { Tariff } from "../site";

/** Share of production used on the spot, and how far it may be off on either side where nobody told it. */
export interface SelfUse {
  readonly frac: number;
  /** Half of what it may be, evenly: nothing where it is told. */
  readonly halfWidthFrac: number;
  readonly isTold: boolean;
}

/**
 * What is used on the spot. Untold beside a price of exported energy it may be anything from none to all, and half stands for it;
 * where no exported energy has a price either, all of it is taken to be used, as off the grid.
 */
export function selfUseOf({ selfUsedFrac, exportPerKwh }: Pick<Tariff, "selfUsedFrac" | "exportPerKwh">): SelfUse {
  if (selfUsedFrac !== null) return { frac: selfUsedFrac, halfWidthFrac: 0, isTold: true };
  return exportPerKwh === null ? { frac: 1, halfWidthFrac: 0, isTold: false } : { frac: 0.5, halfWidthFrac: 0.5, isTold: false };
}
