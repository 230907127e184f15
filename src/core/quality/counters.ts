import type { CounterAt } from "../readings";
import { medianOf } from "../statistics";
import { DAY_MS, MAD_TO_DEVIATION } from "../units";
import type { Finding } from "./finding";

/** What the model owes between two instants, kWh; NaN where it can't say. */
export type ExpectedBetween = (fromUtcMs: number, toUtcMs: number) => number;

/** Energy of a span may stand this far from what is usual at this site before a reading is doubted. */
const LEAST_RATIO = 0.35;
const MOST_RATIO = 1.8;
/** Small spans are coarse: readings are noted in whole kilowatt-hours, some hours early or late. */
const LEAST_DOUBT_KWH = 12;
/** A counter that fell to under this share of what it showed began anew. */
const RESET_FRAC = 0.2;
/** Spans scatter about what is usual by this much at least, one deviation. */
const LEAST_SCATTER_FRAC = 0.04;
/** Readings whose hour is not written are off by this much of a day's energy, one deviation. */
const HOUR_OFF_DAYS = 0.3;
/** A rollover leaves a span that is usual within so many deviations; anything else is a counter that began anew. */
const ROLLED_DEVIATIONS = 2.5;

/**
 * Examines hand-read counters of one meter: resets, rollovers, and readings whose digits were transposed, dropped, doubled or mistyped by one,
 * which the spans on both sides give away. `readings` in order of time.
 */
export function examineCounter(readings: readonly CounterAt[], expected: ExpectedBetween): Finding[] {
  const usual = usualOf(readings, expected);
  const found: Finding[] = [];
  const left = [...readings];
  const values = left.map((reading) => reading.kwh);
  // What a counter that began anew is carried on by: hands write what it shows.
  let carried = 0;
  for (let i = 1; i < left.length; i++) {
    const falls = values[i]! < values[i - 1]!;
    const slipOf = (index: number): Slip | null => slipAt({ readings: left, values, usual, expected, carried }, index);
    const [own, next] = [slipOf(i), slipOf(i + 1)];
    // A wrong reading makes the one before it look wrong as well: the one that a slip explains better is it.
    const blamed = own && next && next.cost < own.cost ? null : own;
    const slip = blamed ?? (falls ? slipOf(i - 1) : null);
    if (slip) {
      found.push(slip.finding);
      if (slip.kwh === null) {
        // A reading that nothing explains is gone: the next one is set against the one before it.
        left.splice(slip.index, 1);
        values.splice(slip.index, 1);
        i = slip.index - 1;
      } else values[slip.index] = slip.kwh;
    } else if (falls) {
      const restart = restartAt(left, values, i, usual, expected);
      found.push(restart);
      carried += Number(restart.facts.offsetKwh);
      for (let k = i; k < values.length; k++) values[k] = values[k]! + Number(restart.facts.offsetKwh);
    }
  }
  return found.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
}

/** What spans of a counter give of what they owe, and how they scatter about it. */
interface Usual {
  readonly ratio: number;
  readonly scatterFrac: number;
}

/** Middle and scatter of metered over owed, over the spans that make sense by themselves. */
function usualOf(readings: readonly CounterAt[], expected: ExpectedBetween): Usual {
  const ratios: number[] = [];
  for (let i = 1; i < readings.length; i++) {
    const owes = expected(readings[i - 1]!.atUtcMs, readings[i]!.atUtcMs);
    const kwh = readings[i]!.kwh - readings[i - 1]!.kwh;
    if (kwh >= 0 && owes > LEAST_DOUBT_KWH && kwh < 3 * owes) ratios.push(kwh / owes);
  }
  const middle = medianOf(ratios);
  if (!(middle > 0.3 && middle < 2)) return { ratio: 1, scatterFrac: LEAST_SCATTER_FRAC };
  const scatter = MAD_TO_DEVIATION * medianOf(ratios.map((ratio) => Math.abs(ratio / middle - 1)));
  return { ratio: middle, scatterFrac: Math.max(LEAST_SCATTER_FRAC, scatter) };
}

