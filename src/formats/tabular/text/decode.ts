import { Readable } from "node:stream";
import { createGunzip } from "node:zlib";
import type { ProblemCode } from "@/contracts/problems";

/** The bytes are no text that we read; `code` says why, `facts` what its words need. */
export class UnreadableText extends Error {
  override readonly name = "UnreadableText";
  readonly facts: Record<string, string | number>;
  constructor(
    readonly code: ProblemCode,
    { facts = {}, ...options }: ErrorOptions & { facts?: Record<string, string | number> } = {},
  ) {
    super(`Unreadable text: ${code}`, options);
    this.facts = facts;
  }
}

export type Bytes = AsyncIterable<Uint8Array>;

/** How the letters of a text file were written. */
export type Encoding = "utf-8" | "utf-16le" | "utf-16be" | "windows-1252";

/** What was learnt of a file's bytes while they were decoded. */
export interface TextNotes {
  encoding: Encoding;
}

/** "%PDF-", with which such a file begins. */
const PDF = [0x25, 0x50, 0x44, 0x46, 0x2d];

/** Enough to tell an encoding by. */
const TELLING_BYTES = 4096;

/**
 * Decodes a byte stream chunk by chunk: gzip is unpacked, a byte-order mark dropped. UTF-16 is told by its mark or its zero bytes, other text than
 * UTF-8 is taken as Windows-1252 where its first block says so. Binary content, zero bytes, letters that change their encoding half way, and
 * packed files that unpack beyond all measure throw UnreadableText.
 */
export async function* decodeText(bytes: Bytes, notes: TextNotes = { encoding: "utf-8" }): AsyncGenerator<string> {
  let decoder: TextDecoder | null = null;
  for await (const chunk of unpacked(bytes)) {
    if (!decoder) {
      notes.encoding = encodingOf(chunk);
      if (PDF.every((byte, k) => chunk[k] === byte)) throw new UnreadableText("pdf-file");
      if (!notes.encoding.startsWith("utf-16") && looksBinary(chunk)) throw new UnreadableText("binary-file");
      decoder = new TextDecoder(notes.encoding, { fatal: true });
    } else if (notes.encoding === "utf-8" && chunk.includes(0)) throw new UnreadableText("zero-bytes");
    const held = decoder;
    yield decoded(() => held.decode(chunk, { stream: true }));
  }
  if (decoder) yield decoded(() => decoder.decode());
}

function encodingOf(chunk: Uint8Array): Encoding {
  if (chunk[0] === 0xff && chunk[1] === 0xfe) return "utf-16le";
  if (chunk[0] === 0xfe && chunk[1] === 0xff) return "utf-16be";
  const head = chunk.subarray(0, TELLING_BYTES);
  const zeros = [0, 1].map((odd) => head.filter((byte, i) => byte === 0 && i % 2 === odd).length);
  if (zeros[1]! > head.length * 0.4 && zeros[0] === 0) return "utf-16le";
  if (zeros[0]! > head.length * 0.4 && zeros[1] === 0) return "utf-16be";
  return isUtf8(chunk) ? "utf-8" : "windows-1252";
}

/** Whether a block is UTF-8, but for a letter that its end may cut. */
function isUtf8(chunk: Uint8Array): boolean {
  try {
    new TextDecoder("utf-8", { fatal: true }).decode(chunk, { stream: true });
    return true;
  } catch {
    return false;
  }
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
  const head = chunk.subarray(0, TELLING_BYTES);
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
  let size = 0;
  try {
    for await (const chunk of Readable.from(rest, { objectMode: false }).pipe(createGunzip())) {
      size += (chunk as Uint8Array).length;
      if (size > UNPACKED_LIMIT_BYTES) throw new UnreadableText("unpacks-too-large");
      yield chunk as Uint8Array;
    }
  } catch (cause) {
    throw cause instanceof UnreadableText ? cause : new UnreadableText("broken-gzip", { cause });
  }
}

/** Twenty years of minutes are half of this; what unpacks to more is no table of readings. */
const UNPACKED_LIMIT_BYTES = 1_000_000_000;

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
