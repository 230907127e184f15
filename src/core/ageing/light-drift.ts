import { Z_95 } from "../statistics";
import { yearOnYear } from "./year-on-year";

/** How the light column moved against a cloudless sky, as a share a year (positive reads ever more), and by how much that may be off, one deviation. */
export interface LightDrift {
  readonly perYearFrac: number;
  readonly standardFrac: number;
  readonly pairs: number;
}

/** Pairs of clear days a year apart that tell a drift at least. */
const LEAST_PAIRS = 40;
/** Air itself clears and hazes by this much a year over some years, one deviation. Source: Wild, 2012, Enlightening global dimming and brightening: 2 to 4 W/m² a decade in most places, of 200. */
const CLEAR_SKY_PER_YEAR = 0.002;

interface Terms {
  readonly draws: number;
  readonly seed: number;
  readonly breaks: readonly number[];
  readonly calibrated: readonly number[];
}

/** Middle change of a clear day's light between years; null with too few clear days. `clearLog` is the log of a clear day's light over that of its season's clear sky. */
export function lightDrift(clearLog: Float64Array, terms: Terms): LightDrift | null {
  const { slopeLog, low, high, pairs } = yearOnYear(clearLog, terms);
  if (pairs.length < LEAST_PAIRS) return null;
  return { perYearFrac: slopeLog, standardFrac: Math.hypot((high - low) / 2 / Z_95, CLEAR_SKY_PER_YEAR), pairs: pairs.length };
}

/** Sensors are of two kinds: most hold far better than their class allows, some are off by more. Both together have the class's deviation; the shares are a judgement, and measured by nobody. */
const KINDS = [
  { share: 0.7, neglectedShare: 0.3, times: 1 / 3 },
  { share: 0.3, neglectedShare: 0.7, times: 1.75 },
] as const;

/**
 * What is to be taken for the light's drift, and its deviation, from what is known of its source and what the clear sky says. A little that the sky shows is the sky's
 * own most often, and hardly taken; much is the sensor's. `stabilityFrac` is one deviation of the source, as a share a year;
 * `isNeglected` that its dome was seen dirty for weeks: then nobody looked after it.
 */
export function likelyDrift(
  seen: LightDrift | null,
  stabilityFrac: number,
  isNeglected = false,
): { readonly perYearFrac: number; readonly standardFrac: number } {
  if (!seen) return { perYearFrac: 0, standardFrac: stabilityFrac };
  const kinds = KINDS.map(({ share, neglectedShare, times }) => {
    const [own, sky] = [(times * stabilityFrac) ** 2, seen.standardFrac ** 2];
    const taken = own / (own + sky);
    const fit = Math.exp(-(seen.perYearFrac ** 2) / (2 * (own + sky))) / Math.sqrt(own + sky);
    return { weight: (isNeglected ? neglectedShare : share) * fit, mean: taken * seen.perYearFrac, variance: taken * sky };
  });
  const all = kinds.reduce((sum, { weight }) => sum + weight, 0);
  const over = (of: (kind: (typeof kinds)[number]) => number): number =>
    kinds.reduce((sum, kind) => sum + (kind.weight / all) * of(kind), 0);
  const perYearFrac = over(({ mean }) => mean);
  return { perYearFrac, standardFrac: Math.sqrt(over(({ mean, variance }) => variance + (mean - perYearFrac) ** 2)) };
}
