import { degToRad } from "../units";
import type { ModuleType, PvArray, Site } from "./types";

/** Length over width of a usual module; a module of unknown area gets one of this power density. Source: IEC 61215 class of crystalline modules. */
const MODULE_ASPECT = 1.75;
const USUAL_WM2 = 200;
/** Clamps and joints between modules, m. */
const JOINT_M = 0.02;
/** Ground left free between arrays that nobody has placed. */
const APART_M = 3;

/** Long and short side of a module, m. */
export function moduleSizeM({ areaM2, pmpW }: ModuleType): { readonly lengthM: number; readonly widthM: number } {
  const area = areaM2 ?? pmpW / USUAL_WM2;
  const widthM = Math.sqrt(area / MODULE_ASPECT);
  return { lengthM: area / widthM, widthM };
}

/** How an array's modules lie: columns along its foot, rows up its slope, and its whole size. */
export interface ArrayLayout {
  readonly columns: number;
  readonly rows: number;
  readonly widthM: number;
  readonly slantM: number;
}

export function arrayLayout(site: Site, array: PvArray): ArrayLayout {
  const { lengthM, widthM } = moduleSizeM(site.modules[array.module]!);
  const [across, up] = array.orientation === "portrait" ? [widthM, lengthM] : [lengthM, widthM];
  const usual = Math.min(array.count, array.modulesPerString ?? Math.ceil(Math.sqrt(2 * array.count)));
  const rows = Math.min(array.count, array.rows ?? Math.ceil(array.count / usual));
  const columns = Math.ceil(array.count / rows);
  return { columns, rows, widthM: columns * (across + JOINT_M) - JOINT_M, slantM: rows * (up + JOINT_M) - JOINT_M };
}

/** An array in the site's plan: the middle of its plane, m, and how it lies. */
export interface PlacedArray extends ArrayLayout {
  readonly array: PvArray;
  readonly eastM: number;
  readonly northM: number;
  /** Of the middle of the plane, above the ground. */
  readonly upM: number;
}

/** Where an array stands; one without a place stands east of those before it. Throws a RangeError for an array that the site lacks. */
export function arrayPlace(site: Site, arrayId: string): PlacedArray {
  let freeM = 0;
  for (const array of site.arrays) {
    const layout = arrayLayout(site, array);
    const eastM = array.eastM ?? freeM + (freeM === 0 ? 0 : layout.widthM / 2);
    if (array.id === arrayId) {
      const upM = array.baseHeightM + (layout.slantM / 2) * Math.sin(degToRad(array.tiltDeg));
      return { ...layout, array, eastM, northM: array.northM ?? 0, upM };
    }
    freeM = Math.max(freeM, eastM + layout.widthM / 2 + APART_M);
  }
  throw new RangeError(`The site has no array ${arrayId}`);
}

/** Rows whose distance nobody gave stand free of each other's shade from this height of the sun on, degrees: the usual spacing of fields at middle latitudes. */
const FREE_FROM_DEG = 15;
/** Lower edge of rows over ground whose height nobody gave, m. */
const USUAL_CLEARANCE_M = 0.7;
/** Left between rows to walk and to mount, in lengths of the slope: flat rows cast no shade and still are apart. */
const AISLE = 0.5;

/** Rows an array stands in, by their own distance or by the usual one, in lengths of the slope. */
export function rowsOf(site: Site, array: PvArray): { readonly tiltDeg: number; readonly pitch: number; readonly clearance: number } {
  const { slantM } = arrayLayout(site, array);
  const tilt = degToRad(array.tiltDeg);
  const usual = Math.cos(tilt) + Math.max(AISLE, Math.sin(tilt) / Math.tan(degToRad(FREE_FROM_DEG)));
  // Rows can't stand in each other: the next begins behind the last's upper edge.
  const pitch = Math.max(array.rowPitchM === null ? usual : array.rowPitchM / slantM, Math.cos(tilt) + 0.01);
  return { tiltDeg: array.tiltDeg, pitch, clearance: (array.baseHeightM || USUAL_CLEARANCE_M) / slantM };
}
