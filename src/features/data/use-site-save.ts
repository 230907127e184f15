"use client";

import { savedSiteSchema } from "@/contracts/answers";
import type { Site } from "@/core/site";
import { ask } from "./ask";
import { type Change, useChange } from "./use-change";

export interface SiteToSave {
  /** The version that the change was made from. */
  readonly version: number;
  readonly site: Site;
}

/** Saves a book's site document over the version that it was read from; gives the new version. */
export const saveSite = async (slug: string, saved: SiteToSave): Promise<number> =>
  (await ask(savedSiteSchema, `/api/books/${slug}`, { method: "PUT", body: saved })).version;

export const useSiteSave = (slug: string, onDone?: (version: number) => void): Change<SiteToSave, number> =>
  useChange((saved: SiteToSave) => saveSite(slug, saved), onDone ? { onDone } : {});
