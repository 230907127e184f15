import { pino } from "pino";

/** Structured log of the process, one JSON line an event. */
export const log = pino({ level: process.env.LOG_LEVEL ?? "info", base: null, timestamp: pino.stdTimeFunctions.isoTime });
