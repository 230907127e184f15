import { curveTable, usualCurve } from "../inverter";
import { type Plane, planeOf, tiltWeight } from "../irradiance";
import { HEAT_LOSS, IAM_STEPS, lowLightFactor, type Mounting, type PlaneReflection, planeReflection } from "../module";
import { nameplateW, type Site } from "../site";
import { type LitSky, STRIDE } from "./lit-sky";
import { meanExcess } from "./sub-hourly";

/** All modules of a book in one plane, on all its inverters together. */
export interface OnePlane {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
  readonly mounting: Mounting;
}

/** What of a site does not depend on the plane, taken once for a whole map. */
export interface PlaneTerms {
  readonly site: Site;
  readonly nameplateW: number;
  readonly gammaPmpPerK: number;
  readonly acRatedW: number;
  readonly curve: Float64Array;
  readonly curvePerW: number;
  /** Shares that every watt keeps before the inverter, and after it. */
  readonly dcKept: number;
  readonly acKept: number;
  readonly soilingKept: number;
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

export function planeTerms(site: Site): PlaneTerms {
  const whole = nameplateW(site);
  const { losses } = site;
  const rated = site.inverters.reduce((sum, inverter) => {
    const devices = inverter.perModule
      ? site.arrays.reduce((n, array) => n + (inverter.arrays.includes(array.id) ? array.count : 0), 0)
      : 1;
    return sum + inverter.acRatedW * devices;
  }, 0);
  const efficiency = site.inverters.length > 0 ? mean(site.inverters.map((inverter) => inverter.ratedEfficiencyFrac)) : 0.96;
  const points = site.inverters[0]?.efficiencyCurve ?? usualCurve(efficiency);
  const constant = site.models.inverter === "constant" || site.inverters.length === 0;
  const curve = curveTable(
    constant
      ? [
          { loadFrac: 0, efficiencyFrac: efficiency },
          { loadFrac: 1, efficiencyFrac: efficiency },
        ]
      : points,
  );
  const gammas = site.arrays.map((array) => site.modules[array.module]!.gammaPmpPerK);
  return {
    site,
    nameplateW: whole,
    gammaPmpPerK: mean(gammas),
    acRatedW: rated > 0 ? rated : Number.POSITIVE_INFINITY,
    curve: curve.efficiency,
    curvePerW: curve.stepsPerUnit / (rated > 0 ? rated / efficiency : whole),
    dcKept: (1 - losses.mismatchFrac) * (1 - losses.dcWiringFrac),
    acKept: (1 - losses.acWiringFrac) * (1 - losses.transformerFrac) * (1 - losses.availabilityFrac),
    soilingKept: 1 - (losses.soilingMonthlyFrac ? mean(losses.soilingMonthlyFrac) : losses.soilingFrac),
  };
}

const SUNS_STEPS = 1024;
const MOST_SUNS = 2;

/** Power over nameplate at 25 C by the light on the cells, in suns: the law lowLightFactor times suns, smooth enough for straight lines (within 1e-6). */
const WEAK_LIGHT = Float64Array.from(
  { length: MOST_SUNS * SUNS_STEPS + 2 },
  (_, k) => (k / SUNS_STEPS) * lowLightFactor((1000 * k) / SUNS_STEPS),
);

/**
 * AC energy, kWh, of all modules in one plane over a lit sky, in one pass and without accounts: the same laws as the chain (coefficient
 * power, Faiman), for maps and sliders. Within 0.1 % of the chain for a site of one array (tested).
 */
export function planeEnergyKwh(sky: LitSky, terms: PlaneTerms, at: OnePlane): number {
  const plane = planeOf(at.tiltDeg, at.azimuthDeg);
  const reflection = planeReflection(terms.site.models.reflection, at.tiltDeg);
  return (sumOfWatts(sky, terms, plane, reflection, at.mounting) * sky.hoursPerStep) / 1000;
}

function sumOfWatts(sky: LitSky, terms: PlaneTerms, plane: Plane, reflection: PlaneReflection, mounting: Mounting): number {
  const { rows, count } = sky;
  const { east, north, up, skyViewFrac } = plane;
  const { table, skyFrac, groundFrac } = reflection;
  const { u0, u1 } = HEAT_LOSS[mounting];
  const { gammaPmpPerK, acRatedW, curve, curvePerW, acKept } = terms;
  const ratedDcW = terms.nameplateW * terms.dcKept;
  const tilted = tiltWeight(terms.site.models.transposition, plane);
  const groundView = plane.groundViewFrac * terms.site.albedo;
  const lastLoad = curve.length - 2;
  const toSuns = terms.soilingKept / 1000;
  let sum = 0;
  for (let i = 0, row = 0; i < count; i++, row += STRIDE) {
    const cosine = east * rows[row]! + north * rows[row + 1]! + up * rows[row + 2]!;
    const even = rows[row + 4]! * skyViewFrac + rows[row + 5]! * tilted;
    const fromGround = rows[row + 6]! * groundView;
    let light = even + fromGround;
    let passed = even * skyFrac + fromGround * groundFrac;
    if (cosine > 0) {
      const directional = rows[row + 3]! * cosine;
      const place = (cosine < 1 ? cosine : 1) * IAM_STEPS;
      const k = place | 0;
      const left = table[k]!;
      light += directional;
      passed += directional * (left + (table[k + 1]! - left) * (place - k));
    }
    const suns = passed * toSuns;
    const sunsPlace = (suns < MOST_SUNS ? suns : MOST_SUNS) * SUNS_STEPS;
    const s = sunsPlace | 0;
    const weak = WEAK_LIGHT[s]! + (WEAK_LIGHT[s + 1]! - WEAK_LIGHT[s]!) * (sunsPlace - s);
    const warm = 1 + gammaPmpPerK * (rows[row + 7]! + light / (u0 + u1 * rows[row + 8]!) - 25);
    const dcW = ratedDcW * weak * warm * rows[row + 9]!;
    const load = dcW * curvePerW;
    const at = load < lastLoad ? load | 0 : lastLoad;
    const share = load < lastLoad ? load - at : 0;
    let acW = dcW * (curve[at]! + (curve[at + 1]! - curve[at]!) * share);
    const deviation = acW * rows[row + 10]!;
    if (acW + 3.5 * deviation > acRatedW) {
      const over = meanExcess(acW, deviation, acRatedW);
      acW -= over > acW - acRatedW ? over : acW - acRatedW;
    }
    sum += acW;
  }
  return sum * acKept;
}
