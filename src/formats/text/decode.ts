import { Readable } from "node:stream";
import { createGunzip } from "node:zlib";
import type { ProblemCode } from "@/contracts/problems";

/** The bytes are no text that we read; `code` says why. */
export class UnreadableText extends Error {
  override readonly name = "UnreadableText";
  constructor(
    readonly code: ProblemCode,
    options?: ErrorOptions,
  ) {
    super(`Unreadable text: ${code}`, options);
  }
}

export type Bytes = AsyncIterable<Uint8Array>;

/** Decodes a byte stream chunk by chunk: gzip is unpacked, a byte-order mark dropped; binary content or broken UTF-8 throws UnreadableText. */
export async function* decodeText(bytes: Bytes): AsyncGenerator<string> {
  const decoder = new TextDecoder("utf-8", { fatal: true });
  let first = true;
  for await (const chunk of unpacked(bytes)) {
    if (first && looksBinary(chunk)) throw new UnreadableText("binary-file");
    first = false;
    yield decoded(() => decoder.decode(chunk, { stream: true }));
  }
  yield decoded(() => decoder.decode());
}

function decoded(decode: () => string): string {
  try {
    return decode();
  } catch (cause) {
    throw new UnreadableText("not-utf8", { cause });
  }
}

/** NUL bytes or other control characters in the first block mark a binary file. */
function looksBinary(chunk: Uint8Array): boolean {
  const head = chunk.subarray(0, 4096);
  return head.some((byte) => byte < 9 || (byte > 13 && byte < 32 && byte !== 27));
}

async function* unpacked(bytes: Bytes): Bytes {
  const source = bytes[Symbol.asyncIterator]();
  const head = await firstBytes(source, GZIP_MAGIC.length);
  if (head.length === 0) return;
  const rest = resumed(head, source);
  if (!GZIP_MAGIC.every((byte, i) => head[i] === byte)) {
    yield* rest;
    return;
  }
  try {
    yield* Readable.from(rest, { objectMode: false }).pipe(createGunzip());
  } catch (cause) {
    throw new UnreadableText("broken-gzip", { cause });
  }
}

/** The first two bytes of every gzip file. Source: RFC 1952. */
const GZIP_MAGIC = [0x1f, 0x8b] as const;

/** At least the first few bytes of a stream, or all of it if it is shorter. */
async function firstBytes(source: AsyncIterator<Uint8Array>, least: number): Promise<Uint8Array> {
  let head: Uint8Array = new Uint8Array(0);
  while (head.length < least) {
    const next = await source.next();
    if (next.done) break;
    head = Buffer.concat([head, next.value]);
  }
  return head;
}

async function* resumed(head: Uint8Array, source: AsyncIterator<Uint8Array>): Bytes {
  try {
    yield head;
    for (let next = await source.next(); !next.done; next = await source.next()) yield next.value;
  } finally {
    await source.return?.();
  }
}
