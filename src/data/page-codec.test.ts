import { describe, expect, it } from "vitest";
import { COPY_HEADER, COPY_TRAILER, type CopiedPage, copiedPages, packPage } from "./page-codec";

/** A row as PostgreSQL sends it: three fields, each with its size. */
function row(batchId: number, day2000: number, page: Float64Array): Buffer {
  const packed = packPage(page);
  const head = Buffer.alloc(22);
  head.writeInt16BE(3, 0);
  head.writeInt32BE(4, 2);
  head.writeInt32BE(batchId, 6);
  head.writeInt32BE(4, 10);
  head.writeInt32BE(day2000, 14);
  head.writeInt32BE(packed.length, 18);
  return Buffer.concat([head, packed]);
}

async function* inPieces(whole: Buffer, size: number): AsyncGenerator<Buffer> {
  for (let at = 0; at < whole.length; at += size) yield whole.subarray(at, at + size);
}

const copied = Buffer.concat([
  COPY_HEADER,
  row(3, 10, Float64Array.of(1, 2.5, Number.NaN)),
  row(1, 11, Float64Array.of(-4, 0, 7)),
  COPY_TRAILER,
]);
const DAY_2000 = 10_957;

async function pagesIn(pieces: AsyncIterable<Buffer>): Promise<{ batchId: number; utcDay: number; values: number[] }[]> {
  const pages: { batchId: number; utcDay: number; values: number[] }[] = [];
  for await (const { batchId, utcDay, packed } of copiedPages(pieces) as AsyncIterable<CopiedPage>)
    pages.push({ batchId, utcDay, values: [...new Float64Array(Uint8Array.from(packed).buffer)] });
  return pages;
}

describe("pages of a binary copy", () => {
  const whole = [
    { batchId: 3, utcDay: DAY_2000 + 10, values: [1, 2.5, Number.NaN] },
    { batchId: 1, utcDay: DAY_2000 + 11, values: [-4, 0, 7] },
  ];

  it.each([1, 7, 19, 20, 64, 1000])("are the same in pieces of %i bytes", async (size) => {
    expect(await pagesIn(inPieces(copied, size))).toEqual(whole);
  });

  it("of a copy without a row are none", async () => {
    expect(await pagesIn(inPieces(Buffer.concat([COPY_HEADER, COPY_TRAILER]), 8))).toEqual([]);
  });

  it("that end in the middle give what was whole", async () => {
    expect(await pagesIn(inPieces(copied.subarray(0, copied.length - 10), 16))).toEqual(whole.slice(0, 1));
  });
});
