import { faultsOf, LivePlant, switchesSchema } from "@simulators";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { type Feed, type FeedFault, feedSettingsSchema } from "@/contracts/feeds";
import { feedFaultInWords } from "@/wording/feeds";
import type { Book } from "../books";
import { addFeed, changeFeed, type FeedStore, FetchFailure, hostAllowed, type PulledPages, pauseMs, pullFeed, tableOfJson } from ".";

const book: Book = { id: "b", slug: "b", site: site(), version: 1, isDemo: false };
const settings = feedSettingsSchema.parse({ name: "logger", kind: "production", url: "http://127.0.0.1:9/x.csv", format: "csv" });
const feed = (parts: Partial<Feed> = {}): Feed => ({
  id: 7,
  version: 1,
  settings,
  cursorUtc: "2024-06-01T00:00:00.000Z",
  nextUtc: null,
  lastTriedUtc: null,
  lastFineUtc: null,
  lastFault: null,
  failures: 0,
  valueCount: 0,
  ...parts,
});
const now = Date.parse("2024-06-01T03:00:00Z");

/** A pull of one feed against an answer. */
async function pulled(answer: string | Error, own: Feed = feed()) {
  const asked: string[] = [];
  const done: { committed: PulledPages | null; failed: { fault: FeedFault; nextUtcMs: number } | null } = { committed: null, failed: null };
  const store = {
    find: async () => ({ feed: own, bookId: book.id }),
    commit: async (_id: number, pages: PulledPages) => {
      done.committed = pages;
      return 1;
    },
    fail: async (_id: number, fault: FeedFault, _tried: number, nextUtcMs: number) => {
      done.failed = { fault, nextUtcMs };
    },
  } as unknown as FeedStore;
  const get = async (url: string): Promise<string> => {
    asked.push(url);
    if (answer instanceof Error) throw answer;
    return answer;
  };
  const result = await pullFeed({ feeds: store, books: { byId: async () => book } as never, fetcher: { get }, now: () => now }, own.id);
  return { ...done, asked, result };
}

describe("a pull", () => {
  it("asks from its cursor on and moves it to the last reading", async () => {
    const { asked, committed } = await pulled("Time;Power kW\n2024-06-01T00:15:00Z;1.5\n2024-06-01T00:30:00Z;2\n");
    expect(asked).toEqual(["http://127.0.0.1:9/x.csv?since=2024-06-01T00%3A00%3A00.000Z"]);
    expect(committed).toMatchObject({ cursorUtcMs: Date.parse("2024-06-01T00:30:00Z"), nextUtcMs: now + 15 * 60_000 });
    expect([...committed!.series[0]!.days.values()][0]!.filter((value) => !Number.isNaN(value))).toEqual(Float64Array.of(1500, 2000));
  });

  it("of a source that gives its past in parts goes on at once", async () => {
    const { committed } = await pulled(
      "time,energy_kwh\n2024-05-02T00:15:00Z,1\n2024-05-02T00:30:00Z,1",
      feed({ cursorUtc: "2024-05-01T00:00:00.000Z" }),
    );
    expect(committed!.nextUtcMs).toBe(now);
  });

  it("with nothing new leaves the cursor", async () => {
    expect((await pulled("time,energy_kwh\n")).committed).toMatchObject({ series: [], cursorUtcMs: Date.parse("2024-06-01T00:00Z") });
  });

  it.each([
    ["no answer", new FetchFailure("no-answer", { host: "127.0.0.1:9" }), /did not answer/],
    ["a broken row", "time,energy_kwh\n2024-06-01T00:15:00Z,1\n2024-06-01T00:30:00Z,much", /row 3.*much/s],
    ["the wrong kind", "time,ghi_w_m2\n2024-06-01T00:15:00Z,1\n2024-06-01T00:30:00Z,2", /holds weather, not production/],
    ["tomorrow's readings", "time,energy_kwh\n2024-06-03T00:15:00Z,1\n2024-06-03T00:30:00Z,1", /future/],
  ])("of %s fails in words, and pauses longer each time", async (_name, answer, words) => {
    const { failed, committed, result } = await pulled(answer, feed({ failures: 2 }));
    expect(committed).toBeNull();
    expect(feedFaultInWords(failed!.fault)).toMatch(words);
    expect(failed!.nextUtcMs).toBe(now + 8 * 15 * 60_000);
    expect(result).toHaveProperty("fault", failed!.fault.code);
  });

  it("never pauses longer than six hours", () => {
    expect(pauseMs(15, 40)).toBe(6 * 3_600_000);
  });
});

