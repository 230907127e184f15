import { degToRad } from "../units";

/** Angular loss coefficient of a clean glass module. Source: Martin & Ruiz, 2001, table 1 (m-Si, 0.169) and 2005 (0.16 recommended). */
export const MARTIN_RUIZ_AR = 0.16;
/** Incidence modifier coefficient of plain glass. Source: ASHRAE 93; Souka & Safwat, 1966. */
export const ASHRAE_B0 = 0.05;

export type ReflectionModel = "martin-ruiz" | "ashrae";
/** Transmittance at an angle of incidence over that at normal incidence, 0 to 1, from the cosine; 0 from behind. */
export type IncidenceModifier = (cosIncidence: number) => number;

/** Source: Martin & Ruiz, 2001, Calculation of the PV modules angular losses under field conditions, eq. 4. */
export function martinRuiz(cosIncidence: number, ar: number): number {
  return cosIncidence <= 0 ? 0 : (1 - Math.exp(-cosIncidence / ar)) / (1 - Math.exp(-1 / ar));
}

/** Source: Souka & Safwat, 1966, Determination of the optimum orientations; ASHRAE 93. */
export function ashrae(cosIncidence: number, b0: number): number {
  return cosIncidence <= 0 ? 0 : Math.max(0, 1 - b0 * (1 / cosIncidence - 1));
}

/** The modifier of a model at its default coefficient, with constants taken once. */
export function incidenceModifier(model: ReflectionModel): IncidenceModifier {
  if (model === "ashrae") return (cosIncidence) => ashrae(cosIncidence, ASHRAE_B0);
  const scale = 1 / (1 - Math.exp(-1 / MARTIN_RUIZ_AR));
  return (cosIncidence) => (cosIncidence <= 0 ? 0 : (1 - Math.exp(-cosIncidence / MARTIN_RUIZ_AR)) * scale);
}

const RINGS = 4000;

/**
 * A modifier averaged over the isotropic sky or ground that a plane of this tilt sees, weighted with cos(incidence); NaN where it
 * sees none (the ground from a flat plane). Midpoint rule over rings of equal incidence, within 1e-5.
 * Source: Martin & Ruiz, 2001, eq. 6 and 7, integrated numerically.
 */
export function diffuseModifier(modifier: IncidenceModifier, tiltDeg: number, from: "sky" | "ground"): number {
  const tilt = degToRad(tiltDeg);
  let passed = 0;
  let seen = 0;
  for (let k = 0; k < RINGS; k++) {
    const incidence = ((k + 0.5) / RINGS) * (Math.PI / 2);
    const skyShare = Math.acos(clampToUnit(-1 / (Math.tan(tilt) * Math.tan(incidence)))) / Math.PI;
    const weight = Math.cos(incidence) * Math.sin(incidence) * (from === "sky" ? skyShare : 1 - skyShare);
    passed += weight * modifier(Math.cos(incidence));
    seen += weight;
  }
  return seen > 1e-12 ? passed / seen : Number.NaN;
}

const clampToUnit = (x: number): number => Math.min(1, Math.max(-1, x));
