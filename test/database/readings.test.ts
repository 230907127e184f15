import { spawn } from "node:child_process";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { type Feed, feedSettingsSchema } from "@/contracts/feeds";
import { type ImportEvent, type ImportOptions, importOptionsSchema } from "@/contracts/imports";
import { type Book, createBook } from "@/usecases/books";
import { addFeed, pullFeed } from "@/usecases/feeds";
import { previewImport, runImport } from "@/usecases/imports";
import { decide } from "@/usecases/quality";
import type { Services } from "@/wiring";
import { ensurePrograms, program } from "../../scripts/lib/bundle.mjs";
import { siteInput } from "../site-builder";
import { emptyShelf, freshServices } from "./services";

let services: Services;
let book: Book;

beforeAll(async () => {
  await ensurePrograms();
  services = await freshServices();
});
beforeEach(async () => {
  await emptyShelf(services);
  book = await createBook(services.books, siteInput());
});
afterAll(() => services.close());

const fresh = async (): Promise<Book> => (await services.books.bySlug(book.slug))!;
const options = (parts: Partial<ImportOptions> = {}): ImportOptions => importOptionsSchema.parse(parts);

async function stage(text: string, fileName = "hand.csv"): Promise<string> {
  async function* body() {
    yield new TextEncoder().encode(text);
  }
  return (await services.staging.put({ bookId: book.id, fileName, announcedBytes: null, body: body() })).id;
}

async function bring(text: string, parts: Partial<ImportOptions> = {}): Promise<ImportEvent> {
  const events: ImportEvent[] = [];
  for await (const event of runImport(services, await fresh(), await stage(text), options(parts), new AbortController().signal))
    events.push(event);
  return events.at(-1)!;
}

const two = (n: number): string => String(n).padStart(2, "0");
/** Sixty clear days by the hour, at a plant of 8 kWp; a stretch of them may be spoilt. */
const hours = (spoil: (day: number, kwh: number) => number = (_day, kwh) => kwh): string =>
  Array.from({ length: 60 * 24 }, (_, i) => {
    const at = new Date(Date.UTC(2024, 4, 1) + i * 3_600_000);
    const kwh = Math.max(0, Math.sin(((at.getUTCHours() - 5) / 14) * Math.PI)) * 5;
    return `${at.toISOString().slice(0, 16)}Z,${spoil(Math.floor(i / 24), kwh).toFixed(4)}`;
  }).join("\n");

describe("hand-read figures", () => {
  it("are kept as spans and counters, undone with their batch, and a repeated file changes nothing", async () => {
    const event = await bring("read on;counter kWh\n2024-05-03 18:30;10482\n2024-05-17 07:10;10611\n");
    expect(event).toMatchObject({ kind: "done", batch: { valueCount: 2, stepMinutes: null } });
    expect((await services.readings.sparseOf(book.id)).counters.map(({ kwh }) => kwh)).toEqual([10_482, 10_611]);
    expect(await bring("read on;counter kWh\n2024-05-03 18:30;10482\n")).toEqual({ kind: "nothing-new" });
    const [batch] = await services.imports.batchesOf(book.id);
    await services.imports.setUndone(book.id, batch!.id, true);
    expect((await services.readings.sparseOf(book.id)).counters).toEqual([]);
  });

  it("split a month in the ledger by the expected shape, and say so", async () => {
    await bring(`time,ghi_w_m2\n${hours((_day, kwh) => kwh * 150)}`);
    await bring("from month;energy kWh\n2024-05;900\n2024-06;950\n");
    const { report } = await services.ledgerOf(await fresh());
    const may = report.months.find(({ key }) => key === "2024-05")!;
    expect([may.meteredKwh! > 880, Math.abs(may.splitKwh - may.meteredKwh!) < 1e-6]).toEqual([true, true]);
  });
});

