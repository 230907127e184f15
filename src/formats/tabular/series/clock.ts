import type { ProblemLog } from "@/contracts/problems";
import { readWallClock, type ZoneOffset, zoneOffset } from "@/core/time";
import { MINUTE_MS } from "@/core/units";
import type { WrittenTime } from "./timestamp";

const FIXED = /^UTC([+-])(\d{2}):(\d{2})$/;

/** A clock's zone: an IANA name, or a fixed offset written "UTC+01:00" for clocks that never keep summer time. */
export function clockOffset(zone: string): ZoneOffset {
  const fixed = FIXED.exec(zone);
  if (!fixed) return zoneOffset(zone);
  const minutes = (fixed[1] === "-" ? -1 : 1) * (Number(fixed[2]) * 60 + Number(fixed[3]));
  return () => minutes * MINUTE_MS;
}

/** Turns written times into UTC, row after row; in a doubled hour the pass is told by the order of the rows. */
export class FileClock {
  private last = Number.NEGATIVE_INFINITY;
  private readonly offset: ZoneOffset | null;

  constructor(
    private readonly zone: string | null,
    private readonly log: ProblemLog,
  ) {
    this.offset = zone === null ? null : clockOffset(zone);
  }

  /** UTC of a written time; null when it has no offset and no zone was chosen. */
  utcMs(time: WrittenTime, row: number): number | null {
    const utcMs = time.offsetMinutes === null ? this.byZone(time.wallMs, row) : time.wallMs - time.offsetMinutes * MINUTE_MS;
    if (utcMs === null) return null;
    if (utcMs < this.last) this.log.add("out-of-order", "notice", { row });
    this.last = utcMs;
    return utcMs;
  }

  private byZone(wallMs: number, row: number): number | null {
    if (!this.offset) return null;
    const reading = readWallClock(wallMs, this.offset);
    if (reading.kind === "once") return reading.utcMs;
    const facts = { zone: this.zone ?? "" };
    if (reading.kind === "never") {
      this.log.add("clock-skipped", "notice", { row }, facts);
      return reading.utcMs;
    }
    this.log.add("clock-doubled", "notice", { row }, facts);
    return reading.firstUtcMs > this.last ? reading.firstUtcMs : reading.secondUtcMs;
  }
}
