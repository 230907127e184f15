import type { PvArray, Site } from "./types";

type Json = Record<string, unknown>;
const BY_ID = ["arrays", "inverters", "meters"] as const;

/** A site document with a change merged in: lists of things with an `id` by id, records key by key, anything else replaced. */
export function mergeChange(site: Site, change: Readonly<Json>): Site {
  const merged: Json = { ...site };
  for (const [key, value] of Object.entries(change)) merged[key] = mergeField(merged[key], value, key);
  return merged as unknown as Site;
}

function mergeField(before: unknown, value: unknown, key: string): unknown {
  if ((BY_ID as readonly string[]).includes(key)) return mergeById(before as Json[], value as Json[]);
  if (key === "modules") return mergeRecord(before as Record<string, Json>, value as Record<string, Json>);
  return isRecord(before) && isRecord(value) ? { ...before, ...value } : value;
}

function mergeById(before: readonly Json[], changes: readonly Json[]): Json[] {
  const kept = before.map((item) => ({ ...item, ...changes.find((c) => c.id === item.id) }));
  return [...kept, ...changes.filter((c) => !before.some((item) => item.id === c.id))];
}

function mergeRecord(before: Record<string, Json>, changes: Record<string, Json>): Record<string, Json> {
  const merged = { ...before };
  for (const [key, change] of Object.entries(changes)) merged[key] = { ...merged[key], ...change };
  return merged;
}

const isRecord = (value: unknown): value is Json => typeof value === "object" && value !== null && !Array.isArray(value);

/** What stood on a local date ("2023-05-10"): all revisions up to it, then the rack's tilt of that day. */
export function siteOn(site: Site, date: string): Site {
  const due = site.revisions.filter((r) => r.from <= date).sort((a, b) => a.from.localeCompare(b.from));
  const stood = due.reduce((s, revision) => mergeChange(s, revision.change), site);
  return { ...stood, arrays: stood.arrays.map((array) => ({ ...array, tiltDeg: tiltOn(array, date) })) };
}

/** Tilt of an array on a local date by its yearly schedule; the last entry of the year reaches over into January. */
function tiltOn(array: PvArray, date: string): number {
  if (array.tiltSchedule.length === 0) return array.tiltDeg;
  const schedule = [...array.tiltSchedule].sort((a, b) => a.from.localeCompare(b.from));
  const existing = schedule.filter((entry) => entry.from <= date.slice(5)).at(-1) ?? schedule.at(-1);
  return existing ? existing.tiltDeg : array.tiltDeg;
}
