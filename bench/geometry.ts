import type { SiteDocument } from "@/contracts/site";
import { fillShading, shadeScene } from "@/core/shading";
import { runSun } from "@/core/sun";
import { bestSchedule, energyTable } from "@/core/tilt";
import { monthBins } from "@/core/time";
import { prepareWeather, runPrepared } from "@/core/yield";
import { sampleSite, sampleWeather } from "./sample";

export interface GeometryFigures {
  /** Twenty obstacles on ten arrays, a year of hours. */
  readonly shadingMs: number;
  /** The same year through the whole chain, with and without the obstacles. */
  readonly chainShadedMs: number;
  readonly chainOpenMs: number;
  /** One array's scene: what a moved obstacle or another tilt costs before the first hour. */
  readonly sceneMs: number;
  readonly tableMs: number;
  readonly twelveMs: number;
  readonly flattestMs: number;
}

const best = (rounds: number, work: () => void): number => {
  let least = Number.POSITIVE_INFINITY;
  for (let round = 0; round < rounds; round++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
};

/** Ten arrays in two lines and twenty things around them. */
function crowded(site: SiteDocument): SiteDocument {
  const arrays = Array.from({ length: 10 }, (_, k) => ({
    ...site.arrays[0]!,
    id: `a${k}`,
    count: 15,
    tiltDeg: 30,
    eastM: (k % 5) * 20 - 40,
    northM: k < 5 ? 0 : 12,
  }));
  const kinds = ["tree", "pole", "wall", "building"] as const;
  const obstacles = Array.from({ length: 20 }, (_, k) => ({
    id: `o${k}`,
    name: "",
    kind: kinds[k % 4]!,
    heightM: 4 + (k % 7),
    widthM: k % 4 === 1 ? 0.4 : 3 + (k % 5),
    depthM: null,
    facingDeg: 17 * k,
    baseM: null,
    lightThroughMonthlyFrac: null,
    eastM: -60 + 6.3 * k,
    northM: k % 3 === 0 ? 30 : -14 - (k % 5),
  }));
  return { ...site, arrays, obstacles, inverters: [{ ...site.inverters[0]!, arrays: arrays.map((array) => array.id) }] };
}

/** Shading alone: every sunlit hour of the year through each array's scene. */
function shadingMs(site: SiteDocument): number {
  const axis = { startUtcMs: Date.UTC(2025, 0, 1), stepMinutes: 60, count: 8760 };
  const sun = runSun(axis, site.place);
  const lit = Array.from({ length: axis.count }, (_, i) => i).filter((i) => sun.up[i]! > 0);
  const pick = (column: Float64Array): Float64Array => Float64Array.from(lit, (i) => column[i]!);
  const fill = (value: number): Float64Array => new Float64Array(lit.length).fill(value);
  const sky = { east: pick(sun.east), north: pick(sun.north), up: pick(sun.up) };
  const perMonth = Math.ceil(lit.length / 12);
  return best(8, () => {
    for (const array of site.arrays) {
      const scene = shadeScene(site, array)!;
      const light = { ...sky, directionalWm2: fill(600), skyWm2: fill(120), groundWm2: fill(10), poaWm2: fill(730) };
      const power = fill(4000);
      for (let m = 0; m < 12; m++) {
        const part = Object.fromEntries(
          Object.entries(light).map(([name, column]) => [name, column.subarray(m * perMonth, (m + 1) * perMonth)]),
        ) as unknown as typeof light;
        fillShading(part, scene, power.subarray(m * perMonth, (m + 1) * perMonth), m, part.up.length);
      }
    }
  });
}

export async function measureGeometry(): Promise<GeometryFigures> {
  const site = sampleSite();
  const many = crowded(site);
  const weather = sampleWeather(site, 365 / 365.25, 60);
  const prepared = prepareWeather(site.place, weather);
  const bins = monthBins(weather.axis, site.place.timeZone);
  const tree = { ...many.obstacles[0]!, eastM: 3, northM: -15 };
  const wooded = { ...site, obstacles: [tree] };
  const timed = async <T>(work: () => T | Promise<T>): Promise<[T, number]> => {
    const started = performance.now();
    const got = await work();
    return [got, performance.now() - started];
  };
  await energyTable(wooded, prepared, site.arrays[0]!.id, (done) => done < 0.3);
  const [table, tableMs] = await timed(() => energyTable(wooded, prepared, site.arrays[0]!.id));
  const wish = { positions: 12, latitudeDeg: site.place.latitudeDeg, priceByMonth: null };
  return {
    shadingMs: shadingMs(many),
    chainShadedMs: best(5, () => void runPrepared(many, prepared, bins)),
    chainOpenMs: best(5, () => void runPrepared({ ...many, obstacles: [] }, prepared, bins)),
    sceneMs: best(5, () => void shadeScene(many, many.arrays[0]!)),
    tableMs,
    twelveMs: (await timed(() => bestSchedule(table!, { ...wish, goal: "energy" })))[1],
    flattestMs: (await timed(() => bestSchedule(table!, { ...wish, goal: "flattest" })))[1],
  };
}
