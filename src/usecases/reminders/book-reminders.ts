import type { StoredEntry } from "@/contracts/field-book";
import type { ReminderRow } from "@/contracts/reminders";
import type { SiteDocument } from "@/contracts/site";
import { type Reminder, writeReminders } from "@/formats/icalendar";
import type { Book } from "../books";

/** The same day in later years; 29 February falls on the 28th. */
function yearsAfter(date: string, years: number): string {
  const moved = `${Number(date.slice(0, 4)) + years}${date.slice(4)}`;
  return Number.isNaN(Date.parse(moved)) || new Date(moved).toISOString().slice(0, 10) !== moved ? `${moved.slice(0, 8)}28` : moved;
}

/** The next time a yearly date comes, from a day on. */
function nextYearly(date: string, today: string): string {
  const years = Math.max(0, Number(today.slice(0, 4)) - Number(date.slice(0, 4)));
  const first = yearsAfter(date, years);
  return first >= today ? first : yearsAfter(date, years + 1);
}

/** A day by which something has to be done: past, it stays until it is done. */
const due = (on: string, today: string): Pick<ReminderRow, "on" | "isOverdue"> => ({ on, isOverdue: on < today });
const toCome = (on: string): Pick<ReminderRow, "on" | "isOverdue"> => ({ on, isOverdue: false });

const INSURANCE = /insur|assurance|versicher|seguro|polisa/i;

/** What is to come of a book, the nearest first: its rack's tilts, a cleaning and an inspection by the field book, insurance and warranty by the site, and the owner's own dates. */
export function bookReminders(site: SiteDocument, entries: readonly StoredEntry[], today: string): ReminderRow[] {
  const rows: ReminderRow[] = [];
  for (const array of site.arrays)
    for (const { from, tiltDeg } of array.tiltSchedule)
      rows.push({
        kind: "tilt",
        ...toCome(nextYearly(`${today.slice(0, 4)}-${from}`, today)),
        everyYears: 1,
        facts: { array: array.name || array.id, tiltDeg },
      });
  const lastOf = (kind: string): string | null =>
    entries
      .filter((entry) => entry.kind === kind)
      .at(-1)
      ?.from.slice(0, 10) ?? null;
  const cleaned = lastOf("cleaning");
  if (cleaned)
    rows.push({
      kind: "cleaning",
      ...due(yearsAfter(cleaned, 1), today),
      everyYears: 1,
      facts: { cleaned },
    });
  const looked = lastOf("inspection") ?? site.commissioned;
  if (looked)
    rows.push({
      kind: "inspection",
      ...due(yearsAfter(looked, 1), today),
      everyYears: 1,
      facts: { looked },
    });
  for (const { what } of site.money.running.perYear)
    if (INSURANCE.test(what) && site.commissioned)
      rows.push({
        kind: "insurance",
        ...toCome(nextYearly(site.commissioned, today)),
        everyYears: 1,
        facts: { what },
      });
  if (site.warranty && site.commissioned) {
    const on = yearsAfter(site.commissioned, Math.floor(site.warranty.years));
    if (on >= today)
      rows.push({
        kind: "warranty",
        ...toCome(on),
        everyYears: null,
        facts: {},
      });
  }
  for (const { on, what, everyYears } of site.reminders) {
    const next = everyYears === null ? on : everyOwn(on, everyYears, today);
    rows.push({ kind: "own", ...due(next, today), everyYears, facts: { what } });
  }
  return rows.sort((a, b) => a.on.localeCompare(b.on));
}

function everyOwn(on: string, everyYears: number, today: string): string {
  let next = on;
  for (let k = 1; next < today && k < 200; k++) next = yearsAfter(on, k * everyYears);
  return next;
}

/** How a reminder is said, given by who asks for the file. */
export type ReminderWords = (row: ReminderRow) => { readonly title: string; readonly text: string };

/** All reminders of a book as a calendar file. */
export function remindersFile(book: Book, entries: readonly StoredEntry[], today: string, inWords: ReminderWords): string {
  return writeReminders(
    book.site.name,
    bookReminders(book.site, entries, today).map((row): Reminder => {
      const { kind, isOverdue, everyYears } = row;
      const { title, text } = inWords(row);
      // An alarm for a day that is past never sounds: what is overdue is due today.
      const on = isOverdue ? today : row.on;
      return {
        on,
        everyYears,
        title: `${book.site.name}: ${title}`,
        text,
        uid: `${book.slug}-${kind}-${on.slice(5)}-${title.replace(/\W+/g, "").slice(0, 24)}@dusty-ledger`,
      };
    }),
  );
}
