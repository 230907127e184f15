import type { ModuleType, PlacedArray } from "../site";
import { degToRad } from "../units";

/** Most patches of one array; larger arrays get wider ones. */
const MOST_COLUMNS = 24;
const MOST_ROWS = 6;
const MOST_PATCHES = 48;
/** Where a patch is looked at, as shares of its module's height: near its lower and its upper edge. */
const LOOKS = [0.04, 0.96] as const;

/**
 * Patches of an array: parts of modules that a bypass diode can take out, each looked at in two points. Points in the site's plan,
 * [east, north, up] one after another, two a patch; the string of each patch.
 */
export interface Patches {
  readonly points: Float64Array;
  readonly count: number;
  readonly strings: readonly (readonly number[])[];
}

const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(high, value));

export function patchesOf(place: PlacedArray, module: ModuleType): Patches {
  const { array, columns, rows } = place;
  const parts = array.orientation === "portrait" ? clamp(module.bypassDiodes, 1, 3) : 1;
  const along = Math.min(rows, MOST_ROWS);
  const across = Math.min(columns * parts, MOST_COLUMNS, Math.floor(MOST_PATCHES / along));
  const points = new Float64Array(across * along * 6);
  const perString = array.modulesPerString ?? array.count;
  const byString = new Map<number, number[]>();
  let patch = 0;
  for (let r = 0; r < along; r++) {
    for (let c = 0; c < across; c++, patch++) {
      const row = Math.floor(((r + 0.5) / along) * rows);
      const column = Math.floor(((c + 0.5) / across) * columns);
      const string = Math.floor(Math.min(row * columns + column, array.count - 1) / perString);
      byString.set(string, [...(byString.get(string) ?? []), patch]);
      LOOKS.forEach((look, k) => {
        putPoint(place, (c + 0.5) / across, (row + look) / rows, points, (patch * 2 + k) * 3);
      });
    }
  }
  return { points, count: patch, strings: [...byString.values()] };
}

/** Writes a point of the array's plane: shares of its width from the left (seen from the front) and of its slant from the foot. */
function putPoint(place: PlacedArray, across: number, along: number, out: Float64Array, at: number): void {
  const { array, widthM, slantM, eastM, northM, upM } = place;
  const azimuth = degToRad(array.azimuthDeg);
  const tilt = degToRad(array.tiltDeg);
  const side = (across - 0.5) * widthM;
  const slope = (along - 0.5) * slantM;
  // Up the slope is away from where the array faces.
  const back = slope * Math.cos(tilt);
  out[at] = eastM - back * Math.sin(azimuth) - side * Math.cos(azimuth);
  out[at + 1] = northM - back * Math.cos(azimuth) + side * Math.sin(azimuth);
  out[at + 2] = upM + slope * Math.sin(tilt);
}
