/** A JSON value as site documents hold them. */
type Json = unknown;

/** A field that two people changed in different ways since they both read it. */
export interface FieldClash {
  /** Names from the top, list items by id where they have one, else by place. */
  readonly path: readonly string[];
  readonly before: Json;
  readonly mine: Json;
  readonly theirs: Json;
}

export interface FieldMerge {
  readonly merged: Json;
  readonly clashes: readonly FieldClash[];
  /** Fields that only the other side changed, and that came along. */
  readonly taken: readonly (readonly string[])[];
}

const isRecord = (value: Json): value is Record<string, Json> => typeof value === "object" && value !== null && !Array.isArray(value);
const hasIds = (value: Json): value is { id: string }[] =>
  Array.isArray(value) && value.length > 0 && value.every((item) => isRecord(item) && typeof item.id === "string");
const same = (a: Json, b: Json): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What two people made of one document, field by field: what one changed is kept, what both changed differently clashes and stays mine. */
export function mergeFields(before: Json, mine: Json, theirs: Json): FieldMerge {
  const clashes: FieldClash[] = [];
  const taken: (readonly string[])[] = [];
  const merge = (b: Json, m: Json, t: Json, path: readonly string[]): Json => {
    if (same(m, t) || same(b, t)) return m;
    if (same(b, m)) {
      taken.push(path);
      return t;
    }
    if (isRecord(m) && isRecord(t) && isRecord(b)) return mergeRecords(b, m, t, path);
    if ([b, m, t].every((list) => hasIds(list) || (Array.isArray(list) && list.length === 0)))
      return mergeLists(b as { id: string }[], m as { id: string }[], t as { id: string }[], path);
    if ([b, m, t].every(Array.isArray) && new Set([b, m, t].map((list) => (list as Json[]).length)).size === 1) {
      return (m as Json[]).map((item, k) => merge((b as Json[])[k], item, (t as Json[])[k], [...path, String(k)]));
    }
    clashes.push({ path, before: b, mine: m, theirs: t });
    return m;
  };
  const mergeRecords = (b: Record<string, Json>, m: Record<string, Json>, t: Record<string, Json>, path: readonly string[]): Json => {
    const keys = [...new Set([...Object.keys(m), ...Object.keys(t)])];
    const entries = keys.map((key) => [key, merge(b[key], m[key], t[key], [...path, key])] as const);
    return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
  };
  const mergeLists = (
    b: readonly { id: string }[],
    m: readonly { id: string }[],
    t: readonly { id: string }[],
    path: readonly string[],
  ): Json => {
    const of = (list: readonly { id: string }[], id: string) => list.find((item) => item.id === id);
    const ids = [...new Set([...m, ...t].map((item) => item.id))];
    return ids.map((id) => merge(of(b, id), of(m, id), of(t, id), [...path, id])).filter((item) => item !== undefined);
  };
  return { merged: merge(before, mine, theirs, []), clashes, taken };
}

/** A document with one field set, by a clash's path. */
export function withField(document: Json, path: readonly string[], value: Json): Json {
  const [head, ...rest] = path;
  if (head === undefined) return value;
  if (hasIds(document)) {
    const kept = document.map((item) => (item.id === head ? (withField(item, rest, value) as { id: string }) : item));
    return kept.filter((item) => item !== undefined);
  }
  if (Array.isArray(document)) return (document as Json[]).map((item, k) => (String(k) === head ? withField(item, rest, value) : item));
  return { ...(document as Record<string, Json>), [head]: withField((document as Record<string, Json>)[head], rest, value) };
}