describe("a JSON answer", () => {
  const columns = { rows: "data.rows", time: "at", values: [{ field: "v.kwh", quantity: "energy_kwh" as const, factor: 0.001 }] };

  it("becomes the table that the import reads", () => {
    const text = JSON.stringify({
      data: {
        rows: [
          { at: "2024-06-01T00:15Z", v: { kwh: 1500 } },
          { at: "2024-06-01T00:30Z", v: {} },
        ],
      },
    });
    expect(tableOfJson(text, columns)).toBe("time,energy_kwh\n2024-06-01T00:15Z,1.5\n2024-06-01T00:30Z,");
  });

  it("without its rows is refused by the name of their place", () => {
    const faultOf = (text: string): FeedFault | null => {
      try {
        tableOfJson(text, columns);
      } catch (error) {
        return (error as FetchFailure).fault;
      }
      return null;
    };
    expect(faultOf('{"data":{}}')).toMatchObject({ code: "no-rows", facts: { path: "data.rows" } });
    expect(faultOf("<html>")).toMatchObject({ code: "not-json" });
  });
});

describe("the list of hosts", () => {
  it("lets through what it names, with its port, and nothing else", () => {
    const hosts = ["127.0.0.1:4310", "meters.example"];
    expect(hostAllowed("http://127.0.0.1:4310/x", hosts)).toBe(true);
    expect(hostAllowed("https://meters.example/x", hosts)).toBe(true);
    for (const url of [
      "http://127.0.0.1:4311/",
      "http://127.0.0.1/",
      "ftp://meters.example/",
      "http://me@meters.example/",
      "http://meters.example.evil/",
      "file:///etc/passwd",
      "no address",
    ]) {
      expect(hostAllowed(url, hosts), url).toBe(false);
    }
  });

  it("is asked before a feed is kept", async () => {
    const store = { of: async () => [] } as unknown as FeedStore;
    const wanted: number[] = [];
    const ports = { feeds: store, feedHosts: [], now: () => now, queue: { wantPull: async (feedId: number) => void wanted.push(feedId) } };
    await expect(addFeed(ports, book, settings)).rejects.toMatchObject({
      code: "feed-refused",
      reason: "host-not-listed",
    });
    await expect(changeFeed(ports, book, 3, { enabled: true, version: 1 })).rejects.toMatchObject({ code: "feed-not-found" });
    expect(wanted).toEqual([]);
  });
});

describe("a feed that is started", () => {
  it("is pulled at once, and not again while it runs", async () => {
    const wanted: number[] = [];
    const store = {
      of: async () => [feed({ settings: { ...settings, enabled: wanted.length > 0 } })],
      change: async (_book: string, _id: number, changed: Feed["settings"]) => feed({ settings: changed }),
    } as unknown as FeedStore;
    const ports = { feeds: store, feedHosts: [], now: () => now, queue: { wantPull: async (feedId: number) => void wanted.push(feedId) } };
    await changeFeed(ports, book, 7, { enabled: true, version: 1 });
    expect(wanted).toEqual([7]);
    await changeFeed(ports, book, 7, { enabled: true, version: 1 });
    expect(wanted).toEqual([7]);
    await changeFeed(ports, book, 7, { pullNow: true, version: 1 });
    expect(wanted).toEqual([7, 7]);
  });
});

describe("a live simulator", () => {
  const plant = new LivePlant("Packing shed");
  const today = Date.parse("2026-02-10T12:00:00Z");

  it("plays on from the demo's record, digit for digit", () => {
    const { production } = plant.at(today);
    const later = new LivePlant("Packing shed").at(today + 86_400_000).production;
    expect(later.values.subarray(0, production.values.length - 96)).toEqual(production.values.subarray(0, production.values.length - 96));
  });

  it("misbehaves from the moment that its switches name, and not before", () => {
    const from = "2026-01-20T00:00:00Z";
    const bad = plant.production(
      today,
      faultsOf(switchesSchema.parse({ from, gaps: true, repeats: true, clockMinutes: 60, wattHours: true }), today),
    );
    const { values } = plant.at(today).production;
    const first = bad.values.findIndex((value, i) => !(value === values[i] || (Number.isNaN(value) && Number.isNaN(values[i]))));
    expect(bad.startUtcMs + first * 15 * 60_000).toBeGreaterThanOrEqual(Date.parse(from));
    expect(bad.values.subarray(first).some((value) => Number.isNaN(value))).toBe(true);
  });
});
