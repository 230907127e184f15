/** Ways of connecting unlike modules, with the energy and cost of each. */
export interface PairingWay {
  readonly way: "together" | "by-string" | "by-module";
  readonly kwhPerYear: number;
  readonly cost: number;
}

export interface PairingAdvice {
  readonly best: PairingWay["way"];
  /** Share that one input loses against every module by itself. */
  readonly lossFrac: number;
  /** Why: the loss is small, separate inputs repay themselves, or electronics at each module do; or one module is a stranger in a big array. */
  readonly reason: "small-loss" | "own-input" | "module-electronics" | "stranger";
  readonly extraKwh: number;
  readonly paybackYears: number | null;
}

/** A loss under this is what alike modules lose by their tolerance anyway. Source: IEC 61215 sorting classes. */
const SMALL_FRAC = 0.01;
/** A module under this share of its neighbours' power holds up more than it brings. */
const STRANGER_FRAC = 0.6;

/** Which way to connect: the one whose extra energy over `years` is worth more than it costs. `weakest` is the least module's power over the middle one's. */
export function pairingAdvice(ways: readonly PairingWay[], pricePerKwh: number, years: number, weakestOfMiddle: number): PairingAdvice {
  const together = ways.find(({ way }) => way === "together")!;
  const most = ways.reduce((a, b) => (b.kwhPerYear > a.kwhPerYear ? b : a));
  const lossFrac = most.kwhPerYear > 0 ? 1 - together.kwhPerYear / most.kwhPerYear : 0;
  const worth = (way: PairingWay): number => (way.kwhPerYear - together.kwhPerYear) * pricePerKwh * years - (way.cost - together.cost);
  const best = ways.reduce((a, b) => (worth(b) > worth(a) ? b : a));
  const extraKwh = best.kwhPerYear - together.kwhPerYear;
  const extraCost = best.cost - together.cost;
  const paybackYears = extraKwh * pricePerKwh > 0 ? extraCost / (extraKwh * pricePerKwh) : null;
  const reason =
    best.way === "together" || lossFrac < SMALL_FRAC
      ? weakestOfMiddle < STRANGER_FRAC && lossFrac >= SMALL_FRAC
        ? "stranger"
        : "small-loss"
      : best.way === "by-string"
        ? "own-input"
        : "module-electronics";
  return {
    best: lossFrac < SMALL_FRAC ? "together" : best.way,
    lossFrac,
    reason,
    extraKwh,
    paybackYears: best.way === "together" ? null : paybackYears,
  };
}
