/** Energy of a morning by an hour, beside what a cloudless one gives by then, kWh. */
export interface Morning {
  readonly readKwh: number;
  readonly cloudlessKwh: number;
}

export interface TwoMornings {
  /** Second against first, each over its own cloudless morning, as a share. */
  readonly frac: number;
  readonly low: number;
  readonly high: number;
  readonly sharesFrac: readonly [number, number];
  /**
   * - `more`, `less`: beyond what two cloudless mornings differ by.
   * - `within`: two cloudless mornings differ by as much.
   * - `cloud`: one of them was not cloudless: nothing can be told.
   */
  readonly verdict: "more" | "less" | "within" | "cloud";
}

/** Two cloudless mornings of neighbouring days differ by about so much in haze and air. Source: Reno, Hansen & Stein, 2012, Global horizontal irradiance clear sky models (scatter of clear hours, 5 to 10 %). */
const MORNINGS_HALF_FRAC = 0.1;
/** Under this share of a cloudless morning there was cloud, or half of the plant stood still. */
const CLOUD_FRAC = 0.75;

/** "A little more by mid-morning than yesterday": held against cloudless mornings of both days. Null where the sun has given nothing by then. */
export function twoMornings(first: Morning, second: Morning): TwoMornings | null {
  if (!(first.cloudlessKwh > 0 && second.cloudlessKwh > 0 && first.readKwh > 0)) return null;
  const sharesFrac = [first.readKwh / first.cloudlessKwh, second.readKwh / second.cloudlessKwh] as const;
  const frac = sharesFrac[1] / sharesFrac[0] - 1;
  const [low, high] = [frac - MORNINGS_HALF_FRAC, frac + MORNINGS_HALF_FRAC];
  const isCloudy = sharesFrac.some((share) => share < CLOUD_FRAC);
  return { frac, low, high, sharesFrac, verdict: isCloudy ? "cloud" : low > 0 ? "more" : high < 0 ? "less" : "within" };
}
