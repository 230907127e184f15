export { type Bytes, decodeText, UnreadableText } from "./decode";
export { peek } from "./peek";
export { type Dialect, type RecordBlock, records, sniffDialect } from "./records";
