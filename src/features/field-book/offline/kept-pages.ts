/** The views that are used where there is no line; their pages are kept. */
const VIEWS_KEPT = ["", "?view=wall", "?view=spot"] as const;

const MOST_SLUG_CHARS = 200;
const FIELD_BOOK = /^\/books\/([^/]+)\/field-book$/;

/** The book whose field book an address names; null for any other address. */
export const bookOf = (path: string): string | null => FIELD_BOOK.exec(path)?.[1] ?? null;

/** Addresses of a book's pages that are kept. */
export const keptAddresses = (slug: string): string[] => VIEWS_KEPT.map((query) => `/books/${slug}/field-book${query}`);

/** The book that a page asks to have kept; null for whatever else it was sent. A schema would make the worker twenty times as long. */
export function askedToKeep(told: unknown): string | null {
  const slug = typeof told === "object" && told !== null && "keep" in told ? told.keep : null;
  return typeof slug === "string" && slug.length <= MOST_SLUG_CHARS && bookOf(`/books/${slug}/field-book`) === slug ? slug : null;
}

/** Where to look for a page without a line: as it was asked for, else its view without more, else the book's entries. */
export function standIns(path: string, search: string): string[] {
  const view = new URLSearchParams(search).get("view");
  return [...new Set([`${path}${search}`, ...(view ? [`${path}?view=${view}`] : []), path])];
}

/** The scripts, styles and letters that a page names, as addresses. */
export function assetsOf(html: string): string[] {
  const named = html.matchAll(/(?:\/_next\/)?static\/[\w./~@%-]+\.(?:js|css|woff2)/g);
  return [...new Set([...named].map(([name]) => (name.startsWith("/") ? name : `/_next/${name}`)))];
}

/** A page that says of itself when it was kept, so that it can say so to its reader. */
export const markedKept = (html: string, atUtcMs: number): string =>
  html.replace(/<html(?=[\s>])/, `<html data-kept-at="${new Date(atUtcMs).toISOString()}"`);
