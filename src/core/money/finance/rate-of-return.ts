import { Exact } from "../exact";
import { type DatedFlow, datedPresentValue, presentValue, yearsBetween } from "./present-value";

/** Internal rate of return: the rate at which flows are worth nothing today. There may be none, or several; then no rate is the answer. */
export type RateOfReturn =
  | { readonly kind: "one"; readonly rate: Exact }
  | { readonly kind: "several"; readonly rates: readonly Exact[] }
  /** Flows of one sign only: nothing is ever paid back, or nothing was ever paid. */
  | { readonly kind: "none"; readonly because: "only-costs" | "only-gains" | "no-root" };

const LOWEST = -0.99;
const HIGHEST = 100;
const STEPS = 600;
const ROUNDS = 200;
const CLOSE = new Exact("1e-20");

/** Of flows a period apart, the first at once. */
export function rateOfReturn(flows: readonly Exact[]): RateOfReturn {
  const years = flows.map((_, k) => k);
  return solveRates(flows, years, (rate) => presentValue(rate, flows));
}

/** Of flows on dates, by days over 365. */
export function datedRateOfReturn(flows: readonly DatedFlow[]): RateOfReturn {
  const start = flows[0]?.on ?? "1970-01-01";
  const years = flows.map(({ on }) => yearsBetween(start, on).toNumber());
  return solveRates(
    flows.map(({ amount }) => amount),
    years,
    (rate) => datedPresentValue(rate, flows),
  );
}

/** Looks for changes of sign from -99 % to 10,000 % a period in doubles, and narrows each in decimals. */
function solveRates(amounts: readonly Exact[], years: readonly number[], worth: (rate: Exact) => Exact): RateOfReturn {
  if (!amounts.some((amount) => amount.gt(0))) return { kind: "none", because: "only-costs" };
  if (!amounts.some((amount) => amount.lt(0))) return { kind: "none", because: "only-gains" };
  const rough = amounts.map((amount) => amount.toNumber());
  const roughWorth = (rate: number): number => rough.reduce((sum, amount, k) => sum + amount * (1 + rate) ** -years[k]!, 0);
  const rates: Exact[] = [];
  let [before, worthBefore] = [LOWEST, roughWorth(LOWEST)];
  for (let k = 1; k <= STEPS; k++) {
    const at = (1 + LOWEST) * ((1 + HIGHEST) / (1 + LOWEST)) ** (k / STEPS) - 1;
    const here = roughWorth(at);
    if (here === 0) rates.push(new Exact(at));
    else if (worthBefore !== 0 && here < 0 !== worthBefore < 0) rates.push(narrow(new Exact(before), new Exact(at), worth));
    [before, worthBefore] = [at, here];
  }
  const [only, second] = rates;
  if (!only) return { kind: "none", because: "no-root" };
  return second ? { kind: "several", rates } : { kind: "one", rate: only };
}

/** Illinois: false position that cannot get stuck at one end. */
function narrow(from: Exact, to: Exact, worth: (rate: Exact) => Exact): Exact {
  let [a, b, fa, fb] = [from, to, worth(from), worth(to)];
  for (let round = 0; round < ROUNDS && b.minus(a).abs().gt(CLOSE); round++) {
    const middle = b.minus(fb.times(b.minus(a)).div(fb.minus(fa)));
    const value = worth(middle);
    if (value.isZero()) return middle;
    if (value.isNegative() === fb.isNegative()) fa = fa.div(2);
    else [a, fa] = [b, fb];
    [b, fb] = [middle, value];
    if (fb.abs().lt(CLOSE)) return b;
  }
  return b;
}
