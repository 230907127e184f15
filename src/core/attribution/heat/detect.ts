import { costOfSaying, VERY_STRONG } from "../../statistics";
import type { Standstill } from "../outage/standstill";
import type { AttributionFrame } from "../record/frame";
import { capOf, type HeatLaw, intakeOf, levelByDay, type Row, rowsOf, topOf } from "./rows";
import { COOL_C, EDGE_SHARE, FROM_C, LEAST_SOONER_K, LEAST_SPAN_DAYS, MOST_LEFT_SHARE, PER_K_FRAC, PER_K_OFF } from "./thresholds";

export type { HeatLaw } from "./rows";

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

/**
 * Seeks an output that is cut by the heat of the air: not in proportion, as modules lose, but to a line that falls. No heat, one law at all times, and a law with a span in which it begins
 * sooner are weighed by one criterion, each beside a slope by which the modules' own law may be off. Source: Schwarz, 1978, Estimating the dimension of a model.
 */
export function heatEvidence(frame: AttributionFrame, found: Standstill, ceilingKwh: number): HeatEvidence {
  const none = noHeat(frame.axis.count);
  if (frame.resolution !== "hours") return none;
  const level = levelByDay(frame, found.spoilt, ceilingKwh);
  const rows = rowsOf(frame, found, level, ceilingKwh);
  const days = new Set(rows.map(({ day }) => day)).size;
  if (days < LEAST_SPAN_DAYS || !rows.some(({ intakeC }) => intakeC > FROM_C.from)) return none;
  const costOf = (loss: number, terms: number): number => costOfSaying(days, Math.max(1e-9, loss), terms);
  const slope = best(PER_K_OFF, (perK) => missesOf(rows, perK).plain);
  const misses = missesOf(rows, slope.one);
  const always = lawOf(misses, () => true);
  const span = spanOf(misses);
  const ways: { readonly cost: number; readonly law: HeatLaw | null; readonly spans: readonly HotSpan[] }[] = [
    { cost: costOf(misses.plain, 1), law: null, spans: [] },
    { cost: costOf(always.loss, 3), law: always.law, spans: [] },
  ];
  if (span) {
    const isIn = ({ step }: Row): boolean => step >= span.from && step < span.to;
    ways.push({
      cost: costOf(
        misses.under((row) => (isIn(row) ? span : null)),
        5,
      ),
      law: null,
      spans: [span],
    });
    const { law } = lawOf(misses, (row) => !isIn(row));
    if (law.fromC >= span.fromC + LEAST_SOONER_K)
      ways.push({
        cost: costOf(
          misses.under((row) => (isIn(row) ? span : law)),
          7,
        ),
        law,
        spans: [span],
      });
  }
  const likeliest = ways.reduce((a, b) => (b.cost < a.cost - VERY_STRONG ? b : a));
  const lawAt = (row: Row): HeatLaw | null => likeliest.spans.find(({ from, to }) => row.step >= from && row.step < to) ?? likeliest.law;
  return liesOnLine(misses, lawAt) ? heldBy(frame, found, ceilingKwh, likeliest, level) : none;
}

