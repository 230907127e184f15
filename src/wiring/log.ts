import { pino } from "pino";

/** Structured log of the process, one JSON line an event. */
export const log = pino({
  level: process.env.LOG_LEVEL ?? "info",
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
  // Of a fault its kind, message and place; whatever else hangs on it may be people's data.
  serializers: { err: (error: Error) => ({ type: error.name, message: error.message, stack: error.stack }) },
});
