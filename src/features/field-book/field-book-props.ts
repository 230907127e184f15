import type { EntryEffect } from "@/contracts/attribution";
import type { StoredEntry } from "@/contracts/field-book";
import type { ReminderRow } from "@/contracts/reminders";
import type { SiteDocument } from "@/contracts/site";
import type { WallBasis } from "./wall/spans";

export interface FieldBookProps {
  readonly slug: string;
  readonly site: SiteDocument;
  /** The version that the site was read from. */
  readonly version: number;
  readonly entries: readonly StoredEntry[];
  /** What the search for causes saw of each entry, by its id. */
  readonly effects: Readonly<Record<number, EntryEffect>>;
  readonly reminders: readonly ReminderRow[];
  /** Meters that hold production and can be a side of a trial. */
  readonly trialMeters: readonly { readonly id: string; readonly name: string; readonly point: string }[];
  readonly hasWeather: boolean;
  /** What a display is set against; null on the views that read none. */
  readonly wall: WallBasis | null;
  readonly nowUtcMs: number;
}
