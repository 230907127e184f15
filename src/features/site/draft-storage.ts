import type { SiteDocument } from "@/contracts/site";
import type { SiteValues } from "./site-values";

/** Unsaved entries of one window, kept in the browser until they are saved. */
export interface Draft {
  readonly tab: string;
  readonly at: number;
  /** The document that they started from. */
  readonly base: SiteDocument;
  readonly values: SiteValues;
}

const PREFIX = "dusty-ledger:site-draft";
const TAB = "dusty-ledger:tab";

/** Name of this window; it outlives a reload but not the window. */
export function tabId(): string {
  const current = sessionStorage.getItem(TAB);
  if (current) return current;
  const made = crypto.randomUUID();
  sessionStorage.setItem(TAB, made);
  return made;
}

const keyOf = (slug: string, tab: string): string => `${PREFIX}:${slug}:${tab}`;

export function keepDraft(slug: string, draft: { readonly base: SiteDocument; readonly values: SiteValues }): void {
  const tab = tabId();
  localStorage.setItem(keyOf(slug, tab), JSON.stringify({ ...draft, tab, at: Date.now() } satisfies Draft));
}

export const dropDraft = (slug: string, tab: string): void => localStorage.removeItem(keyOf(slug, tab));

/** Drafts of a book, of all windows, newest first. */
export function draftsOf(slug: string): Draft[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(`${PREFIX}:${slug}:`))
    .map((key) => JSON.parse(localStorage.getItem(key) ?? "null") as Draft)
    .sort((a, b) => b.at - a.at);
}