describe("a foreign table's reading", () => {
  const text = (from: number): string =>
    ["when;it", ...Array.from({ length: 48 }, (_, i) => `${two(from + Math.floor(i / 24))}.06.2023 ${two(i % 24)}:00;${i % 24}`)].join(
      "\n",
    );

  it("is remembered by its header once it was confirmed, and used again with a notice", async () => {
    const answered = { answers: { quantity: "energy_wh" }, zone: "Europe/Madrid" };
    const first = await previewImport(services, book, await stage(text(13)), options());
    expect(first.problems.map(({ code }) => code)).toContain("mapping-unsure");
    await bring(text(13), answered);
    const again = await previewImport(services, await fresh(), await stage(text(20)), options());
    expect(again.problems.map(({ code }) => code)).toEqual(expect.arrayContaining(["mapping-remembered"]));
    expect(again.problems.filter(({ severity }) => severity === "error")).toEqual([]);
    expect(again).toMatchObject({ options: { zone: "Europe/Madrid" }, proposal: { mapping: { values: [{ factor: 0.001 }] } } });
  });
});

describe("a decision on a finding", () => {
  const wattHours = (): string => `time,energy_kwh\n${hours((day, kwh) => (day >= 20 && day < 27 ? kwh * 1000 : kwh))}`;

  it("makes the ledger count the clean series, leaves the raw one, and can be taken back", async () => {
    await bring(`time,ghi_w_m2\n${hours((_day, kwh) => kwh * 150)}`);
    await bring(wattHours());
    const before = (await services.ledgerOf(await fresh())).report.all;
    const examination = await services.examinationOf(await fresh());
    const finding = examination.findings.find(({ kind }) => kind === "unit-factor")!;
    expect(finding.remedy).toMatchObject({ op: "scale" });
    await decide(services.decisions, await fresh(), examination, {
      decisions: [{ findingKey: finding.key, state: "accepted", was: null, remedy: null, note: "" }],
    });
    const after = (await services.ledgerOf(await fresh())).report.all;
    expect(after.readFrac).toBeGreaterThan(before.readFrac + 0.08);
    const raw = (await services.readings.seriesOf(book.id, "production"))[0]!.values;
    expect(Math.max(...raw.filter((value) => !Number.isNaN(value)))).toBeGreaterThan(1000);
    const told = await services.examinationOf(await fresh());
    expect(told.findings.find(({ key }) => key === finding.key)!.decision?.state).toBe("accepted");
    expect(Math.max(...told.series[0]!.cleanKwh.map((kwh) => kwh ?? 0))).toBeLessThan(100);
    const takeBack = { findingKey: finding.key, state: null, remedy: null, note: "" };
    // One that looked before the decision was made is told of it.
    await expect(decide(services.decisions, await fresh(), told, { decisions: [{ ...takeBack, was: null }] })).rejects.toMatchObject({
      code: "book-changed",
      reason: "decision-changed",
    });
    await decide(services.decisions, await fresh(), told, { decisions: [{ ...takeBack, was: "accepted" }] });
    expect((await services.ledgerOf(await fresh())).report.all.meteredKwh).toBeCloseTo(before.meteredKwh!, 6);
  });

  it("about a finding that is not there is refused, and none of the others is kept", async () => {
    await bring(wattHours());
    const examination = await services.examinationOf(await fresh());
    const known = examination.findings.find(({ remedy }) => remedy)!.key;
    const decisions = [known, "nowhere/gap/0"].map((findingKey) => ({
      findingKey,
      state: "refused" as const,
      was: null,
      remedy: null,
      note: "",
    }));
    await expect(decide(services.decisions, book, examination, { decisions })).rejects.toMatchObject({ code: "finding-not-found" });
    expect(await services.decisions.of(book.id)).toEqual([]);
  });
});

const rowAt = (utcMs: number): string => `${new Date(utcMs).toISOString().slice(0, 19)}Z,${((utcMs / 900_000) % 7) / 10}`;

