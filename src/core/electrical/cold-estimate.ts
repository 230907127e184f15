import type { Place } from "../site";

/** Yearly mean of a latitude's air at sea level, C, by the second Legendre polynomial. Source: North, Cahalan & Coakley, 1981, Energy balance climate models. */
const zonalMeanC = (sine: number): number => 14.5 - 28 * (1.5 * sine * sine - 0.5);
/** Fall of temperature with height, K a metre. Source: ISO 2533:1975, Standard atmosphere. */
const LAPSE_K_PER_M = 0.0065;
/** Winter under the yearly mean, and the coldest morning under the winter, K: at the equator, and what the far north or south adds to it inland. */
const SWING_K = { equator: 8, pole: 40 } as const;

/**
 * A rough guess at the coldest air that a place may see, C, by latitude and height. It leans to the cold side, since coasts are milder than it says: good
 * for seeing what a missing record could mean, never for a verdict. Within some 10 K inland.
 */
export function coldestAirGuessC({ latitudeDeg, elevationM }: Pick<Place, "latitudeDeg" | "elevationM">): number {
  const sine = Math.abs(Math.sin((latitudeDeg * Math.PI) / 180));
  return zonalMeanC(sine) - LAPSE_K_PER_M * elevationM - SWING_K.equator - (SWING_K.pole - SWING_K.equator) * sine;
}
