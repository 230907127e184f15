import {
  ABSORBED_FRAC,
  AIR_CHANGES,
  AIR_WH_M3K,
  DEVICE_SUNNY_FRAC,
  ENCLOSURES,
  FILM_WM2K,
  type GearStanding,
  SHADED_FRAC,
} from "./standing";

/** Hours of a place: air, C, light on a roof, on walls (mean of all sides) and on the sunniest wall, W/m2, and the heat that the gear gives off, W. */
export interface GearHours {
  readonly airTempC: ArrayLike<number>;
  readonly roofWm2: ArrayLike<number>;
  readonly wallsWm2: ArrayLike<number>;
  readonly sunnyWallWm2: ArrayLike<number>;
  readonly heatW: ArrayLike<number>;
  readonly stepHours: number;
}

/**
 * Temperature around gear, C: the surfaces at their sol-air temperature, leaks and openings at the air's, the ground at the year's mean, and the gear's own heat
 * between them; a slow space follows with its lag. Source: ASHRAE, 2021, Handbook: Fundamentals, ch. 14 and 18 (sol-air temperature; balance of a space).
 */
export function gearTempC(standing: GearStanding, hours: GearHours): Float64Array {
  const { place, colour, isShaded, airing } = standing;
  const { airTempC, roofWm2, wallsWm2, sunnyWallWm2, heatW, stepHours } = hours;
  const count = airTempC.length;
  const taken = (ABSORBED_FRAC[colour] * (isShaded ? SHADED_FRAC : 1)) / FILM_WM2K;
  if (place === "outside-sun" || place === "outside-shade") {
    const sun = place === "outside-sun" ? taken : (ABSORBED_FRAC[colour] * SHADED_FRAC) / FILM_WM2K;
    return Float64Array.from({ length: count }, (_, i) => airTempC[i]! + sun * DEVICE_SUNNY_FRAC * sunnyWallWm2[i]!);
  }
  const { areaM2, uWm2K, roofFrac, volumeM3, lagHours, groundWK } = ENCLOSURES[place];
  const envelopeWK = areaM2 * uWm2K;
  const airWK = AIR_WH_M3K * AIR_CHANGES[airing] * volumeM3;
  const groundC = meanOf(airTempC);
  const follows = 1 - Math.exp(-stepHours / lagHours);
  const out = new Float64Array(count);
  let inside = groundC;
  for (let i = 0; i < count; i++) {
    const solAirC = airTempC[i]! + taken * (roofFrac * roofWm2[i]! + (1 - roofFrac) * wallsWm2[i]!);
    const settled = (envelopeWK * solAirC + airWK * airTempC[i]! + groundWK * groundC + heatW[i]!) / (envelopeWK + airWK + groundWK);
    inside += follows * (settled - inside);
    out[i] = inside;
  }
  return out;
}

function meanOf(values: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]!;
  return values.length > 0 ? sum / values.length : 0;
}
