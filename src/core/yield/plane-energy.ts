import { curveTable, usualCurve } from "../inverter";
import { type Plane, planeOf, tiltWeight } from "../irradiance";
import { IAM_STEPS, type PlaneReflection, planeReflection, weakLight } from "../module";
import { nameplateW, type Site, siteAcRatedW } from "../site";
import { ASSUMED_EFFICIENCY_FRAC } from "./inverter-groups";
import { type LitSky, STRIDE } from "./lit-sky";
import { weakTableOf } from "./module-power";
import { excessByTable } from "./sub-hourly";

/** What of a site does not depend on the plane, taken once for a whole map: all its modules on all its inverters. */
export interface PlaneTerms {
  readonly site: Site;
  readonly ratedW: number;
  readonly gammaPmpPerK: number;
  readonly acRatedW: number;
  readonly curve: Float64Array;
  readonly curvePerW: number;
  /** Shares that every watt keeps before the inverter, and after it. */
  readonly dcRetainedFrac: number;
  readonly acRetainedFrac: number;
  readonly soilingRetainedFrac: number;
  /** Power by light on the cells, at even steps of light. */
  readonly weakTable: Float64Array;
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

export function planeTerms(site: Site): PlaneTerms {
  const { losses, inverters } = site;
  const ratedW = nameplateW(site);
  const acRatedW = siteAcRatedW(site) || Number.POSITIVE_INFINITY;
  const efficiency = inverters.length > 0 ? mean(inverters.map((inverter) => inverter.ratedEfficiencyFrac)) : ASSUMED_EFFICIENCY_FRAC;
  const constant = site.models.inverter === "constant" || inverters.length === 0;
  const flat = [0, 1].map((loadFrac) => ({ loadFrac, efficiencyFrac: efficiency }));
  const curve = curveTable(constant ? flat : (inverters[0]?.efficiencyCurve ?? usualCurve(efficiency)));
  return {
    site,
    ratedW,
    gammaPmpPerK: mean(site.arrays.map((array) => site.modules[array.module]!.gammaPmpPerK)),
    acRatedW,
    weakTable: weakBySuns(site.arrays.map((array) => weakTableOf(site.modules[array.module]!))),
    curve: curve.efficiency,
    curvePerW: curve.stepsPerUnit / (Number.isFinite(acRatedW) ? acRatedW / efficiency : ratedW),
    dcRetainedFrac: (1 - losses.mismatchFrac) * (1 - losses.dcWiringFrac),
    acRetainedFrac: (1 - losses.acWiringFrac) * (1 - losses.transformerFrac) * (1 - losses.availabilityFrac),
    soilingRetainedFrac: 1 - (losses.soilingMonthlyFrac ? mean(losses.soilingMonthlyFrac) : losses.soilingFrac),
  };
}

/** The law weakLight at even steps of light: without a root in the loop, and off by 0.00007 of a sun at the most, in the last light of dusk. */
const SUNS_STEPS = 1024;
const LAST_SUNS_PLACE = 2 * SUNS_STEPS;
function weakBySuns(tables: readonly Float64Array[]): Float64Array {
  return Float64Array.from({ length: LAST_SUNS_PLACE + 2 }, (_, k) => mean(tables.map((table) => weakLight(table, k / SUNS_STEPS))));
}

/**
 * AC energy, kWh, of all modules of a book in one plane over a lit sky, in one pass and without accounts: the same laws as the chain
 * (coefficient power, Faiman), for maps and sliders. Within 0.001 % of the chain for a site of one array (tested).
 */
export function planeEnergyKwh(sky: LitSky, terms: PlaneTerms, tiltDeg: number, azimuthDeg: number): number {
  const reflection = planeReflection(terms.site.models.reflection, tiltDeg);
  return (sumOfWatts(sky, terms, planeOf(tiltDeg, azimuthDeg), reflection) * sky.hoursPerStep) / 1000;
}

function sumOfWatts({ rows, count }: LitSky, terms: PlaneTerms, plane: Plane, reflection: PlaneReflection): number {
  const { east, north, up, skyViewFrac } = plane;
  const { table, skyFrac, groundFrac } = reflection;
  const { acRatedW, curve, curvePerW, dcRetainedFrac: dcKept } = terms;
  const { weakTable } = terms;
  const tilted = tiltWeight(terms.site.models.transposition, plane);
  const groundView = plane.groundViewFrac * terms.site.albedo;
  const lastLoad = curve.length - 2;
  const toPlace = (terms.soilingRetainedFrac / 1000) * SUNS_STEPS;
  let sum = 0;
  for (let i = 0, row = 0; i < count; i++, row += STRIDE) {
    const cosine = east * rows[row]! + north * rows[row + 1]! + up * rows[row + 2]!;
    let even = rows[row + 4]! * skyViewFrac;
    // A horizon that is darker than the rest is bright leaves no light, not less than none.
    if (tilted !== 0) even = Math.max(0, even + rows[row + 10]! * tilted);
    const fromGround = rows[row + 5]! * groundView;
    let light = even + fromGround;
    let passed = even * skyFrac + fromGround * groundFrac;
    if (cosine > 0) {
      const directional = rows[row + 3]! * cosine;
      const at = Math.min(cosine, 1) * IAM_STEPS;
      const k = at | 0;
      const left = table[k]!;
      light += directional;
      passed += directional * (left + (table[k + 1]! - left) * (at - k));
    }
    const place = Math.min(passed * toPlace, LAST_SUNS_PLACE);
    const s = place | 0;
    const weak = weakTable[s]! + (weakTable[s + 1]! - weakTable[s]!) * (place - s);
    const dcW = weak * (rows[row + 6]! + rows[row + 7]! * light) * rows[row + 8]! * dcKept;
    const load = Math.min(dcW * curvePerW, lastLoad);
    const l = load | 0;
    let acW = dcW * (curve[l]! + (curve[l + 1]! - curve[l]!) * (load - l));
    const deviation = acW * rows[row + 9]!;
    if (acW + 3.5 * deviation > acRatedW) acW -= deviation > 0 ? excessByTable(acW, deviation, acRatedW) : acW - acRatedW;
    sum += acW;
  }
  return sum * terms.acRetainedFrac;
}
