import { DAY_MS } from "@/core/units";

/** Largest file taken at a time: some forty years of one-minute data, or ten million rows. */
export const UPLOAD_LIMIT_BYTES = 500_000_000;
/** Uploaded files wait this long to be put in. */
export const STAGED_FOR_MS = DAY_MS;
/** Bytes of all files that wait. */
export const STAGED_LIMIT_BYTES = 5_000_000_000;
