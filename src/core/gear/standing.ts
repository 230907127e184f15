/** Where gear stands, in words that somebody can answer. */
export const GEAR_PLACES = ["outside-shade", "outside-sun", "metal-box", "metal-shed", "wooden-shed", "garage", "attic", "cellar"] as const;
export type GearPlace = (typeof GEAR_PLACES)[number];
export const COLOURS = ["light", "middle", "dark"] as const;
export type Colour = (typeof COLOURS)[number];
export const AIRINGS = ["closed", "openings", "fan"] as const;
export type Airing = (typeof AIRINGS)[number];

export interface GearStanding {
  readonly place: GearPlace;
  readonly colour: Colour;
  /** Under a roof of its own, trees or a house: the sun does not reach it. */
  readonly isShaded: boolean;
  readonly airing: Airing;
}

/** A space around gear: what lets the sun's heat in, and what lets it out. */
export interface Enclosure {
  /** Outer surface, m2, its conductance, W/(m2 K), and the share of it that is roof. */
  readonly areaM2: number;
  readonly uWm2K: number;
  readonly roofFrac: number;
  readonly volumeM3: number;
  /** How slowly its air follows, h. */
  readonly lagHours: number;
  /** Temperature of ground or house that it also leans on, as a conductance, W/K. */
  readonly groundWK: number;
}

/** Usual sizes and builds. Conductances: ISO 6946:2017 by its method (sheet metal 5.9, boards of 25 mm 2.8, brick of 240 mm 1.9, tiles on boards 2.5 W/m2K); sizes are own judgement. */
export const ENCLOSURES: Readonly<Record<Exclude<GearPlace, "outside-shade" | "outside-sun">, Enclosure>> = {
  "metal-box": { areaM2: 4, uWm2K: 5.9, roofFrac: 0.15, volumeM3: 0.5, lagHours: 0.5, groundWK: 0 },
  "metal-shed": { areaM2: 30, uWm2K: 5.9, roofFrac: 0.25, volumeM3: 12, lagHours: 0.7, groundWK: 4 },
  "wooden-shed": { areaM2: 30, uWm2K: 2.8, roofFrac: 0.25, volumeM3: 12, lagHours: 1.5, groundWK: 4 },
  garage: { areaM2: 90, uWm2K: 1.9, roofFrac: 0.3, volumeM3: 55, lagHours: 8, groundWK: 20 },
  attic: { areaM2: 110, uWm2K: 2.5, roofFrac: 0.75, volumeM3: 90, lagHours: 2, groundWK: 15 },
  cellar: { areaM2: 15, uWm2K: 1.9, roofFrac: 0, volumeM3: 50, lagHours: 30, groundWK: 150 },
};

/** Share of sunlight that a surface takes up. Source: ASHRAE, 2021, Handbook: Fundamentals, ch. 14 (light 0.45, dark 0.9 over the same film). */
export const ABSORBED_FRAC: Readonly<Record<Colour, number>> = { light: 0.45, middle: 0.7, dark: 0.9 };
/** Of the sun that reaches a shaded surface all the same: sky and ground. Own judgement. */
export const SHADED_FRAC = 0.25;
/** Film of a sunlit surface outside, W/(m2 K). Source: ASHRAE, 2021, Handbook: Fundamentals, ch. 14 (17 in summer wind). */
export const FILM_WM2K = 17;
/** A device that hangs outside turns about a third of its surface to the sun. */
export const DEVICE_SUNNY_FRAC = 1 / 3;
/** Air changes an hour. Source: ASHRAE, 2021, Handbook: Fundamentals, ch. 16 (leaks 0.3 to 1); openings low and high, and a small fan, are own judgement. */
export const AIR_CHANGES: Readonly<Record<Airing, number>> = { closed: 0.5, openings: 8, fan: 40 };
/** Heat that a cubic metre of air carries, Wh/(m3 K). */
export const AIR_WH_M3K = 0.33;
