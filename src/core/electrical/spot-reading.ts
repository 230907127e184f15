import type { ReferenceParameters } from "../module";

/** What instruments showed at one module or string; what was not read is null. */
export interface SpotReading {
  readonly irradianceWm2: number;
  /** On the back of the module; null where nobody could reach it. */
  readonly moduleTempC: number | null;
  /** Of the air, for want of the back. */
  readonly airTempC: number | null;
  /** Panes of window glass between the light meter and the modules. */
  readonly panes: number;
  readonly vocV: number | null;
  readonly iscA: number | null;
  readonly operatingV: number | null;
  readonly operatingA: number | null;
}

export interface SpotModule {
  readonly reference: ReferenceParameters;
  readonly modulesInSeries: number;
  readonly bypassDiodes: number;
  /** How far what was estimated of the nameplate may be off, as shares; nothing of a datasheet. */
  readonly spread?: { readonly vocFrac: number; readonly iscFrac: number };
}

export const SPOT_QUANTITIES = ["vocV", "iscA", "operatingA", "operatingW"] as const;
export type SpotQuantity = (typeof SPOT_QUANTITIES)[number];

/** One reading against what this light and warmth give. */
export interface Judged {
  readonly quantity: SpotQuantity;
  readonly read: number;
  readonly expected: number;
  /** Of the expectation and the instrument together. */
  readonly plusMinus: number;
  readonly verdict: "as-expected" | "low" | "high";
}

/** Cells and modules stay between these, C. */
export const COLDEST_C = -40;
export const HOTTEST_C = 110;
