import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import type { ImportOptions } from "@/contracts/imports";
import type { Book } from "@/usecases/books";
import type { FileNews } from "@/usecases/imports";
import type { Standing, StandingStore } from "@/usecases/reckoning";
import { log } from "./log";
import { readerPool } from "./reader-pool";
import { reckonerPool } from "./reckoner-pool";

const folder = mkdtempSync(path.join(tmpdir(), "dusty-ledger-pools-"));
const threadFile = (name: string, source: string): string => {
  const file = path.join(folder, `${name}.mjs`);
  writeFileSync(file, source);
  return file;
};
beforeAll(() => {
  log.level = "silent";
});
afterAll(() => rmSync(folder, { recursive: true }));

/** A thread that does what the question's year names. */
const RECKONER = `
let asked = 0;
export default async function ({ book, asked: { year } }) {
  asked++;
  if (year === "hang") for (;;) {}
  if (year === "break") throw new Error("broken");
  if (year === "refuse") return { refusal: { code: "no-weather", reason: "no-weather", facts: {}, problems: [] } };
  if (year === "fill") { const all = []; for (;;) all.push(new Array(1e5).fill(all.length)); }
  if (year === "slow") await new Promise((resolve) => setTimeout(resolve, 300));
  return { answer: { answer: { book: book.slug, year, asked }, bytes: 100 } };
}`;

const book = (slug: string, id = "00000000"): Book => ({
  id: `${id}-0000-4000-8000-000000000000`,
  slug,
  version: 3,
  isDemo: false,
  site: {} as Book["site"],
});

function standingStore() {
  const kept = new Map<string, Standing>();
  const store = {
    keep: vi.fn(async (id: string, standing: Standing) => void kept.set(id, standing)),
    setAsideAt: async (id: string, version: number) => {
      const standing = kept.get(id);
      return standing?.state === "set-aside" && standing.version === version ? standing.reason : null;
    },
  };
  return { kept, store: store as unknown as StandingStore };
}

describe("the reckoner's threads", () => {
  const pool = (store: StandingStore) =>
    reckonerPool({ standings: store, file: threadFile("reckoner", RECKONER), budget: { timeMs: 2000, heapMb: 40, wholeMb: 100_000 } });
  const glance = (reckoner: ReturnType<typeof pool>, of: Book, year: string, patienceMs = 20_000) =>
    reckoner.ask(of, "glance", { year }, patienceMs);

  it("answer a question once: what is asked again, or at the same time, is given again", async () => {
    const reckoner = pool(standingStore().store);
    const [one, two] = await Promise.all([glance(reckoner, book("a"), "slow"), glance(reckoner, book("a"), "slow")]);
    expect(one).toBe(two);
    expect(await glance(reckoner, book("a"), "slow")).toBe(one);
    expect(await glance(reckoner, { ...book("a"), version: 4 }, "slow")).not.toBe(one);
    await reckoner.close();
  });

  it("give a refusal as one, and do not set the book aside for it", async () => {
    const { store, kept } = standingStore();
    const reckoner = pool(store);
    await expect(glance(reckoner, book("a"), "refuse")).rejects.toMatchObject({ code: "no-weather" });
    expect(kept.size).toBe(0);
    await reckoner.close();
  });

  it("say that it is still being reckoned when patience ends, and have it when it is asked again", async () => {
    const reckoner = pool(standingStore().store);
    await glance(reckoner, book("a"), "2023");
    await expect(glance(reckoner, book("a"), "slow", 50)).rejects.toMatchObject({ code: "reckoning" });
    expect(await glance(reckoner, book("a"), "slow")).toMatchObject({ year: "slow" });
    await reckoner.close();
  });

  it("set no book aside because the house closes", async () => {
    const { store, kept } = standingStore();
    const reckoner = pool(store);
    const asked = glance(reckoner, book("a"), "slow").catch((error: unknown) => error);
    await new Promise((resolve) => setTimeout(resolve, 150));
    await reckoner.close();
    expect(await asked).toMatchObject({ code: "reckoning" });
    expect(kept.size).toBe(0);
  });

  it.each([
    ["hang", "time"],
    ["break", "fault"],
    ["fill", "memory"],
  ])(
    "set a book aside whose sums %s, and go on with the others",
    async (year, reason) => {
      const { store, kept } = standingStore();
      const reckoner = pool(store);
      const [bad, good] = [book("bad"), book("good", "00000001")];
      const [end, other] = await Promise.allSettled([glance(reckoner, bad, year), glance(reckoner, good, "2023")]);
      expect(end).toMatchObject({ status: "rejected", reason: { code: "set-aside", reason: `set-aside-${reason}` } });
      expect(other).toMatchObject({ status: "fulfilled" });
      expect(kept.get(bad.id)).toEqual({ version: 3, state: "set-aside", reason });
      // It is not tried again by itself; its thread is there for others.
      await expect(glance(reckoner, bad, "2024")).rejects.toMatchObject({ code: "set-aside" });
      expect(await glance(reckoner, book("third", "00000002"), "2023")).toMatchObject({ book: "third" });
      await reckoner.close();
    },
    30_000,
  );
});

