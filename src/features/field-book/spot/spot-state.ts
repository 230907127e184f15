import { spotReadingSchema } from "@/contracts/electrical";
import type { SpotReading } from "@/core/electrical";
import { say } from "@/wording/screens/field-book-spot";

/** A position as it is typed. */
export interface Position {
  readonly name: string;
  readonly irradianceWm2: number | string;
  readonly moduleTempC: number | string;
  readonly airTempC?: number | string;
  /** Panes of glass between the light meter and the modules. */
  readonly panes?: number;
  readonly vocV: number | string;
  readonly iscA: number | string;
  readonly operatingV: number | string;
  readonly operatingA: number | string;
}

export const blankPosition = (name: string): Position => ({
  ...{ name, irradianceWm2: "", moduleTempC: "", airTempC: "", panes: 0, vocV: "", iscA: "", operatingV: "", operatingA: "" },
});

const known = (value: number | string): number | null => (typeof value === "number" ? value : value.trim() === "" ? null : Number(value));

/** A typed position as a reading; null until light and one figure of the multimeter are there. A problem where a figure can't be. */
export function readingOf({ name, irradianceWm2, moduleTempC, airTempC = "", panes = 0, ...rest }: Position): {
  readonly reading: SpotReading | null;
  readonly problem: string;
} {
  const light = known(irradianceWm2);
  // Light alone is needed: without a temperature what is told is wider.
  if (light === null || [rest.vocV, rest.iscA, rest.operatingA].every((read) => known(read) === null))
    return { reading: null, problem: "" };
  const read = spotReadingSchema.safeParse({
    irradianceWm2: light,
    moduleTempC: known(moduleTempC),
    airTempC: known(airTempC),
    panes,
    vocV: known(rest.vocV),
    iscA: known(rest.iscA),
    operatingV: known(rest.operatingV),
    operatingA: known(rest.operatingA),
  });
  if (read.success) return { reading: read.data, problem: "" };
  return { reading: null, problem: `${name}: ${read.error.issues[0]?.message ?? say.aFigureCantBeRead}.` };
}
