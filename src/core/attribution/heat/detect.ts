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
  const rows = rowsOf(frame, found, ceilingKwh);
  const days = new Set(rows.map(({ day }) => day)).size;
  if (frame.resolution !== "hours" || days < LEAST_SPAN_DAYS || !rows.some(({ intakeC }) => intakeC > FROM_C.from)) return none;
  const costOf = (loss: number, terms: number): number => costOfSaying(days, Math.max(1e-9, loss), terms);
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
  let [most, found] = [0, null as { law: HeatLaw; first: number; last: number } | null];
  for (const law of LAWS) {
    let [sum, start] = [0, 0];
    for (let k = 0; k < rows.length; k++) {
      if (sum <= 0) [sum, start] = [0, k];
      sum += gainOf(rows[k]!, perK, law);
      if (sum > most) [most, found] = [sum, { law, first: start, last: k }];
    }
  }
  if (!found) return null;
  const { law } = found;
  const [first, last] = [edgeOf(rows, found, perK, most, 1), edgeOf(rows, found, perK, most, -1)];
  if (rows[last]!.day - rows[first]!.day < LEAST_SPAN_DAYS) return null;
  return { ...law, from: rows[first]!.step, to: rows[last]!.step + 1 };
}

const gainOf = (row: Row, perK: number, law: HeatLaw): number => missOf(row, perK, null) - missOf(row, perK, law);

/** A cool season before or after a span gains next to nothing and is none of it: the row at which the gain has truly begun, from the one end or the other. */
function edgeOf(
  rows: readonly Row[],
  { law, first, last }: { readonly law: HeatLaw; readonly first: number; readonly last: number },
  perK: number,
  most: number,
  way: 1 | -1,
): number {
  let sum = 0;
  for (let k = way > 0 ? first : last; k >= first && k <= last; k += way) {
    sum += gainOf(rows[k]!, perK, law);
    if (sum > EDGE_SHARE * most) return k;
  }
  return way > 0 ? first : last;
}
