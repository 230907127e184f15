/** What one sum may take. A record of thirty years of five-minute readings takes a tenth of the time. */
export const BUDGET = { timeMs: 60_000, heapMb: 768, wholeMb: 3072 };

/** What one file may take: a reader that has shown no row for this long, or takes more memory, is ended. */
export const FILE_BUDGET = { silentMs: 60_000, heapMb: 512, wholeMb: 3072 };

/** Short-lived values of a thread: little room for them keeps its memory flat, and costs a few per cent of its time. */
export const YOUNG_MB = 24;
