import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { afterEach, describe, expect, it } from "vitest";
import { STAGED_FOR_MS } from "@/contracts/uploads";
import { stagingFolder } from "./staging";

const folder = mkdtempSync(path.join(tmpdir(), "dusty-ledger-staging-"));
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const put = (staging: ReturnType<typeof stagingFolder>, text: string, announcedBytes: number | null = null) =>
  staging.put({ bookId: "b", fileName: "a.csv", announcedBytes, body: Readable.from([Buffer.from(text)]) });

describe("uploads that wait", () => {
  it("are dropped after a day, with their notes, when the next one comes", async () => {
    const staging = stagingFolder(folder);
    const old = await put(staging, "old");
    const longAgo = new Date(Date.now() - STAGED_FOR_MS - 1000);
    for (const name of readdirSync(folder)) utimesSync(path.join(folder, name), longAgo, longAgo);
    const fresh = await put(staging, "fresh");
    expect([await staging.find(old.id), (await staging.find(fresh.id))?.byteCount]).toEqual([null, 5]);
    expect(readdirSync(folder).sort()).toEqual([`${fresh.id}.json`, `${fresh.id}.upload`].sort());
  });

  it("that were cut short, or longer than they said, leave nothing", async () => {
    const staging = stagingFolder(folder);
    await expect(put(staging, "short", 900)).rejects.toMatchObject({ reason: "upload-cut-short" });
    await expect(staging.put({ bookId: "b", fileName: "a", announcedBytes: null, body: Readable.from(broken()) })).rejects.toThrow(
      "line cut",
    );
    const gone = Object.assign(new Error("aborted"), { code: "ECONNRESET" });
    const leaves = staging.put({ bookId: "b", fileName: "a", announcedBytes: 900, body: Readable.from(broken(gone)) });
    await expect(leaves).rejects.toMatchObject({ reason: "upload-cut-short", facts: { byteCount: 4, announcedBytes: 900 } });
    expect(readdirSync(folder)).toEqual([]);
  });

  it("are refused when all that wait would hold too much", async () => {
    const staging = stagingFolder(folder);
    await put(staging, "first");
    await expect(put(staging, "second", 5_000_000_000)).rejects.toMatchObject({ reason: "uploads-full" });
  });

  it("count what stands beside them in the folder", async () => {
    const staging = stagingFolder(folder);
    await put(staging, "12345");
    writeFileSync(path.join(folder, "stray"), "123");
    expect(await staging.sweep(STAGED_FOR_MS)).toBeGreaterThanOrEqual(8);
  });
});

async function* broken(by = new Error("line cut")): AsyncGenerator<Buffer> {
  yield Buffer.from("half");
  throw by;
}
