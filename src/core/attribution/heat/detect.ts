import { medianOf } from "../../statistics";
import type { Standstill } from "../outage/standstill";
import type { AttributionFrame } from "../record/frame";
import {
  COOL_C,
  FREE_LOAD,
  FROM_C,
  LEAST_HOURS,
  LEAST_LOAD,
  LEAST_SOONER_K,
  LEAST_SPAN_DAYS,
  LEVEL_DAYS,
  MOST_LEFT_SHARE,
  PER_K_FRAC,
  PER_K_OFF,
  SUN_K,
  VERY_STRONG,
} from "./thresholds";

/** How the most that the inverters give falls with the air at their intake. */
export interface HeatLaw {
  readonly fromC: number;
  readonly perKFrac: number;
}

/** Steps [from, to) in which it fell sooner: a fan that failed, a filter that clogged. */
export interface HotSpan extends HeatLaw {
  readonly from: number;
  readonly to: number;
}

export interface HeatEvidence {
  /** At any time; null where none is seen. */
  readonly law: HeatLaw | null;
  readonly spans: readonly HotSpan[];
  /** Share of AC output lost on every step. */
  readonly lostFrac: Float64Array;
  /** 1 where heat may have held the output. */
  readonly touched: Uint8Array;
}

export const noHeat = (count: number): HeatEvidence => ({
  law: null,
  spans: [],
  lostFrac: new Float64Array(count),
  touched: new Uint8Array(count),
});

