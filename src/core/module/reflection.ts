import { degToRad } from "../units";
import { type IamTable, type IncidenceModifier, iamTable } from "./iam-table";

/** Angular loss coefficient of a clean glass module. Source: Martin & Ruiz, 2001, table 1 (m-Si, 0.169) and 2005 (0.16 recommended). */
export const MARTIN_RUIZ_AR = 0.16;
/** Incidence modifier coefficient of plain glass. Source: ASHRAE 93; Souka & Safwat, 1966. */
export const ASHRAE_B0 = 0.05;
/** One pane of low-iron glass with an anti-reflection layer. Source: De Soto, Klein & Beckman, 2006 (glazing), with the effective index of a coated pane. */
export const COATED_GLASS: Glass = { refractiveIndex: 1.3, glazingPerM: 4, thicknessM: 0.002 };

export interface Glass {
  readonly refractiveIndex: number;
  /** Extinction coefficient, 1/m. */
  readonly glazingPerM: number;
  readonly thicknessM: number;
}

export type ReflectionModel = "martin-ruiz" | "ashrae" | "fresnel";

/** Source: Martin & Ruiz, 2001, Calculation of the PV modules angular losses under field conditions, eq. 4. */
export function martinRuiz(cosIncidence: number, ar: number): number {
  return cosIncidence <= 0 ? 0 : (1 - Math.exp(-cosIncidence / ar)) / (1 - Math.exp(-1 / ar));
}

/** Source: Souka & Safwat, 1966, Determination of the optimum orientations; ASHRAE 93. */
export function ashrae(cosIncidence: number, b0: number): number {
  return cosIncidence <= 0 ? 0 : Math.max(0, 1 - b0 * (1 / cosIncidence - 1));
}

/** Refraction, reflection and absorption of one pane. Source: Snell, Fresnel and Bouguer as in De Soto, Klein & Beckman, 2006, eq. 13 to 16. */
export function fresnel(cosIncidence: number, { refractiveIndex, glazingPerM, thicknessM }: Glass): number {
  if (cosIncidence <= 0) return 0;
  const atNormal = Math.exp(-glazingPerM * thicknessM) * (1 - ((1 - refractiveIndex) / (1 + refractiveIndex)) ** 2);
  const theta = Math.acos(Math.min(1, cosIncidence));
  if (theta < 1e-6) return 1;
  const refracted = Math.asin(Math.sin(theta) / refractiveIndex);
  const minus = refracted - theta;
  const plus = refracted + theta;
  const reflected = 0.5 * ((Math.sin(minus) / Math.sin(plus)) ** 2 + (Math.tan(minus) / Math.tan(plus)) ** 2);
  return (Math.exp((-glazingPerM * thicknessM) / Math.cos(refracted)) * (1 - reflected)) / atNormal;
}

/** The modifier of a model at its default coefficients. */
export function incidenceModifier(model: ReflectionModel): IncidenceModifier {
  if (model === "ashrae") return (cosIncidence) => ashrae(cosIncidence, ASHRAE_B0);
  if (model === "fresnel") return (cosIncidence) => fresnel(cosIncidence, COATED_GLASS);
  return (cosIncidence) => martinRuiz(cosIncidence, MARTIN_RUIZ_AR);
}

const RINGS = 4000;

/**
 * A modifier averaged over the isotropic sky or ground that a plane of this tilt sees, weighted with cos(incidence); NaN where it
 * sees none (the ground from a flat plane). Midpoint rule over rings of equal incidence, within 1e-5.
 * Source: Martin & Ruiz, 2001, eq. 6 and 7, integrated numerically.
 */
export function diffuseModifier(modifier: IncidenceModifier, tiltDeg: number, from: "sky" | "ground", rings = RINGS): number {
  const tilt = degToRad(tiltDeg);
  let passed = 0;
  let seen = 0;
  for (let k = 0; k < rings; k++) {
    const incidence = ((k + 0.5) / rings) * (Math.PI / 2);
    const skyShare = Math.acos(clampToUnit(-1 / (Math.tan(tilt) * Math.tan(incidence)))) / Math.PI;
    const weight = Math.cos(incidence) * Math.sin(incidence) * (from === "sky" ? skyShare : 1 - skyShare);
    passed += weight * modifier(Math.cos(incidence));
    seen += weight;
  }
  return seen > 1e-12 ? passed / seen : Number.NaN;
}

const clampToUnit = (x: number): number => Math.min(1, Math.max(-1, x));

/** A model's modifiers for a plane: by angle as a table, and for sky and ground as means (1 where the plane sees none). */
export interface PlaneReflection {
  readonly table: IamTable;
  readonly skyFrac: number;
  readonly groundFrac: number;
}

const tables = new Map<ReflectionModel, IamTable>();
const planes = new Map<string, PlaneReflection>();
/** Means are smooth in tilt; 600 rings are within 1e-5 of 4,000 and are taken once a tilt. */
const RUN_RINGS = 600;
const CACHED_PLANES = 500;

/** Modifiers of a plane, remembered by model and tilt. */
export function planeReflection(model: ReflectionModel, tiltDeg: number): PlaneReflection {
  const key = `${model}/${tiltDeg}`;
  const cached = planes.get(key);
  if (cached) return cached;
  const modifier = incidenceModifier(model);
  const table = tables.get(model) ?? iamTable(modifier);
  tables.set(model, table);
  const mean = (from: "sky" | "ground"): number => {
    const frac = diffuseModifier(modifier, tiltDeg, from, RUN_RINGS);
    return Number.isNaN(frac) ? 1 : frac;
  };
  const made = { table, skyFrac: mean("sky"), groundFrac: mean("ground") };
  if (planes.size >= CACHED_PLANES) planes.clear();
  planes.set(key, made);
  return made;
}
