import { Unzip, UnzipInflate } from "fflate";
import { UnreadableText } from "../tabular/text";
import { MOST_UNPACKED_BYTES } from "./limits";

/** Files that an archive may hold. */
const MOST_FILES = 5000;
const PIECE_BYTES = 1 << 16;

/**
 * The files of a ZIP archive that are wanted. Bytes are counted as they come out, whatever size the archive declares: unpacking stops at the limit.
 * Throws UnreadableText for what is no archive, or is beyond measure. Source: PKWARE, APPNOTE.TXT.
 */
export function unpack(packed: Uint8Array, isWanted: (name: string) => boolean): Record<string, Uint8Array> {
  const parts: Record<string, Uint8Array[]> = Object.create(null) as Record<string, Uint8Array[]>;
  let bytes = 0;
  let files = 0;
  let open = 0;
  const unzip = new Unzip((file) => {
    if (++files > MOST_FILES) throw new UnreadableText("unpacks-too-large");
    if (!isWanted(file.name)) return;
    const pieces: Uint8Array[] = [];
    parts[file.name] = pieces;
    open++;
    file.ondata = (error, piece, isLast) => {
      // A fault of ours, thrown below, comes back as the reader's.
      if (error) throw error;
      bytes += piece.length;
      if (bytes > MOST_UNPACKED_BYTES) throw new UnreadableText("unpacks-too-large");
      pieces.push(piece);
      if (isLast) open--;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < packed.length; at += PIECE_BYTES)
      unzip.push(packed.subarray(at, at + PIECE_BYTES), at + PIECE_BYTES >= packed.length);
  } catch (cause) {
    throw cause instanceof UnreadableText ? cause : new UnreadableText("broken-workbook", { cause });
  }
  if (open > 0 || files === 0) throw new UnreadableText("broken-workbook");
  return Object.fromEntries(Object.entries(parts).map(([name, pieces]) => [name, joined(pieces)]));
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}