/** One hour that could be held: what it owes under the day's own level, what it gave, and how warm its air was. */
interface Row {
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

/**
 * Seeks an output that is cut by the heat of the air: not in proportion, as modules lose, but to a line that falls. No heat, one law at all times, and a law with a span in which it begins
 * sooner are weighed by one criterion, each beside a slope by which the modules' own law may be off. Source: Schwarz, 1978, Estimating the dimension of a model.
 */
export function heatEvidence(frame: AttributionFrame, found: Standstill, ceilingKwh: number): HeatEvidence {
  const none = noHeat(frame.axis.count);
  const rows = rowsOf(frame, found, ceilingKwh);
  const days = new Set(rows.map(({ day }) => day)).size;
  if (frame.resolution !== "hours" || days < LEAST_SPAN_DAYS || !rows.some(({ intakeC }) => intakeC > FROM_C.from)) return none;
  const costOf = (loss: number, terms: number): number => days * Math.log(Math.max(1e-9, loss)) + terms * Math.log(days);
  const slope = best(PER_K_OFF, (perK) => lossOf(rows, perK, () => null));
  const always = lawOf(rows, slope.one);
  const span = spanOf(rows, slope.one);
  const ways: { readonly cost: number; readonly law: HeatLaw | null; readonly spans: readonly HotSpan[] }[] = [
    { cost: costOf(slope.loss, 1), law: null, spans: [] },
    { cost: costOf(always.loss, 3), law: always.law, spans: [] },
  ];
  if (span) {
    const isIn = ({ step }: Row): boolean => step >= span.from && step < span.to;
    const outside = lawOf(
      rows.filter((row) => !isIn(row)),
      slope.one,
    );
    const inSpan = (row: Row, law: HeatLaw | null): HeatLaw | null => (isIn(row) ? span : law);
    ways.push({
      cost: costOf(
        lossOf(rows, slope.one, (row) => inSpan(row, null)),
        5,
      ),
      law: null,
      spans: [span],
    });
    if (outside.law.fromC >= span.fromC + LEAST_SOONER_K)
      ways.push({
        cost: costOf(
          lossOf(rows, slope.one, (row) => inSpan(row, outside.law)),
          7,
        ),
        law: outside.law,
        spans: [span],
      });
  }
  const likeliest = ways.reduce((a, b) => (b.cost < a.cost - VERY_STRONG ? b : a));
  const lawAt = (row: Row): HeatLaw | null => likeliest.spans.find(({ from, to }) => row.step >= from && row.step < to) ?? likeliest.law;
  return liesOnLine(rows, slope.one, lawAt) ? heldBy(frame, found, ceilingKwh, likeliest) : none;
}

/** Lets laws that are known cut the output: of the whole record as it was read, or of days after it. */
export function heldBy(
  frame: AttributionFrame,
  found: Pick<Standstill, "spoilt" | "curtailed">,
  ceilingKwh: number,
  { law, spans }: Pick<HeatEvidence, "law" | "spans">,
): HeatEvidence {
  const { lostFrac, touched } = noHeat(frame.axis.count);
  const { days, openKwh, meteredKwh, read, weather } = frame;
  const topAt = topOf(found, frame, ceilingKwh);
  const level = levelByDay(frame, found.spoilt, ceilingKwh);
  for (let i = 0; i < lostFrac.length; i++) {
    const own = spans.find(({ from, to }) => i >= from && i < to) ?? law;
    const due = Math.min(topAt(i), openKwh[i]! * level[days.binOf[i]!]!);
    if (!own || (found.spoilt[i] === 1 && topAt(i) === ceilingKwh) || !(due > 0)) continue;
    const capKwh = capOf(own, intakeOf(weather, i), ceilingKwh);
    if (!(capKwh < due)) continue;
    touched[i] = 1;
    lostFrac[i] = Math.max(0, 1 - Math.max(capKwh, read[i] === 1 ? meteredKwh[i]! : 0) / due);
  }
  return { law, spans, lostFrac, touched };
}

const capOf = ({ fromC, perKFrac }: HeatLaw, intakeC: number, ceilingKwh: number): number =>
  ceilingKwh * Math.max(0, 1 - perKFrac * Math.max(0, intakeC - fromC));

const intakeOf = ({ airTempC, ghiWm2 }: AttributionFrame["weather"], i: number): number =>
  airTempC[i]! + (SUN_K * (ghiWm2?.[i] ?? 0)) / 1000;

/** The most that a step gives with no heat: the ceiling, where it moved the new one. */
function topOf({ curtailed }: Pick<Standstill, "curtailed">, { axis }: AttributionFrame, ceilingKwh: number): (i: number) => number {
  const moved = curtailed.spells.find(({ isMoved }) => isMoved);
  return (i) => (moved && i >= moved.from ? (moved.powerKw * axis.stepMinutes) / 60 : ceilingKwh);
}

function rowsOf(frame: AttributionFrame, found: Standstill, ceilingKwh: number): Row[] {
  const { axis, days, openKwh, meteredKwh, read, lit, weather } = frame;
  const level = levelByDay(frame, found.spoilt, ceilingKwh);
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
function levelByDay(
  { days, openKwh, meteredKwh, read, lit, weather, axis }: AttributionFrame,
  spoilt: Uint8Array,
  ceilingKwh: number,
): Float64Array {
  const free: number[][] = days.keys.map(() => []);
  const bright: number[] = [];
  for (let i = 0; i < axis.count; i++) {
    const load = openKwh[i]! / ceilingKwh;
    if (read[i] === 0 || lit[i] === 0 || spoilt[i] === 1) continue;
    if (load > FREE_LOAD.from && load < FREE_LOAD.to) free[days.binOf[i]!]!.push(meteredKwh[i]! / openKwh[i]!);
  }
  const level = Float64Array.from(free, (_, day) => {
    const near = free.slice(Math.max(0, day - LEVEL_DAYS), day + LEVEL_DAYS + 1).flat();
    return near.length < LEAST_HOURS ? Number.NaN : medianOf(near);
  });
  for (let i = 0; i < axis.count; i++) {
    const load = openKwh[i]! / ceilingKwh;
    if (read[i] === 0 || lit[i] === 0 || spoilt[i] === 1 || !(load > LEAST_LOAD && load < 0.95) || !(weather.airTempC[i]! < COOL_C))
      continue;
    const ratio = meteredKwh[i]! / openKwh[i]! / level[days.binOf[i]!]!;
    if (!Number.isNaN(ratio)) bright.push(ratio);
  }
  const lift = bright.length < LEAST_HOURS ? 1 : medianOf(bright);
  return level.map((own) => own * lift);
}

/** Mean of what is missed, as a share of the ceiling, under a slope with the air and a law for each hour. */
function lossOf(rows: readonly Row[], perK: number, lawAt: (row: Row) => HeatLaw | null): number {
  let sum = 0;
  for (const row of rows) sum += missOf(row, perK, lawAt(row));
  return sum / Math.max(1, rows.length);
}

function missOf({ owedKwh, topKwh, fullKwh, meteredKwh, airC, intakeC }: Row, perK: number, law: HeatLaw | null): number {
  const due = Math.min(topKwh, owedKwh * (1 - perK * (airC - COOL_C)));
  return Math.abs(meteredKwh - (law ? Math.min(due, capOf(law, intakeC, fullKwh)) : due)) / fullKwh;
}

const LAWS: readonly HeatLaw[] = PER_K_FRAC.flatMap((perKFrac) =>
  Array.from({ length: FROM_C.to - FROM_C.from + 1 }, (_, k) => ({ fromC: FROM_C.from + k, perKFrac })),
);

/** Whether the hours that a law cuts lie on its line: rough light makes bright hours fall short too, but scatters about any line. */
function liesOnLine(rows: readonly Row[], perK: number, lawAt: (row: Row) => HeatLaw | null): boolean {
  let [cut, uncut] = [0, 0];
  for (const row of rows) {
    const [without, own] = [missOf(row, perK, null), missOf(row, perK, lawAt(row))];
    if (without === own) continue;
    cut += own;
    uncut += without;
  }
  return uncut > 0 && cut < MOST_LEFT_SHARE * uncut;
}

/** The law that misses least. */
function lawOf(rows: readonly Row[], perK: number): { law: HeatLaw; loss: number } {
  const { one, loss } = best(LAWS, (law) => lossOf(rows, perK, () => law));
  return { law: one, loss };
}

function best<T>(of: readonly T[], lossOfOne: (one: T) => number): { one: T; loss: number } {
  return of.map((one) => ({ one, loss: lossOfOne(one) })).reduce((a, b) => (b.loss < a.loss ? b : a));
}

/** The span and the law that better the fit most together: days in a row whose gain is the greatest. Source: Bentley, 1984, Programming pearls. */
function spanOf(rows: readonly Row[], perK: number): HotSpan | null {
  let [most, found] = [0, null as (HotSpan & { firstDay: number; lastDay: number }) | null];
  for (const law of LAWS) {
    let [sum, start] = [0, 0];
    for (let k = 0; k < rows.length; k++) {
      const row = rows[k]!;
      if (sum <= 0) [sum, start] = [0, k];
      sum += missOf(row, perK, null) - missOf(row, perK, law);
      if (sum > most) {
        const first = rows[start]!;
        [most, found] = [sum, { ...law, from: first.step, to: row.step + 1, firstDay: first.day, lastDay: row.day }];
      }
    }
  }
  return found && found.lastDay - found.firstDay >= LEAST_SPAN_DAYS
    ? { from: found.from, to: found.to, fromC: found.fromC, perKFrac: found.perKFrac }
    : null;
}
