import { compassPoint } from "@/core/geometry";
import { measure, number } from "@/wording/format";
import { say } from "@/wording/screens/site";

/** A single value that a revision sets, with the names that lead to it. */
export interface ChangedField {
  readonly path: readonly (string | number)[];
  readonly where: string;
  readonly field: string;
  readonly value: unknown;
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null && !Array.isArray(value);

/** What a revision changes, value by value; list items are named by their id. */
export function changedFields(change: Readonly<Record<string, unknown>>): ChangedField[] {
  const out: ChangedField[] = [];
  const walk = (value: unknown, path: readonly (string | number)[], where: readonly string[]): void => {
    if (Array.isArray(value) && value.every(isRecord)) {
      for (const [k, item] of value.entries()) walk(item, [...path, k], typeof item.id === "string" ? [item.id] : where);
    } else if (isRecord(value)) {
      for (const [key, inner] of Object.entries(value)) if (key !== "id") walk(inner, [...path, key], isRecord(inner) ? [key] : where);
    } else out.push({ path, where: where.join(" "), field: String(path.at(-1)), value });
  };
  walk(change, [], []);
  return out;
}

const WORDS: Readonly<Record<string, (value: unknown) => string>> = {
  tiltDeg: (v) => `tilt ${number(Number(v), 1)}°`,
  azimuthDeg: (v) => `azimuth ${number(Number(v), 1)}° (${compassPoint(Number(v))})`,
  eastM: (v) => say.movedToMEast(measure(Number(v), "m", 1)),
  northM: (v) => say.movedToMNorth(measure(Number(v), "m", 1)),
  count: (v) => `${number(Number(v))} modules`,
  module: (v) => `modules ${String(v)}`,
  acRatedW: (v) => `${number(Number(v) / 1000, 1)} kW AC`,
  ratedEfficiencyFrac: (v) => `efficiency ${number(Number(v) * 100, 1)} %`,
  point: (v) => `metered ${String(v)}`,
};

/** A changed field as people say it. */
export const inWords = ({ where, field, value }: ChangedField): string =>
  `${where ? `${where}: ` : ""}${WORDS[field]?.(value) ?? `${field} ${JSON.stringify(value)}`}`;

/** A change with one of its values set anew. */
export function withValue(
  change: Readonly<Record<string, unknown>>,
  path: readonly (string | number)[],
  value: unknown,
): Record<string, unknown> {
  const set = (node: unknown, [head, ...rest]: readonly (string | number)[]): unknown => {
    if (head === undefined) return value;
    if (Array.isArray(node)) return (node as unknown[]).map((item, k) => (k === head ? set(item, rest) : item));
    return { ...(node as Record<string, unknown>), [head]: set((node as Record<string, unknown>)[head], rest) };
  };
  return set(change, path) as Record<string, unknown>;
}
