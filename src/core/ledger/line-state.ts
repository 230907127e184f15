import { DATED_ACCOUNTS, FOUND_ACCOUNTS, type FoundAccount } from "../accounts";
import type { WeatherBasis } from "../basis";
import { expectedReadKwh, type LedgerLine, performanceIndex } from "./ledger";

/** What a line says at a glance; a month that was closed stands as `closed` beside these. */
export type LineState =
  /** Index inside the tolerance, and nothing found. */
  | { readonly kind: "within" }
  /** Something was found, and the rest is inside the tolerance. */
  | { readonly kind: "explained"; readonly account: FoundAccount; readonly isGain: boolean }
  /** More is unexplained, in either direction, than instruments and model can be off. */
  | { readonly kind: "to-check" }
  /** Too little was read to say. */
  | { readonly kind: "gap" }
  /** Something was metered, and no weather stands beside it. */
  | { readonly kind: "no-weather" }
  /** Its light is a usual year's and not its own: nothing is said of what it gave. */
  | { readonly kind: "usual" };

/** A line of which less than this was read says more of its gaps than of the plant: the half that is missing may hold as much as the half that is there. */
export const LEAST_READ_FRAC = 0.5;

/** Share of the expected energy that would turn the whole per cent that a reader sees of the index. */
export const TOLD_FRAC = 0.005;

/**
 * What explains a line: the largest of what was found on the side on which the index lies, of what counts as found. A dated cause counts when it took something;
 * a level only where the index lies beyond the tolerance. Null without one.
 */
function largestFound(line: LedgerLine, index: number, toleranceFrac: number): FoundAccount | null {
  const least = TOLD_FRAC * expectedReadKwh(line);
  const side = index > 1 ? -1 : 1;
  const outside = Math.abs(index - 1) > toleranceFrac;
  const told = FOUND_ACCOUNTS.filter((account) => {
    const kwh = line.foundKwh[account];
    return (outside && side * kwh > least) || (DATED_ACCOUNTS.includes(account) && kwh > least);
  });
  return told.sort((a, b) => side * (line.foundKwh[b] - line.foundKwh[a]))[0] ?? null;
}

/** Whether most of what is expected of a line is a usual year's, so that its own is not known. */
export const isUsualYear = ({ usualKwh, expectedKwh }: Pick<LedgerLine, "usualKwh" | "expectedKwh">): boolean =>
  usualKwh > LEAST_READ_FRAC * expectedKwh;

/** Whether a line's own weather is known, so that what it gave can be held against something. */
export const isOwnWeatherKnown = (line: Pick<LedgerLine, "usualKwh" | "expectedKwh" | "referenceKwh">): boolean =>
  line.referenceKwh > 0 && !isUsualYear(line);

/** What the light of some lines is; of a record that is partly measured the measured part is what answers rest on. */
export function weatherBasisOf(lines: readonly LedgerLine[]): WeatherBasis {
  const lit = lines.filter(({ referenceKwh }) => referenceKwh > 0);
  if (lit.length === 0) return "none";
  return lit.every(isUsualYear) ? "monthly-means" : "measured";
}

/** What a reader should do with a line, where a difference of `toleranceFrac` of what was expected says nothing. */
export function lineState(line: LedgerLine, toleranceFrac: number): LineState {
  if (isUsualYear(line)) return { kind: "usual" };
  if (!(line.referenceKwh > 0) && line.meteredKwh !== null) return { kind: "no-weather" };
  const index = performanceIndex(line);
  if (index === null || line.unexplainedKwh === null || line.readFrac < LEAST_READ_FRAC) return { kind: "gap" };
  if (Math.abs(line.unexplainedKwh) > toleranceFrac * expectedReadKwh(line)) return { kind: "to-check" };
  const account = largestFound(line, index, toleranceFrac);
  return account ? { kind: "explained", account, isGain: line.foundKwh[account] < 0 } : { kind: "within" };
}
