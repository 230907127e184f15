export { type Bytes, decodeText, type Encoding, type TextNotes, UnreadableText } from "./decode";
export { peek } from "./peek";
export { type Dialect, type RecordBlock, records, sniffDialect } from "./records";
