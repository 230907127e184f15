import { DateTime } from "luxon";
import type { PlantTruth } from "./truth";

export interface Span {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

export const kwh = (value: number): string => `${Math.round(value)} kWh`;
export const msOf = (text: string, zone: string): number => DateTime.fromISO(text, { zone }).toMillis();
export const dayOf = (utcMs: number, zone: string): string => DateTime.fromMillis(utcMs, { zone }).toISODate()!;
export const touches = (a: Span, b: Span): boolean => a.fromUtcMs < b.toUtcMs && a.toUtcMs > b.fromUtcMs;

/** What removing a cause alone would have brought in the months of a finding. */
export function gainedIn({ monthly, record }: PlantTruth, cause: string, { fromUtcMs, toUtcMs }: Span): number {
  const [from, to] = [dayOf(fromUtcMs, record.timezone).slice(0, 7), dayOf(toUtcMs - 1, record.timezone).slice(0, 7)];
  return monthly
    .filter(({ month }) => from <= month && month <= to)
    .reduce((sum, { gain_if_removed_kwh: gained }) => sum + (gained?.[cause] ?? 0), 0);
}
