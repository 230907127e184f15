/** Largest file taken at a time: some forty years of one-minute data, or ten million rows. */
export const UPLOAD_LIMIT_BYTES = 500_000_000;
