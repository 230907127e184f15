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

const INSURANCE = /insur|assurance|versicher|seguro|polisa/i;

/** What is to come of a book, the nearest first: its rack's tilts, a cleaning and an inspection by the field book, insurance and warranty by the site, and the owner's own dates. */
export function bookReminders(site: SiteDocument, entries: readonly StoredEntry[], today: string): ReminderRow[] {
  const rows: ReminderRow[] = [];
  for (const array of site.arrays)
    for (const { from, tiltDeg } of array.tiltSchedule)
      rows.push({
        kind: "tilt",
        on: nextYearly(`${today.slice(0, 4)}-${from}`, today),
        everyYears: 1,
        title: `${array.name || array.id}: tilt to ${tiltDeg}°`,
        text: "From the rack's schedule. Two people, no wind; isolate by the maker's procedure before anything is moved. Write the change in the field book.",
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
      on: nextYearly(cleaned, today),
      everyYears: 1,
      title: "Is a cleaning worth it?",
      text: `Last cleaned on ${cleaned}. The ledger's dirt page says what one would bring now, and when rain is due.`,
    });
  const looked = lastOf("inspection") ?? site.commissioned;
  if (looked)
    rows.push({
      kind: "inspection",
      on: nextYearly(yearsAfter(looked, 1), today),
      everyYears: 1,
      title: "Look the plant over",
      text: `Last looked over on ${looked}. Fixings, cables, connectors, isolators, shade that has grown; local rules may ask for a licensed electrician.`,
    });
  for (const { what } of site.money.running.perYear)
    if (INSURANCE.test(what) && site.commissioned)
      rows.push({
        kind: "insurance",
        on: nextYearly(site.commissioned, today),
        everyYears: 1,
        title: `Renew: ${what}`,
        text: "A yearly cost in the Money chapter.",
      });
  if (site.warranty && site.commissioned) {
    const on = yearsAfter(site.commissioned, Math.floor(site.warranty.years));
    if (on >= today)
      rows.push({
        kind: "warranty",
        on,
        everyYears: null,
        title: "The modules' warranty ends",
        text: "The Ageing chapter holds the evidence sheet; a claim has to be made before this day.",
      });
  }
  for (const { on, what, everyYears } of site.reminders) {
    const next = everyYears === null ? on : everyOwn(on, everyYears, today);
    if (next >= today) rows.push({ kind: "own", on: next, everyYears, title: what, text: "" });
  }
  return rows.sort((a, b) => a.on.localeCompare(b.on) || a.title.localeCompare(b.title));
}

function everyOwn(on: string, everyYears: number, today: string): string {
  let next = on;
  for (let k = 1; next < today && k < 200; k++) next = yearsAfter(on, k * everyYears);
  return next;
}

/** All reminders of a book as a calendar file. */
export function remindersFile(book: Book, entries: readonly StoredEntry[], today: string): string {
  return writeReminders(
    book.site.name,
    bookReminders(book.site, entries, today).map(
      ({ kind, on, everyYears, title, text }): Reminder => ({
        on,
        everyYears,
        title: `${book.site.name}: ${title}`,
        text,
        uid: `${book.slug}-${kind}-${on.slice(5)}-${title.replace(/\W+/g, "").slice(0, 24)}@dusty-ledger`,
      }),
    ),
  );
}