/** How many deviations the energy of a span stands from what is usual; NaN where nobody knows what it owes. */
function deviationsOff(kwh: number, fromUtcMs: number, toUtcMs: number, { ratio, scatterFrac }: Usual, expected: ExpectedBetween): number {
  const owes = ratio * expected(fromUtcMs, toUtcMs);
  const aDay = (owes * DAY_MS) / Math.max(DAY_MS, toUtcMs - fromUtcMs);
  return (kwh - owes) / Math.hypot(scatterFrac * owes, HOUR_OFF_DAYS * aDay, 1);
}

/** Whether the energy of a span is what a plant makes: neither negative nor far from what is usual. */
function plausible(kwh: number, owes: number, usual: number): boolean {
  if (Number.isNaN(owes)) return kwh >= 0;
  if (kwh < 0) return false;
  return kwh >= LEAST_RATIO * usual * owes - LEAST_DOUBT_KWH && kwh <= MOST_RATIO * usual * owes + LEAST_DOUBT_KWH;
}

interface Slip {
  readonly index: number;
  /** What was likely meant; null where no slip explains the reading. */
  readonly kwh: number | null;
  /** What is missed with it, and what it takes to say; infinite where nothing explains the reading. */
  readonly cost: number;
  readonly finding: Finding;
}

/** Counter readings as they stand while they are looked through. */
interface Reading {
  readonly readings: readonly CounterAt[];
  /** Carried on over resets, kWh. */
  readonly values: readonly number[];
  readonly usual: Usual;
  readonly expected: ExpectedBetween;
  readonly carried: number;
}

/**
 * The reading that another order or number of digits would make fit both its neighbours; null when it fits as it stands, or nothing does. What is written is what the
 * counter shows, so digits are turned in that. A slip has to win as much as it takes to pick it among all readings and all slips of its kind.
 */
function slipAt(reading: Reading, index: number): Slip | null {
  const { readings, values, usual, expected, carried } = reading;
  if (index <= 0 || index >= readings.length - 1) return null;
  const [before, at, after] = [readings[index - 1]!.atUtcMs, readings[index]!.atUtcMs, readings[index + 1]!.atUtcMs];
  const [low, now, high] = [values[index - 1]!, values[index]!, values[index + 1]!];
  const isPlausible = (kwh: number): boolean =>
    plausible(kwh - low, expected(before, at), usual.ratio) && plausible(high - kwh, expected(at, after), usual.ratio);
  const offOf = (kwh: number): readonly [number, number] => [
    deviationsOff(kwh - low, before, at, usual, expected),
    deviationsOff(high - kwh, at, after, usual, expected),
  ];
  const misfit = (kwh: number): number => offOf(kwh).reduce((sum, off) => sum + off * off, 0);
  // Both neighbours must make sense without the doubted reading.
  if (!plausible(high - low, expected(before, after), usual.ratio)) return null;
  const share = expected(before, at) / expected(before, after);
  const between = low + (high - low) * (Number.isFinite(share) ? share : 0.5);
  const isBad = !isPlausible(now);
  const all = misreadings(now - carried);
  const priceOf = (how: Misreading): number => 2 * Math.log(readings.length * all.filter((slip) => slip.how === how).length);
  const candidates = all
    .map(({ kwh, how }) => ({ kwh: kwh + carried, how }))
    .filter(({ kwh }) => isPlausible(kwh))
    .map((slip) => ({
      ...slip,
      cost: Number.isNaN(misfit(slip.kwh)) ? Math.abs(slip.kwh - between) : misfit(slip.kwh) + priceOf(slip.how),
    }))
    .sort((a, b) => a.cost - b.cost);
  const best = candidates[0];
  // A reading that a plant may have made is doubted for the commonest slip alone, and where one side lacks what the other has too much.
  const [less, more] = offOf(now);
  const isLopsided = less * more < 0 && Math.min(Math.abs(less), Math.abs(more)) > ROLLED_DEVIATIONS;
  const wins = best?.how === "digits-swapped" && isLopsided && best.cost < misfit(now);
  if (!isBad && !wins) return null;
  return {
    index,
    kwh: best?.kwh ?? null,
    cost: best?.cost ?? Number.POSITIVE_INFINITY,
    finding: {
      kind: "digit-slip",
      fromUtcMs: at,
      toUtcMs: at,
      count: 1,
      kwh: now,
      confidenceFrac: best ? 0.9 : 0.6,
      facts: {
        readKwh: now,
        betweenKwh: Math.round(between),
        how: best?.how ?? "out-of-line",
        ...(best ? { likelyKwh: best.kwh } : {}),
        ...(carried > 0 ? { carriedKwh: carried } : {}),
      },
      remedy: best ? { op: "restate", kwh: best.kwh, fromUtcMs: at, toUtcMs: at } : { op: "drop", fromUtcMs: at, toUtcMs: at },
    },
  };
}