describe("a book that hangs with others behind it", () => {
  it("is ended in its time, however many wait, and its own next questions are not tried", async () => {
    const { store } = standingStore();
    const reckoner = reckonerPool({
      standings: store,
      file: threadFile("reckoner", RECKONER),
      budget: { timeMs: 2000, heapMb: 40, wholeMb: 100_000 },
    });
    const glance = (of: Book, year: string) => reckoner.ask(of, "glance", { year }, 20_000);
    const bad = book("bad");
    const since = Date.now();
    const ends = await Promise.allSettled([glance(bad, "hang"), ...["2021", "2022", "2023"].map((year) => glance(bad, year))]);
    expect(ends.map(({ status }) => status)).toEqual(["rejected", "rejected", "rejected", "rejected"]);
    expect(Date.now() - since).toBeLessThan(5000);
    await reckoner.close();
  }, 30_000);

  it("does not take with it a book that came later, where the whole takes too much memory", async () => {
    const { store, kept } = standingStore();
    const reckoner = reckonerPool({
      standings: store,
      file: threadFile("reckoner", RECKONER),
      budget: { timeMs: 60_000, heapMb: 40, wholeMb: 1 },
    });
    const [first, later] = [book("first"), book("later", "00000001")];
    // Both threads stand before they are asked: a machine that is busy takes longer to start one than to look.
    await Promise.all([first, later].map((own) => reckoner.ask(own, "glance", { year: "2021" }, 20_000)));
    const hangs = reckoner.ask(first, "glance", { year: "hang" }, 20_000).catch((error: unknown) => error);
    // It comes while the first is under way, and is under way when that one is ended.
    await new Promise((resolve) => setTimeout(resolve, 350));
    const [ended, came] = await Promise.all([hangs, reckoner.ask(later, "glance", { year: "slow" }, 20_000)]);
    expect(ended).toBeInstanceOf(Error);
    expect(came).toMatchObject({ book: "later" });
    expect([...kept.keys()]).toEqual([first.id]);
    await reckoner.close();
  }, 30_000);
});

/** A reader that does what the file's text names. */
const READER = `
export default async function ({ job, line }) {
  let stopped = false;
  line.on("message", () => { stopped = true; });
  line.postMessage({ rows: 0 });
  const what = job.bytes ? new TextDecoder().decode(job.bytes) : job.uploadId;
  if (what === "hang") for (;;) {}
  if (what === "break") throw new Error("broken");
  if (what.startsWith("00")) { for (let k = 0; !stopped && k < 200; k++) await new Promise((resolve) => setTimeout(resolve, 20)); line.close(); return { refusal: { code: "cancelled", reason: "reading-cancelled", facts: {}, problems: [] } }; }
  line.close();
  return { answer: { bills: [], problems: [], what } };
}`;

describe("the readers' threads", () => {
  const pool = () => readerPool({ file: threadFile("reader", READER), budget: { silentMs: 700, heapMb: 64, wholeMb: 100_000 } });
  const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

  it("read, and end one that stands still or breaks, with words; the next is read", async () => {
    const files = pool();
    expect(await files.bills(bytes("fine"))).toMatchObject({ what: "fine" });
    await expect(files.bills(bytes("hang"))).rejects.toMatchObject({ code: "file-refused", reason: "reader-time" });
    await expect(files.bills(bytes("break"))).rejects.toMatchObject({ code: "file-refused", reason: "reader-fault" });
    expect(await files.bills(bytes("again"))).toMatchObject({ what: "again" });
    await files.close();
  }, 20_000);

  it("tell what they are at, and stop when they are asked to", async () => {
    const files = pool();
    const stop = new AbortController();
    const news: FileNews[] = [];
    const reading = files.preview(
      { book: book("a"), uploadId: "00000000", options: {} as ImportOptions },
      (told) => {
        news.push(told);
        stop.abort();
      },
      stop.signal,
    );
    await expect(reading).rejects.toMatchObject({ code: "cancelled" });
    expect(news).toEqual([{ rows: 0 }]);
    await files.close();
  }, 20_000);
});
