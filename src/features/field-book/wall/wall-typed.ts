import { inverterReadingSchema } from "@/contracts/electrical";
import type { InverterReading } from "@/core/electrical";
import type { Site } from "@/core/site";
import { zoneOffset } from "@/core/time";
import { say } from "@/wording/screens/field-book-inverter";

export type Cell = number | string;

/** A display as it is typed. */
export interface Typed {
  readonly inverter: string;
  readonly at: string;
  readonly inputs: readonly { readonly dcV: Cell; readonly dcA: Cell; readonly strings: Cell }[];
  readonly acV: Cell;
  readonly acA: Cell;
  readonly acW: Cell;
  readonly phases: "1" | "3";
  readonly dayKwh: Cell;
  readonly lifetimeKwh: Cell;
  /** Since when the lifetime counts. */
  readonly since?: string;
  readonly lights: string;
  readonly light: Cell;
  readonly airTempC: Cell;
}

/** Nothing typed yet, at the site's clock now. */
export const blankTyped = ({ place, inverters: [first] }: Site, nowUtcMs: number): Typed => ({
  inverter: first?.id ?? "",
  at: new Date(nowUtcMs + zoneOffset(place.timeZone)(nowUtcMs)).toISOString().slice(0, 16),
  inputs: Array.from({ length: Math.min(2, first?.inputs ?? 1) }, () => ({ dcV: "", dcA: "", strings: 1 })),
  ...{ acV: "", acA: "", acW: "", phases: "1", dayKwh: "", lifetimeKwh: "", lights: "", light: "", airTempC: 15 },
});

export const known = (value: Cell): number | null => (value === "" || Number.isNaN(Number(value)) ? null : Number(value));

/** What was typed as a reading; inputs that are not whole yet are left out. Null before anything was; a problem where a figure can't be. */
export function readingOf(typed: Typed): { readonly reading: InverterReading | null; readonly problem: string } {
  const inputs = typed.inputs.flatMap(({ dcV, dcA, strings }) =>
    known(dcV) === null || known(dcA) === null ? [] : [{ dcV: known(dcV), dcA: known(dcA), strings: known(strings) ?? 1 }],
  );
  const { acV, acA, acW, dayKwh, lifetimeKwh } = typed;
  const isRead =
    inputs.length > 0 || [acW, dayKwh, lifetimeKwh].some((cell) => known(cell) !== null) || (known(acV) !== null && known(acA) !== null);
  if (!isRead) return { reading: null, problem: "" };
  const read = inverterReadingSchema.safeParse({
    inputs,
    phases: typed.phases === "3" ? 3 : 1,
    acV: known(acV),
    acA: known(acA),
    acW: known(acW),
    dayKwh: known(dayKwh),
    lifetimeKwh: known(lifetimeKwh),
  });
  if (read.success) return { reading: read.data, problem: "" };
  const [issue] = read.error.issues;
  const input = issue?.path[0] === "inputs" ? `Input ${Number(issue.path[1]) + 1}: ` : "";
  return { reading: null, problem: `${input}${issue?.message ?? say.aFigureCantBeRead}.` };
}
