import { createHash, randomUUID } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, readdir, readFile, rm, stat, writeFile } from "node:fs/promises";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { STAGED_FOR_MS, STAGED_LIMIT_BYTES, UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import type { Bytes } from "@/formats/tabular/text";
import type { StagedFile, Staging } from "@/usecases/imports";
import { Refusal } from "@/usecases/refusal";

const ID = /^[0-9a-f-]{36}$/;

/** Uploaded files in a folder, each beside a note of what it is; streamed to disk, never held in memory. */
export function stagingFolder(folder: string): Staging {
  const file = (id: string): string => path.join(folder, `${id}.upload`);
  const note = (id: string): string => path.join(folder, `${id}.json`);
  const drop = async (id: string): Promise<void> => {
    if (!ID.test(id)) return;
    await Promise.all([rm(file(id), { force: true }), rm(note(id), { force: true })]);
  };
  const sweep = async (olderThanMs: number): Promise<number> => {
    const waiting = await staged(folder);
    const old = waiting.filter(({ sinceMs }) => Date.now() - sinceMs > olderThanMs);
    for (const { path: file } of old) await rm(file, { force: true });
    return waiting.filter((entry) => !old.includes(entry)).reduce((sum, { bytes }) => sum + bytes, 0);
  };
  return {
    drop,
    sweep,
    async put({ bookId, fileName, announcedBytes, body }) {
      await mkdir(folder, { recursive: true });
      const waitingBytes = await sweep(STAGED_FOR_MS);
      if (waitingBytes + (announcedBytes ?? 0) > STAGED_LIMIT_BYTES)
        throw new Refusal("upload-too-large", "uploads-full", { megabytes: inMb(waitingBytes), mostMegabytes: inMb(STAGED_LIMIT_BYTES) });
      const id = randomUUID();
      try {
        const { byteCount, sha256 } = await write(body, file(id), announcedBytes);
        const staged: StagedFile = { id, bookId, fileName, byteCount, sha256 };
        await writeFile(note(id), JSON.stringify(staged));
        return staged;
      } catch (error) {
        await drop(id);
        throw error;
      }
    },
    async find(id) {
      if (!ID.test(id)) return null;
      const text = await readFile(note(id), "utf8").catch(() => null);
      return text === null ? null : (JSON.parse(text) as StagedFile);
    },
    open: (id) => createReadStream(file(id)),
  };
}

const inMb = (bytes: number): number => Math.round(bytes / 1e6);

/** Files of a folder, with their sizes and when they were written last. */
async function staged(folder: string): Promise<{ path: string; bytes: number; sinceMs: number }[]> {
  const names = await readdir(folder).catch(() => []);
  const found = await Promise.all(
    names.map(async (name) => {
      const file = path.join(folder, name);
      const told = await stat(file).catch(() => null);
      return told?.isFile() ? [{ path: file, bytes: told.size, sinceMs: told.mtimeMs }] : [];
    }),
  );
  return found.flat();
}

async function write(body: Bytes, to: string, announcedBytes: number | null): Promise<{ byteCount: number; sha256: string }> {
  const hash = createHash("sha256");
  let byteCount = 0;
  const cutShort = (announced: number): Refusal =>
    new Refusal("upload-cut-short", "upload-cut-short", { byteCount, announcedBytes: announced });
  async function* counted(): Bytes {
    try {
      for await (const chunk of body) {
        byteCount += chunk.length;
        if (byteCount > UPLOAD_LIMIT_BYTES) throw tooLarge(byteCount);
        hash.update(chunk);
        yield chunk;
      }
    } catch (error) {
      // Whoever sent it has gone: no fault of disk or database.
      const isGone = (error as { code?: string }).code === "ECONNRESET";
      throw isGone && announcedBytes !== null ? cutShort(announcedBytes) : error;
    }
  }
  if (announcedBytes !== null && announcedBytes > UPLOAD_LIMIT_BYTES) throw tooLarge(announcedBytes);
  await pipeline(Readable.from(counted(), { objectMode: false }), createWriteStream(to));
  if (announcedBytes !== null && announcedBytes !== byteCount) {
    throw cutShort(announcedBytes);
  }
  return { byteCount, sha256: hash.digest("hex") };
}

const tooLarge = (bytes: number): Refusal =>
  new Refusal("upload-too-large", "upload-too-large", {
    megabytes: inMb(bytes),
    mostMegabytes: inMb(UPLOAD_LIMIT_BYTES),
  });
