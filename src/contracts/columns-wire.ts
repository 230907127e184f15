/** Columns of doubles with a JSON head: a little-endian 32-bit length, the head padded to 8 with spaces, then the columns one after another. */
export function packColumns(head: unknown, columns: readonly Float64Array[]): Uint8Array<ArrayBuffer> {
  const plain = new TextEncoder().encode(JSON.stringify({ head, counts: columns.map((column) => column.length) }));
  const headBytes = Math.ceil((4 + plain.length) / 8) * 8;
  const values = columns.reduce((sum, column) => sum + column.length, 0);
  const bytes = new Uint8Array(headBytes + values * 8).fill(0x20, 0, headBytes);
  new DataView(bytes.buffer).setUint32(0, headBytes - 4, true);
  bytes.set(plain, 4);
  let at = headBytes;
  for (const column of columns) {
    new Float64Array(bytes.buffer, at, column.length).set(column);
    at += column.length * 8;
  }
  return bytes;
}

/** Head and columns of packed bytes; the columns are views of them. */
export function unpackColumns(bytes: ArrayBuffer): { head: unknown; columns: Float64Array[] } {
  const headBytes = new DataView(bytes).getUint32(0, true);
  const { head, counts } = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes, 4, headBytes))) as { head: unknown; counts: number[] };
  let at = 4 + headBytes;
  const columns = counts.map((count) => {
    const column = new Float64Array(bytes, at, count);
    at += count * 8;
    return column;
  });
  return { head, columns };
}
