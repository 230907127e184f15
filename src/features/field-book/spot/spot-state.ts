import type { SpotReading } from "@/core/electrical";

/** A position as it is typed. */
export interface Position {
  readonly name: string;
  readonly irradianceWm2: number | string;
  readonly moduleTempC: number | string;
  readonly vocV: number | string;
  readonly iscA: number | string;
  readonly operatingV: number | string;
  readonly operatingA: number | string;
}

export const blankPosition = (name: string): Position => ({
  ...{ name, irradianceWm2: "", moduleTempC: "", vocV: "", iscA: "", operatingV: "", operatingA: "" },
});

const known = (value: number | string): number | null => (typeof value === "number" ? value : value.trim() === "" ? null : Number(value));

/** A typed position as a reading; null until light and temperature are there. */
export function readingOf(position: Position): SpotReading | null {
  const irradianceWm2 = known(position.irradianceWm2);
  const moduleTempC = known(position.moduleTempC);
  if (irradianceWm2 === null || moduleTempC === null) return null;
  return {
    irradianceWm2,
    moduleTempC,
    vocV: known(position.vocV),
    iscA: known(position.iscA),
    operatingV: known(position.operatingV),
    operatingA: known(position.operatingA),
  };
}
