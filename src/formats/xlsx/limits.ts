/** A workbook as it lies on disk. */
export const MOST_PACKED_BYTES = 40_000_000;
/** All of its parts that are read, unpacked, counted while they are. */
export const MOST_UNPACKED_BYTES = 250_000_000;
/** Cells of all sheets: a decade of quarters of an hour in a dozen columns. */
export const MOST_CELLS = 5_000_000;
/** Columns of a sheet: a year of days side by side, and room. */
export const MOST_COLUMNS = 600;
export const MOST_ROWS = 1_048_576;
/** Elements of a part, and how deep they lie. */
export const XML_LIMITS = { mostTags: 30_000_000, mostDepth: 40 } as const;
