import { Refusal } from "./refusal";

/** Codes of the system and of PostgreSQL for a disk without room. */
const NO_ROOM = new Set(["ENOSPC", "EDQUOT", "53100"]);
/** Codes of the system for files that may not be written, or a disk that can't be any more. */
const CLOSED = new Set(["EACCES", "EPERM", "EROFS", "EIO"]);
/** Another change of the same thing was not done in time. */
const BUSY = "55P03";
/** Codes of a database that is away, starting, ending, or has no connection to give. Source: PostgreSQL, Appendix A, class 08 and 57P. */
const AWAY = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "57P01",
  "57P02",
  "57P03",
  "53300",
  "25P03",
  "08000",
  "08003",
  "08006",
  "08001",
]);
const AWAY_NAMES = /^Sequelize(Connection\w*|HostNotReachable)Error$|^ConnectionLost$/;
const AWAY_WORDS = /Connection terminated|connection was closed|Client has encountered a connection error/i;

/** What a fault of disk or database means for whoever asked; null for any other fault. */
export function storageRefusal(error: unknown): Refusal | null {
  for (let at = error; at instanceof Error; at = (at as { parent?: unknown }).parent ?? at.cause) {
    const { code, name, message } = at as Error & { code?: string };
    if (code !== undefined && NO_ROOM.has(code)) return new Refusal("out-of-room", "disk-full");
    if (code !== undefined && CLOSED.has(code)) return new Refusal("away", "folder-closed");
    if (code === BUSY) return new Refusal("away", "change-waits");
    if ((code !== undefined && AWAY.has(code)) || AWAY_NAMES.test(name) || AWAY_WORDS.test(message))
      return new Refusal("away", "database-away");
  }
  return null;
}
