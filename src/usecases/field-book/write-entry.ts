import { type FieldEntry, MOST_PHOTO_BYTES, type NewEntry } from "@/contracts/field-book";
import { LIMITS } from "@/contracts/limits";
import type { SiteDocument } from "@/contracts/site";
import { entryEffect, type Revision } from "@/core/site";
import { HOUR_MS } from "@/core/units";
import { parseSite } from "@/formats/site-json";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { CleanPhoto, EntryStore, PhotoCleaner } from "./ports";

export interface FieldBookPorts {
  readonly entries: EntryStore;
  readonly cleanPhoto: PhotoCleaner;
  readonly now: () => number;
}

/** An entry of one day may be written down a day ahead of the server's clock: the phone's zone may be further east. */
const AHEAD_MS = 36 * HOUR_MS;

/** Writes one entry with its photo; what it changes goes into the model as a revision where that is asked for. All of it or nothing. */
export async function writeEntry(
  ports: FieldBookPorts,
  book: Book,
  entry: NewEntry,
  photoBytes: Uint8Array | null,
): Promise<"new" | "known"> {
  checkEntry(book.site, entry, ports.now());
  await checkRoom(ports.entries, book, 1);
  const photo = photoBytes && (await readPhoto(ports.cleanPhoto, photoBytes));
  const applied = entry.apply ? appliedTo(book, entry) : null;
  const written = await ports.entries.write(book.id, { entry, photo, applied });
  if (written === "otherwise") throw new Refusal("entry-refused", "entry-known-otherwise");
  if (written === "book-changed") throw changedMeanwhile();
  return written;
}

/** Adds the entries of a file: all of them or none. */
export async function addEntries({ entries }: Pick<FieldBookPorts, "entries">, book: Book, events: readonly FieldEntry[]): Promise<void> {
  await checkRoom(entries, book, events.length);
  await entries.add(book.id, events);
}

async function checkRoom(entries: EntryStore, book: Book, more: number): Promise<void> {
  const count = await entries.countOf(book.id);
  if (count + more > LIMITS.entries.most)
    throw new Refusal("entry-refused", "too-many-entries", { count, more, most: LIMITS.entries.most });
}

/** Takes an entry out of the book, with the revisions that it put into the model. */
export async function removeEntry({ entries }: Pick<FieldBookPorts, "entries">, book: Book, id: number): Promise<void> {
  const revisions = await entries.appliedBy(book.id, id);
  const site = revisions && revisions.length > 0 ? withoutRevisions(book.site, revisions) : null;
  const gone = await entries.remove(book.id, id, site && { site, version: book.version });
  if (gone === "missing") throw new Refusal("entry-refused", "entry-gone");
  if (gone === "book-changed") throw changedMeanwhile();
}

const changedMeanwhile = (): Refusal => new Refusal("book-changed", "book-changed-while-writing");

function checkEntry(site: SiteDocument, { from, array, meter }: NewEntry, nowUtcMs: number): void {
  const date = from.slice(0, 10);
  if (site.commissioned && date < site.commissioned)
    throw new Refusal("entry-refused", "entry-before-commissioning", { date, commissioned: site.commissioned });
  if (Date.parse(`${date}T00:00:00Z`) > nowUtcMs + AHEAD_MS) throw new Refusal("entry-refused", "entry-in-future", { date });
  if (array !== "" && !site.arrays.some(({ id }) => id === array))
    throw new Refusal("entry-refused", "entry-array-unknown", { array, arrays: site.arrays.map(({ id }) => id).join(", ") });
  if (meter !== "" && !site.meters.some(({ id }) => id === meter))
    throw new Refusal("entry-refused", "entry-meter-unknown", { meter, meters: site.meters.map(({ id }) => id).join(", ") });
}

async function readPhoto(clean: PhotoCleaner, bytes: Uint8Array): Promise<CleanPhoto> {
  if (bytes.byteLength > MOST_PHOTO_BYTES) throw photoTooLarge(bytes.byteLength);
  const photo = await clean(bytes);
  if (photo) return photo;
  throw new Refusal("photo-refused", "no-photo");
}

export const photoTooLarge = (bytes: number): Refusal =>
  new Refusal("photo-refused", "photo-too-large", {
    megabytes: (bytes / 1024 / 1024).toFixed(0),
    mostMegabytes: MOST_PHOTO_BYTES / 1024 / 1024,
  });

function appliedTo(book: Book, entry: NewEntry): { revisions: readonly Revision[]; site: SiteDocument; version: number } | null {
  const effect = entryEffect(book.site, entry);
  if (effect.kind === "unclear") throw new Refusal("entry-refused", "entry-effect-unclear", { expected: effect.expected });
  if (effect.kind !== "revision") return null;
  const reading = parseSite({ ...book.site, revisions: [...book.site.revisions, ...effect.revisions] });
  if (reading.ok) return { revisions: effect.revisions, site: reading.document, version: book.version };
  throw new Refusal("entry-refused", "entry-breaks-site", {}, reading.problems);
}

/** The site without some revisions, each taken out once. */
function withoutRevisions(site: SiteDocument, revisions: readonly Revision[]): SiteDocument {
  const key = ({ from, change }: Pick<Revision, "from" | "change">): string => `${from} ${JSON.stringify(change)}`;
  const out = revisions.map(key);
  const kept = site.revisions.filter((revision) => {
    const at = out.indexOf(key(revision));
    if (at < 0) return true;
    out.splice(at, 1);
    return false;
  });
  return { ...site, revisions: kept };
}
