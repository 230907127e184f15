import { Readable } from "node:stream";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { entryEffects } from "@/contracts/attribution";
import { packColumns, unpackColumns } from "@/contracts/columns-wire";
import { newEntrySchema, type StoredEntry, storedEntrySchema } from "@/contracts/field-book";
import { readEvents, writeEntries } from "@/formats/events-csv";
import { reminderInWords } from "@/wording/reminders";
import { bookReminders, remindersFile } from "../reminders";

const kept = (change: Partial<StoredEntry> = {}): StoredEntry =>
  storedEntrySchema.parse({
    ...{ id: 1, from: "2024-05-02", to: "2024-05-02", kind: "cleaning", array: "", note: "", value: "", appliedFrom: [], photos: [] },
    ...change,
  });

describe("the field book as a CSV file", () => {
  it("comes back as it went", async () => {
    const entries = [
      kept({ note: "two, with a comma and a “quote”" }),
      kept({ kind: "outage", from: "2024-06-01", to: "2024-06-03", array: "a" }),
    ];
    const { events, problems } = await readEvents(Readable.from([new TextEncoder().encode(writeEntries(entries))]));
    expect(problems).toEqual([]);
    expect(events).toEqual(entries.map(({ from, to, kind, array, note, value }) => ({ from, to, kind, array, note, value })));
  });

  it("holds no cell that a spreadsheet would run", () => {
    expect(writeEntries([kept({ note: '=HYPERLINK("http://x")', who: "+cmd" })])).toMatch(/'=HYPERLINK.*'\+cmd/);
  });
});

describe("an entry as it is sent", () => {
  it.each([
    [{ cost: "-5" }, "can't be negative"],
    [{ cost: "five" }, "decimal numeral"],
    [{ from: "2024-05-03", to: "2024-05-01" }, "before the first"],
    [{ from: "3 May" }, "local date such as"],
    [{ clientId: "twice" }, "UUID"],
    [{ note: "x".repeat(2001) }, "shorten the note"],
  ])("%o is refused in words", (change, words) => {
    const read = newEntrySchema.safeParse({ from: "2024-05-02", to: "2024-05-02", kind: "cleaning", ...change });
    expect(JSON.stringify(read.error?.issues)).toContain(words);
  });
});

describe("reminders", () => {
  const book = site({
    commissioned: "2020-02-29",
    warranty: { years: 25, firstYearFrac: 0.02, perYearFrac: 0.005 },
    arrays: [
      {
        id: "a",
        name: "Rack",
        module: "m",
        count: 20,
        tiltDeg: 20,
        azimuthDeg: 0,
        tiltSchedule: [
          { from: "04-05", tiltDeg: 50 },
          { from: "09-15", tiltDeg: 20 },
        ],
      },
    ],
    reminders: [{ on: "2023-03-01", what: "insurance of the roof", everyYears: 2 }],
  });
  const rows = bookReminders(
    book,
    [kept({ from: "2024-07-09", to: "2024-07-09" }), kept({ kind: "inspection", from: "2026-01-12", to: "2026-01-12" })],
    "2026-05-01",
  );

  it("stand in order of what comes first, each at its next date", () => {
    expect(rows.map(({ on, kind }) => [on, kind])).toEqual([
      ["2025-07-09", "cleaning"],
      ["2026-09-15", "tilt"],
      ["2027-01-12", "inspection"],
      ["2027-03-01", "own"],
      ["2027-04-05", "tilt"],
      ["2045-02-28", "warranty"],
    ]);
  });

  it("are overdue where their day is past and nothing was done since, and sound today", () => {
    expect(rows.filter(({ isOverdue }) => isOverdue).map(({ kind }) => kind)).toEqual(["cleaning"]);
    const later = bookReminders(book, [kept({ from: "2025-07-09", to: "2025-07-09" })], "2026-07-09");
    expect(later.find(({ kind }) => kind === "cleaning")).toMatchObject({ on: "2026-07-09", isOverdue: false });
    const text = remindersFile(
      { id: "x", slug: "rack", site: book, version: 1, isDemo: false },
      [kept({ from: "2024-07-09", to: "2024-07-09" })],
      "2026-05-01",
      reminderInWords,
    );
    expect(text).toMatch(/DTSTART;VALUE=DATE:20260501/);
  });

  it("are a calendar file with an event each, the warranty's end once and the others every year or two", () => {
    const text = remindersFile({ id: "x", slug: "rack", site: book, version: 1, isDemo: false }, [], "2026-05-01", reminderInWords);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(bookReminders(book, [], "2026-05-01").length);
    expect(text).toContain("INTERVAL=2");
    expect(text).toContain("TRIGGER:-P7D");
    const warranty = text.slice(text.indexOf("warranty ends") - 300, text.indexOf("warranty ends") + 300);
    expect(warranty).not.toContain("RRULE");
  });
});

describe("what the search for causes saw of entries", () => {
  it("finds its way to those it looked at, and to no later one", () => {
    const effect = { code: "took-off-dirt" as const, effectFrac: 0.03 };
    const report = {
      entries: [
        {
          from: "2024-05-02",
          kind: "cleaning" as const,
          note: "",
          effect,
          to: "2024-05-02",
          array: "",
          value: "",
          findings: [],
        },
      ],
    };
    expect(entryEffects([kept({ id: 4 }), kept({ id: 5, from: "2025-01-01" })], report)).toEqual({ 4: effect });
    expect(entryEffects([kept()], null)).toEqual({});
  });
});

describe("columns on their way to the browser", () => {
  it("come back value by value, missing ones too, whatever the head's length", () => {
    const columns = [Float64Array.of(1, Number.NaN, -3.5), new Float64Array(0), Float64Array.of(7)];
    for (const head of [{}, { a: "ä".repeat(13) }, { long: "x".repeat(1000) }]) {
      const back = unpackColumns(packColumns(head, columns).buffer);
      expect(back.head).toEqual(head);
      expect(back.columns.map((column) => [...column])).toEqual(columns.map((column) => [...column]));
    }
  });
});
