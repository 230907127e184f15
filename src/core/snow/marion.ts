/** Slide coefficient, share of the slant an hour at sin(tilt) = 1, and the quotient of irradiance and temperature at which snow lets go, W/(m2 K). Source: Marion et al., 2013, table 2 (roof and rack). */
export const SLIDE_PER_HOUR = 0.197;
export const RELEASE_WM2_PER_K = -80;

export interface SlidingSnow {
  readonly sinTilt: number;
  readonly stepHours: number;
  /** Snowfall of one step, cm, that covers the array. */
  readonly coveringCm: number;
  readonly initialCover?: number;
}

/**
 * Share of an array under snow after each step: new snow covers it whole; it slides off while the air is warm or the sun is strong enough.
 * Missing snowfall is none; while light or temperature is missing nothing slides.
 * Source: Marion, Schaefer, Caine & Sanchez, 2013, Measured and modeled photovoltaic system energy losses from snow.
 */
export function fillSnowCover(
  newSnowCm: ArrayLike<number>,
  poaWm2: ArrayLike<number>,
  airTempC: ArrayLike<number>,
  terms: SlidingSnow,
  out: Float64Array,
): Float64Array {
  const slide = SLIDE_PER_HOUR * terms.sinTilt * terms.stepHours;
  let cover = terms.initialCover ?? 0;
  for (let i = 0; i < out.length; i++) {
    if (newSnowCm[i]! >= terms.coveringCm) cover = 1;
    else if (airTempC[i]! > poaWm2[i]! / RELEASE_WM2_PER_K) cover = Math.max(0, cover - slide);
    out[i] = cover;
  }
  return out;
}

/** Power lost to a cover: strings along the slant that are touched give nothing. */
export const coverLossFrac = (cover: number, stringsAlongSlant: number): number =>
  Math.ceil(cover * stringsAlongSlant - 1e-9) / stringsAlongSlant;
