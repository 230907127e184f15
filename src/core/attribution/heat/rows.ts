import { medianAmong, medianOf } from "../../statistics";
import type { Standstill } from "../outage/standstill";
import type { AttributionFrame } from "../record/frame";
import { COOL_C, FREE_LOAD, LEAST_HOURS, LEAST_LOAD, LEVEL_DAYS, MOST_FREE_LOAD, SUN_K } from "./thresholds";

/** How the most that the inverters give falls with the air at their intake. */
export interface HeatLaw {
  readonly fromC: number;
  readonly perKFrac: number;
}

/** One hour that could be held: what it owes under the day's own level, what it gave, and how warm its air was. */
export interface Row {
  readonly step: number;
  readonly day: number;
  readonly owedKwh: number;
  readonly topKwh: number;
  /** The ceiling of cool air. */
  readonly fullKwh: number;
  readonly meteredKwh: number;
  readonly airC: number;
  readonly intakeC: number;
}

export const capOf = ({ fromC, perKFrac }: HeatLaw, intakeC: number, ceilingKwh: number): number =>
  ceilingKwh * Math.max(0, 1 - perKFrac * Math.max(0, intakeC - fromC));

export const intakeOf = ({ airTempC, ghiWm2 }: AttributionFrame["weather"], i: number): number =>
  airTempC[i]! + (SUN_K * (ghiWm2?.[i] ?? 0)) / 1000;

/** The most that a step gives with no heat: the ceiling, where it moved the new one. */
export function topOf({ curtailed }: Pick<Standstill, "curtailed">, { axis }: AttributionFrame, ceilingKwh: number): (i: number) => number {
  const moved = curtailed.spells.find(({ isMoved }) => isMoved);
  return (i) => (moved && i >= moved.from ? (moved.powerKw * axis.stepMinutes) / 60 : ceilingKwh);
}

export function rowsOf(frame: AttributionFrame, found: Standstill, level: Float64Array, ceilingKwh: number): Row[] {
  const { axis, days, openKwh, meteredKwh, read, lit, weather } = frame;
  const topAt = topOf(found, frame, ceilingKwh);
  const isHeld = (i: number): boolean => found.spoilt[i] === 1 && topAt(i) === ceilingKwh;
  const rows: Row[] = [];
  for (let i = 0; i < axis.count; i++) {
    const [day, intakeC] = [days.binOf[i]!, intakeOf(weather, i)];
    const owedKwh = openKwh[i]! * level[day]!;
    if (read[i] === 0 || lit[i] === 0 || isHeld(i) || !(owedKwh > LEAST_LOAD * ceilingKwh) || Number.isNaN(intakeC)) continue;
    rows.push({
      step: i,
      day,
      owedKwh,
      topKwh: topAt(i),
      fullKwh: ceilingKwh,
      meteredKwh: meteredKwh[i]!,
      airC: weather.airTempC[i]!,
      intakeC,
    });
  }
  return rows;
}

/** What each day gives of what it owes in hours that nothing holds, brought to bright hours by how both part on cool days. */
export function levelByDay(
  { days, openKwh, meteredKwh, read, lit, weather, axis }: AttributionFrame,
  spoilt: Uint8Array,
  ceilingKwh: number,
): Float64Array {
  const ratios: number[] = [];
  // Ratios of a day begin here: days follow on each other, so that a stretch of days is one piece.
  const firstOf = new Int32Array(days.keys.length + 1);
  const tells = (i: number): boolean => read[i] === 1 && lit[i] === 1 && spoilt[i] === 0;
  for (let i = 0; i < axis.count; i++) {
    const load = openKwh[i]! / ceilingKwh;
    if (tells(i) && load > FREE_LOAD.from && load < FREE_LOAD.to) ratios.push(meteredKwh[i]! / openKwh[i]!);
    firstOf[days.binOf[i]! + 1] = ratios.length;
  }
  const level = Float64Array.from(days.keys, (_, day) => {
    const [from, to] = [firstOf[Math.max(0, day - LEVEL_DAYS)]!, firstOf[Math.min(days.keys.length, day + LEVEL_DAYS + 1)]!];
    return to - from < LEAST_HOURS ? Number.NaN : medianAmong(ratios, from, to);
  });
  const bright: number[] = [];
  for (let i = 0; i < axis.count; i++) {
    const load = openKwh[i]! / ceilingKwh;
    if (!tells(i) || !(load > LEAST_LOAD && load < MOST_FREE_LOAD) || !(weather.airTempC[i]! < COOL_C)) continue;
    const ratio = meteredKwh[i]! / openKwh[i]! / level[days.binOf[i]!]!;
    if (!Number.isNaN(ratio)) bright.push(ratio);
  }
  const lift = bright.length < LEAST_HOURS ? 1 : medianOf(bright);
  return level.map((own) => own * lift);
}