/** How a hand may have written another number than the counter showed. */
export type Misreading =
  | "digits-swapped"
  | "digit-too-many"
  | "digit-wrong"
  | "digit-missing"
  | "decimal-mark-lost"
  | "last-digit-left-out";

/** Numbers that a hand may have meant: two digits swapped, one dropped, doubled or wrong, a decimal mark lost. */
export function misreadings(kwh: number): { kwh: number; how: Misreading }[] {
  const digits = String(Math.round(kwh));
  const out: { kwh: number; how: Misreading }[] = [];
  for (let k = 0; k + 1 < digits.length; k++) {
    out.push({ kwh: Number(digits.slice(0, k) + digits[k + 1]! + digits[k]! + digits.slice(k + 2)), how: "digits-swapped" });
  }
  for (let k = 0; k < digits.length; k++) {
    out.push({ kwh: Number(digits.slice(0, k) + digits.slice(k + 1)), how: "digit-too-many" });
    for (let digit = 0; digit <= 9; digit++)
      out.push({ kwh: Number(digits.slice(0, k) + digit + digits.slice(k + 1)), how: "digit-wrong" });
  }
  for (let k = 0; k <= digits.length; k++) {
    for (let digit = 0; digit <= 9; digit++) out.push({ kwh: Number(digits.slice(0, k) + digit + digits.slice(k)), how: "digit-missing" });
  }
  out.push({ kwh: kwh / 10, how: "decimal-mark-lost" }, { kwh: kwh * 10, how: "last-digit-left-out" });
  return out.filter((candidate) => candidate.kwh !== kwh);
}

/** A counter that fell for good: past all nines, or set to nothing by a new device. */
function restartAt(readings: readonly CounterAt[], values: readonly number[], i: number, usual: Usual, expected: ExpectedBetween): Finding {
  const [before, now] = [values[i - 1]!, values[i]!];
  const size = 10 ** Math.max(3, Math.ceil(Math.log10(before + 1)));
  const [since, until] = [readings[i - 1]!.atUtcMs, readings[i]!.atUtcMs];
  const off = deviationsOff(size - before + now, since, until, usual, expected);
  // Without weather a span past all nines is believed where it is no more than a tenth of what the counter holds.
  const isUsual = Number.isNaN(off) ? size - before + now < size / 10 : Math.abs(off) <= ROLLED_DEVIATIONS;
  const rolled = isUsual && before > size * 0.8;
  const offset = rolled ? size : before;
  const at = readings[i]!.atUtcMs;
  return {
    kind: rolled ? "counter-rollover" : "counter-reset",
    fromUtcMs: at,
    toUtcMs: readings.at(-1)!.atUtcMs,
    count: readings.length - i,
    kwh: now,
    confidenceFrac: rolled || now < before * RESET_FRAC ? 0.9 : 0.6,
    facts: { beforeKwh: before, afterKwh: now, offsetKwh: offset },
    // What came between the last reading of the old counter and the first of the new one nobody read: a gap, and no loss.
    remedy: { op: "carry", kwh: offset, ...(rolled ? {} : { isGapBefore: true }), fromUtcMs: at, toUtcMs: readings.at(-1)!.atUtcMs },
  };
}
