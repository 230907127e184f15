import type { bodyNames } from "@/wording/limits";
import { MOST_EVIDENCE_BYTES } from "./evidence";
import { MOST_PHOTO_BYTES } from "./field-book";
import { UPLOAD_LIMIT_BYTES } from "./uploads";

const MB = 1024 * 1024;

/** Bytes of a body that a route takes, read from its announced length before any of it is read. First match stands. */
export const BODY_LIMITS: readonly {
  readonly route: RegExp;
  readonly body: keyof typeof bodyNames;
  readonly mostBytes: number;
  readonly mayStream: boolean;
}[] = [
  { route: /^\/api\/books\/[^/]+\/uploads$/, body: "upload", mostBytes: UPLOAD_LIMIT_BYTES, mayStream: true },
  {
    route: /^\/api\/books\/[^/]+\/entries$/,
    body: "entry",
    mostBytes: MOST_PHOTO_BYTES + 64 * 1024,
    mayStream: false,
  },
  { route: /^\/api\/books\/[^/]+\/bills(\/read)?$/, body: "bills", mostBytes: 5 * MB, mayStream: false },
  { route: /^\/api\/evidence$/, body: "evidence", mostBytes: MOST_EVIDENCE_BYTES, mayStream: false },
  { route: /^\/api\/books$/, body: "site", mostBytes: 2 * MB, mayStream: false },
  { route: /^\/api\/books\/[^/]+$/, body: "site", mostBytes: 2 * MB, mayStream: false },
  { route: /^\//, body: "other", mostBytes: MB, mayStream: false },
];

/** Letters of an address, with its question. */
export const MOST_ADDRESS_CHARS = 4000;
/** A request that sends nothing for this long is closed, and one that is small must have arrived by then. Seconds. */
export const PATIENCE_S = 10;
/** A body comes at least at this pace; what is slower holds a place for nothing. */
export const LEAST_BYTES_S = 1000;
/** Requests of one kind that are worked on at a time; others wait their turn. */
export const AT_WORK = { page: 2, api: 6, transfer: 4 } as const;
/** A request that has waited this long for its turn is sent away with Retry-After. Seconds. */
export const MOST_WAIT_S = 6;
/** Requests of one address that may wait for their turn. */
export const MOST_WAITING = 1500;
/** What one that is sent away is asked to wait. Seconds. */
export const RETRY_AFTER_S = 3;
