import type { FieldEntry } from "@/contracts/field-book";

/** Spans of the field book in which something outside held the plant, by local day. */
export const limitsOf = (entries: readonly FieldEntry[]): { from: string; to: string }[] =>
  entries.filter(({ kind }) => kind === "curtailment").map(({ from, to }) => ({ from: from.slice(0, 10), to: to.slice(0, 10) }));

/** Local dates on which somebody cleaned. */
export const cleaningsOf = (entries: readonly FieldEntry[]): string[] =>
  entries.filter(({ kind }) => kind === "cleaning").map(({ to }) => to.slice(0, 10));

/** Local dates of the light sensor's calibrations. */
export const calibrationsOf = (entries: readonly FieldEntry[]): string[] =>
  entries.filter(({ kind }) => kind === "calibration").map(({ to }) => to.slice(0, 10));
