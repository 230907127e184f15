/** What keeps a JSON value from being stored as it was sent, with its place. */
export interface Unstorable {
  readonly reason: "text-not-storable" | "json-too-deep";
  readonly path: readonly string[];
}

/** No document of ours lies deeper. */
export const MOST_JSON_DEPTH = 40;
/** A place is told by so many steps. */
const STEPS_TOLD = 8;

/** The first text with a NUL or half a letter, which no database takes, or the first value that lies too deep; null where all is well. */
export function unstorableIn(json: unknown, path: readonly string[] = []): Unstorable | null {
  if (typeof json === "string") return isText(json) ? null : { reason: "text-not-storable", path: path.slice(0, STEPS_TOLD) };
  if (typeof json !== "object" || json === null) return null;
  if (path.length >= MOST_JSON_DEPTH) return { reason: "json-too-deep", path: path.slice(0, STEPS_TOLD) };
  for (const [key, value] of Object.entries(json)) {
    if (!isText(key)) return { reason: "text-not-storable", path: path.slice(0, STEPS_TOLD) };
    const found = unstorableIn(value, [...path, key]);
    if (found) return found;
  }
  return null;
}

const isText = (text: string): boolean => !text.includes("\0") && text.isWellFormed();
