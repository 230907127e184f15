/** A power that was read of one plane, beside what the sky of that minute would give it, W. */
export interface ReadPlane {
  readonly expectedW: number;
  readonly readW: number;
}

export interface TwoReadings {
  /** Of the second over the first, as a share: what should come, and what was read. */
  readonly expectedGainFrac: number;
  readonly readGainFrac: number;
  /** What was read over what should come, of each. */
  readonly sharesFrac: readonly [number, number];
  /**
   * - `both`: each fits a cloudless sky, and so does the gain.
   * - `gain`: both lie off by the same share (haze, dirt, heat), and the gain is what it should be.
   * - `more-than-sky`: one is more than a cloudless sky gives: an angle, the clock or the reading is not what it was taken for.
   * - `light-changed`: they lie off by unlike shares: the light changed between them, or an angle is not what it was taken for.
   */
  readonly verdict: "both" | "gain" | "more-than-sky" | "light-changed";
}

/** A computed cloudless sky is right for one minute within so much. Source: Reno, Hansen & Stein, 2012, Global horizontal irradiance clear sky models (5 to 10 % of single values). */
const SKY_HALF_FRAC = 0.1;
/** A gain of two readings minutes apart is right within so much: a steady sky drifts by some per cent, and a display rounds. Own judgement. */
const GAIN_HALF_FRAC = 0.05;

/** Two readings of one array, minutes apart and placed otherwise, each judged by itself and against each other. Null where the sky gives nothing. */
export function twoReadings(first: ReadPlane, second: ReadPlane): TwoReadings | null {
  if (!(first.expectedW > 0 && second.expectedW > 0 && first.readW > 0)) return null;
  const sharesFrac = [first.readW / first.expectedW, second.readW / second.expectedW] as const;
  const expectedGainFrac = second.expectedW / first.expectedW - 1;
  const readGainFrac = second.readW / first.readW - 1;
  const isSameSky = Math.abs(sharesFrac[1] / sharesFrac[0] - 1) <= GAIN_HALF_FRAC;
  const fits = sharesFrac.every((share) => Math.abs(share - 1) <= SKY_HALF_FRAC);
  const isTooMuch = sharesFrac.some((share) => share > 1 + SKY_HALF_FRAC);
  const verdict = isTooMuch ? "more-than-sky" : !isSameSky ? "light-changed" : fits ? "both" : "gain";
  return { expectedGainFrac, readGainFrac, sharesFrac, verdict };
}
