/** What one sum may take. A record of thirty years of five-minute readings takes a tenth of the time. */
export const BUDGET = { timeMs: 60_000, heapMb: 1024, wholeMb: 3072 };

/** What one file may take: a reader that has shown no row for this long, or takes more memory, is ended. */
export const FILE_BUDGET = { silentMs: 60_000, heapMb: 1536, wholeMb: 3072 };