/** A source of readings that counts how often it is asked, and may hold an answer back. */
async function source(): Promise<{ server: Server; host: string; asked: () => number; hold: (ms: number) => void }> {
  let [asked, held] = [0, 0];
  const server = createServer((request, response) => {
    asked++;
    const since = Date.parse(new URL(request.url!, "http://x").searchParams.get("since") ?? "2024-05-01T00:00Z");
    const rows = Array.from({ length: 96 }, (_, k) => rowAt(since + (k + 1) * 900_000));
    setTimeout(() => response.end(`time,energy_kwh\n${rows.join("\n")}\n`), held);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    server,
    host: `127.0.0.1:${(server.address() as AddressInfo).port}`,
    asked: () => asked,
    hold: (ms) => {
      held = ms;
    },
  };
}

describe("a feed", () => {
  const settings = (host: string) =>
    feedSettingsSchema.parse({
      name: "logger",
      kind: "production",
      url: `http://${host}/x.csv`,
      format: "csv",
      enabled: true,
      everyMinutes: 60,
    });
  const stored = async (): Promise<Feed> => (await services.feeds.of(book.id))[0]!;
  const values = async (): Promise<number> =>
    (await services.readings.seriesOf(book.id, "production")).reduce(
      (sum, { values: own }) => sum + own.filter((value) => !Number.isNaN(value)).length,
      0,
    );

  it("lays what comes over one batch a month; the same readings twice are counted once", async () => {
    const { server, host } = await source();
    const feed = await addFeed({ ...services, feedHosts: [host] }, book, settings(host));
    const { httpFetcher } = await import("@/data");
    const ports = { ...services, fetcher: httpFetcher([host]) };
    for (let k = 0; k < 3; k++) await pullFeed(ports, feed.id);
    expect([await values(), (await stored()).valueCount]).toEqual([288, 288]);
    await services.sequelize.query("update feeds set cursor_utc = '2024-05-01T06:00Z'");
    await pullFeed(ports, feed.id);
    expect([await values(), (await stored()).valueCount]).toEqual([288 + 0, 288]);
    expect(await services.imports.batchesOf(book.id)).toHaveLength(1);
    server.close();
  });

  it("whose host is off the list is not fetched, and the fault is kept with a pause", async () => {
    const { server, host, asked } = await source();
    const feed = await addFeed({ ...services, feedHosts: [host] }, book, settings(host));
    await pullFeed(services, feed.id);
    expect(asked()).toBe(0);
    expect(await stored()).toMatchObject({
      failures: 1,
      lastFault: { code: "host-not-allowed", facts: { url: expect.stringContaining(host) as string } },
    });
    server.close();
  });

  it("is taken up again when its worker is killed in the middle of a pull, and nothing is counted twice", async () => {
    const { server, host, asked, hold } = await source();
    await addFeed({ ...services, feedHosts: [host] }, book, settings(host));
    const env = { ...process.env, DUSTY_LEDGER_FEED_HOSTS: host, LOG_LEVEL: "error" };
    const worker = () => spawn(process.execPath, [program("worker")], { env, stdio: "ignore" });
    hold(60_000);
    const first = worker();
    for (let tries = 0; asked() === 0 && tries < 300; tries++) await wait(100);
    expect(asked()).toBe(1);
    first.kill("SIGKILL");
    hold(0);
    const second = worker();
    for (let tries = 0; (await stored()).valueCount === 0 && tries < 1000; tries++) await wait(100);
    // It goes on pulling: what it counted and what stands are looked at once it has ended.
    second.kill("SIGTERM");
    await new Promise((resolve) => second.once("exit", resolve));
    expect((await stored()).valueCount).toBe(await values());
    expect(await values()).toBeGreaterThanOrEqual(96);
    expect(asked()).toBeGreaterThanOrEqual(2);
    server.closeAllConnections();
    server.close();
  }, 120_000);
});
