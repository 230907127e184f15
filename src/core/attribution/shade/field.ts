/** One field of the sky: sun within it, and what the plant gave of what it owed on clear and on overcast hours. */
export interface SkyField {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  readonly ratio: number;
  readonly hours: number;
  readonly isShaded: boolean;
}

/** A field that is shaded, and what the plant gives in it. */
export type ShadedField = Pick<SkyField, "azimuthDeg" | "elevationDeg" | "ratio">;