/** Lets laws that are known cut the output: of the whole record as it was read, or of days after it. */
export function heldBy(
  frame: AttributionFrame,
  found: Pick<Standstill, "spoilt" | "curtailed">,
  ceilingKwh: number,
  { law, spans }: Pick<HeatEvidence, "law" | "spans">,
  level = levelByDay(frame, found.spoilt, ceilingKwh),
): HeatEvidence {
  const { lostFrac, touched } = noHeat(frame.axis.count);
  const { days, openKwh, meteredKwh, read, weather } = frame;
  const topAt = topOf(found, frame, ceilingKwh);
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

/** An hour with air warm enough at its intake for a law to bear on it. */
interface HotRow {
  readonly row: Row;
  /** What it owes with no law, kWh. */
  readonly dueKwh: number;
  /** What is missed of it with no law, as a share of the ceiling. */
  readonly missFrac: number;
}

/** What is missed of all hours under a slope with the air, as a share of the ceiling. */
interface Misses {
  readonly hot: readonly HotRow[];
  /** On average with no law. */
  readonly plain: number;
  /** On average with a law for each hot hour. */
  readonly under: (lawAt: (row: Row) => HeatLaw | null) => number;
}

/** Hours that no law touches miss the same under each: only hot ones are looked at again. */
function missesOf(rows: readonly Row[], perK: number): Misses {
  let sum = 0;
  const hot: HotRow[] = [];
  for (const row of rows) {
    const dueKwh = Math.min(row.topKwh, row.owedKwh * (1 - perK * (row.airC - COOL_C)));
    const missFrac = Math.abs(row.meteredKwh - dueKwh) / row.fullKwh;
    sum += missFrac;
    if (row.intakeC > FROM_C.from) hot.push({ row, dueKwh, missFrac });
  }
  const count = Math.max(1, rows.length);
  return {
    hot,
    plain: sum / count,
    under: (lawAt) => {
      let gain = 0;
      for (const one of hot) gain += gainOf(one, lawAt(one.row));
      return (sum - gain) / count;
    },
  };
}

/** By how much less a law misses an hour than none. */
function gainOf({ row, dueKwh, missFrac }: HotRow, law: HeatLaw | null): number {
  if (!law || row.intakeC <= law.fromC) return 0;
  const capKwh = capOf(law, row.intakeC, row.fullKwh);
  return capKwh < dueKwh ? missFrac - Math.abs(row.meteredKwh - capKwh) / row.fullKwh : 0;
}

const LAWS: readonly HeatLaw[] = PER_K_FRAC.flatMap((perKFrac) =>
  Array.from({ length: FROM_C.to - FROM_C.from + 1 }, (_, k) => ({ fromC: FROM_C.from + k, perKFrac })),
);

/** Whether the hours that a law cuts lie on its line: rough light makes bright hours fall short too, but scatters about any line. */
function liesOnLine({ hot }: Misses, lawAt: (row: Row) => HeatLaw | null): boolean {
  let [cut, uncut] = [0, 0];
  for (const one of hot) {
    const gain = gainOf(one, lawAt(one.row));
    if (gain === 0) continue;
    cut += one.missFrac - gain;
    uncut += one.missFrac;
  }
  return uncut > 0 && cut < MOST_LEFT_SHARE * uncut;
}

/** The law that misses the hours least that it may bear on. */
function lawOf(misses: Misses, holdsAt: (row: Row) => boolean): { law: HeatLaw; loss: number } {
  const { one, loss } = best(LAWS, (law) => misses.under((row) => (holdsAt(row) ? law : null)));
  return { law: one, loss };
}

function best<T>(of: readonly T[], lossOfOne: (one: T) => number): { one: T; loss: number } {
  return of.map((one) => ({ one, loss: lossOfOne(one) })).reduce((a, b) => (b.loss < a.loss ? b : a));
}

/** The span and the law that better the fit most together: days in a row whose gain is the greatest. Source: Bentley, 1984, Programming pearls. */
function spanOf({ hot }: Misses): HotSpan | null {
  let [most, found] = [0, null as { law: HeatLaw; first: number; last: number } | null];
  for (const law of LAWS) {
    let [sum, start] = [0, 0];
    for (let k = 0; k < hot.length; k++) {
      if (sum <= 0) [sum, start] = [0, k];
      sum += gainOf(hot[k]!, law);
      if (sum > most) [most, found] = [sum, { law, first: start, last: k }];
    }
  }
  if (!found) return null;
  const { law } = found;
  const [first, last] = [edgeOf(hot, found, most, 1), edgeOf(hot, found, most, -1)];
  if (hot[last]!.row.day - hot[first]!.row.day < LEAST_SPAN_DAYS) return null;
  return { ...law, from: hot[first]!.row.step, to: hot[last]!.row.step + 1 };
}

/** A cool season before or after a span gains next to nothing and is none of it: the hour at which the gain has truly begun, from the one end or the other. */
function edgeOf(
  hot: readonly HotRow[],
  { law, first, last }: { readonly law: HeatLaw; readonly first: number; readonly last: number },
  most: number,
  way: 1 | -1,
): number {
  let sum = 0;
  for (let k = way > 0 ? first : last; k >= first && k <= last; k += way) {
    sum += gainOf(hot[k]!, law);
    if (sum > EDGE_SHARE * most) return k;
  }
  return way > 0 ? first : last;
}
