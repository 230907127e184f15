import type { CounterAt } from "../readings";
import { medianOf } from "../statistics";
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

/**
 * Examines hand-read counters of one meter: resets, rollovers, and readings whose digits were transposed, dropped, doubled or mistyped by one,
 * which the spans on both sides give away. `readings` in order of time.
 */
export function examineCounter(readings: readonly CounterAt[], expected: ExpectedBetween): Finding[] {
  const usual = usualRatio(readings, expected);
  const found: Finding[] = [];
  const left = [...readings];
  const values = left.map((reading) => reading.kwh);
  for (let i = 1; i < left.length; i++) {
    const falls = values[i]! < values[i - 1]!;
    const slip = slipAt(left, values, i, usual, expected) ?? (falls ? slipAt(left, values, i - 1, usual, expected) : null);
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
      for (let k = i; k < values.length; k++) values[k] = values[k]! + Number(restart.facts.offsetKwh);
    }
  }
  return found.sort((a, b) => a.fromUtcMs - b.fromUtcMs);
}

/** Median ratio of metered to owed over the spans that make sense by themselves; 1 where there are none. */
function usualRatio(readings: readonly CounterAt[], expected: ExpectedBetween): number {
  const ratios: number[] = [];
  for (let i = 1; i < readings.length; i++) {
    const owes = expected(readings[i - 1]!.atUtcMs, readings[i]!.atUtcMs);
    const kwh = readings[i]!.kwh - readings[i - 1]!.kwh;
    if (kwh >= 0 && owes > LEAST_DOUBT_KWH && kwh < 3 * owes) ratios.push(kwh / owes);
  }
  const middle = medianOf(ratios);
  return middle > 0.3 && middle < 2 ? middle : 1;
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
  readonly finding: Finding;
}

/** The reading that another order or number of digits would make fit both its neighbours; null when it fits as it stands, or nothing does. */
function slipAt(
  readings: readonly CounterAt[],
  values: readonly number[],
  index: number,
  usual: number,
  expected: ExpectedBetween,
): Slip | null {
  if (index <= 0 || index >= readings.length - 1) return null;
  const sides = (kwh: number): boolean[] => [
    plausible(kwh - values[index - 1]!, expected(readings[index - 1]!.atUtcMs, readings[index]!.atUtcMs), usual),
    plausible(values[index + 1]! - kwh, expected(readings[index]!.atUtcMs, readings[index + 1]!.atUtcMs), usual),
  ];
  if (sides(values[index]!).every(Boolean)) return null;
  // Both neighbours must make sense without the doubted reading.
  const across = values[index + 1]! - values[index - 1]!;
  if (!plausible(across, expected(readings[index - 1]!.atUtcMs, readings[index + 1]!.atUtcMs), usual)) return null;
  const share =
    expected(readings[index - 1]!.atUtcMs, readings[index]!.atUtcMs) / expected(readings[index - 1]!.atUtcMs, readings[index + 1]!.atUtcMs);
  const between = values[index - 1]! + across * (Number.isFinite(share) ? share : 0.5);
  const candidates = misreadings(values[index]!).filter(({ kwh }) => sides(kwh).every(Boolean));
  const best = candidates.sort((a, b) => Math.abs(a.kwh - between) - Math.abs(b.kwh - between))[0];
  const at = readings[index]!.atUtcMs;
  return {
    index,
    kwh: best?.kwh ?? null,
    finding: {
      kind: "digit-slip",
      fromUtcMs: at,
      toUtcMs: at,
      count: 1,
      kwh: values[index]!,
      confidenceFrac: best ? 0.9 : 0.6,
      facts: {
        readKwh: values[index]!,
        betweenKwh: Math.round(between),
        how: best?.how ?? "out-of-line",
        ...(best ? { likelyKwh: best.kwh } : {}),
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
function restartAt(
  readings: readonly CounterAt[],
  values: readonly number[],
  i: number,
  usual: number,
  expected: ExpectedBetween,
): Finding {
  const [before, now] = [values[i - 1]!, values[i]!];
  const size = 10 ** Math.max(3, Math.ceil(Math.log10(before + 1)));
  const owes = expected(readings[i - 1]!.atUtcMs, readings[i]!.atUtcMs);
  const rolled = plausible(size - before + now, owes, usual) && before > size * 0.8;
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
    remedy: { op: "carry", kwh: offset, fromUtcMs: at, toUtcMs: readings.at(-1)!.atUtcMs },
  };
}
