import { type CurveTable, curveTable, type KingInverter, kingInverterW } from "../inverter";
import { type Plane, planeOf } from "../irradiance";
import { type DiodeTable, type EfficiencyGrid, type PlaneReflection, planeReflection } from "../module";
import { type ShadeScene, shadeScene } from "../shading";
import { arrayNameplateW, type ModuleType, nameplateW, type PvArray, type Site } from "../site";
import { curveOf, type InverterGroup, inverterGroups, ratedDcW } from "./inverter-groups";
import { diodeTableOf, matrixOf, weakTableOf } from "./module-power";
import { type RearPlan, rearPlan } from "./rear-light";

/** One array with every constant that its stages need, taken once. */
export interface ArrayPlan {
  readonly array: PvArray;
  readonly module: ModuleType;
  readonly plane: Plane;
  readonly reflection: PlaneReflection;
  /** Null: nothing stands in its light. */
  readonly shade: ShadeScene | null;
  /** Null: nothing behind makes power. */
  readonly rear: RearPlan | null;
  readonly nameplateW: number;
  /** Of the site's nameplate, 0 to 1. */
  readonly shareFrac: number;
  /** Power by weak light, for the coefficient's way. */
  readonly weakTable: Float64Array;
  /** Null: matrix or temperature coefficient are used. */
  readonly diode: DiodeTable | null;
  /** Measured over light and heat; null: the temperature coefficient is used. */
  readonly matrix: EfficiencyGrid | null;
}

export interface GroupPlan {
  readonly group: InverterGroup;
  readonly arrays: readonly ArrayPlan[];
  /** Null: a constant efficiency. */
  readonly curve: CurveTable | null;
  readonly ratedDcW: number;
  readonly nightW: number;
}

/** What stood, ready to run: made once for each arrangement of the site. */
export function planOf(site: Site): GroupPlan[] {
  const whole = nameplateW(site);
  return inverterGroups(site).map((group) => ({
    group,
    arrays: group.arrays.map((array) => arrayPlan(site, array, whole)),
    curve: curveFor(site, group),
    ratedDcW: ratedDcW(site, group),
    nightW: (group.inverter?.nightDrawW ?? 0) * group.devices,
  }));
}

function arrayPlan(site: Site, array: PvArray, wholeW: number): ArrayPlan {
  const ratedW = arrayNameplateW(site, array);
  const module = site.modules[array.module]!;
  const shade = shadeScene(site, array);
  return {
    array,
    module,
    plane: planeOf(array.tiltDeg, array.azimuthDeg),
    reflection: planeReflection(site.models.reflection, array.tiltDeg),
    shade,
    rear: rearPlan(site, array, ratedW, shade),
    nameplateW: ratedW,
    shareFrac: ratedW / wholeW,
    weakTable: weakTableOf(module),
    diode: site.models.power === "single-diode" ? diodeTableOf(module) : null,
    matrix: matrixOf(module)?.grid ?? null,
  };
}

const curves = new Map<string, CurveTable>();
const CACHED_CURVES = 60;

/** Part-load curve of a group, or the King model at its rated voltage as a curve; null where the efficiency is constant. */
function curveFor(site: Site, group: InverterGroup): CurveTable | null {
  if (site.models.inverter === "constant" || !group.inverter) return null;
  const { king } = group.inverter;
  const byKing = site.models.inverter === "king" && king !== null;
  const points = byKing ? kingPoints(king, ratedDcW(site, group)) : curveOf(group);
  const key = JSON.stringify(points);
  const cached = curves.get(key) ?? curveTable(points);
  if (curves.size >= CACHED_CURVES) curves.clear();
  curves.set(key, cached);
  return cached;
}

function kingPoints(king: KingInverter, ratedW: number): { loadFrac: number; efficiencyFrac: number }[] {
  const devices = Math.max(1, Math.round(ratedW / king.pdc0W));
  return Array.from({ length: 120 }, (_, k) => {
    const loadFrac = (k + 1) / 100;
    const pdcW = (loadFrac * ratedW) / devices;
    return { loadFrac, efficiencyFrac: Math.max(0, kingInverterW(pdcW, king.vdc0V, king)) / pdcW };
  });
}
