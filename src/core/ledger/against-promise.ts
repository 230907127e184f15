import { type LedgerLine, readOfTimeFrac } from "./ledger";

/** A month read less than this is left out: what is missing may be the promise's better half. */
const LEAST_PROMISED_FRAC = 0.9;

/** What the meter counted beside what was promised for the time that was read. */
export interface AgainstPromise {
  readonly months: readonly LedgerLine[];
  readonly promisedKwh: number;
  readonly meteredKwh: number;
}

/** Months that have both, and their sums: a ratio of sums, never a mean of ratios. It needs no sun. Null without such months. */
export function againstPromise(lines: readonly LedgerLine[]): AgainstPromise | null {
  const months = lines.filter((line) => line.promiseKwh !== null && line.meteredKwh !== null && readOfTimeFrac(line) > LEAST_PROMISED_FRAC);
  if (months.length === 0) return null;
  const sum = (of: (line: LedgerLine) => number): number => months.reduce((total, line) => total + of(line), 0);
  return {
    months,
    promisedKwh: sum((line) => line.promiseKwh! * readOfTimeFrac(line)),
    meteredKwh: sum((line) => line.meteredKwh!),
  };
}
