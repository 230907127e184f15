import type { TimeAxis } from "../series";
import { DAY_MS, degToRad, HOUR_MS, MINUTE_MS } from "../units";
import { type GeocentricSun, geocentricSun } from "./geocentric";

/** Direction of the sun from the earth's centre in the frame that turns with the earth: x to Greenwich on the equator, z to the north pole. */
export interface EarthFixedSun {
  x: number;
  y: number;
  z: number;
}

/** Earth-fixed unit vectors at the middle of each step that starts in one UTC year. One table serves every place. */
export interface SunTable {
  readonly startUtcMs: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
}

/** Exact positions are taken this often; between them a parabola is off by less than 0.00001 deg (third difference of the yearly motion). */
const NODE_MS = 12 * HOUR_MS;
/** Sidereal advance, rad a millisecond. Source: Aoki et al., 1982, The new definition of universal time. */
const SIDEREAL_RAD_PER_MS = degToRad(360.98564736629) / DAY_MS;

/** A year's exact positions at 0 h and 12 h: equatorial unit vectors and apparent sidereal time at Greenwich. */
interface YearNodes {
  readonly startUtcMs: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly siderealRad: Float64Array;
}

function yearNodes(year: number): YearNodes {
  const startUtcMs = Date.UTC(year, 0, 1);
  // A step that starts in the year may end a day after it.
  const count = Math.round((Date.UTC(year + 1, 0, 1) - startUtcMs) / NODE_MS) + 3;
  const column = (): Float64Array => new Float64Array(count);
  const nodes: YearNodes = { startUtcMs, x: column(), y: column(), z: column(), siderealRad: column() };
  const sun: GeocentricSun = { declinationRad: 0, rightAscensionRad: 0, siderealRad: 0, distanceAu: 1 };
  for (let k = 0; k < count; k++) {
    geocentricSun(startUtcMs + k * NODE_MS, sun);
    const cosDeclination = Math.cos(sun.declinationRad);
    nodes.x[k] = cosDeclination * Math.cos(sun.rightAscensionRad);
    nodes.y[k] = cosDeclination * Math.sin(sun.rightAscensionRad);
    nodes.z[k] = Math.sin(sun.declinationRad);
    nodes.siderealRad[k] = sun.siderealRad;
  }
  return nodes;
}

/** Even index of the three nodes (0 h, 12 h, 24 h) around an instant. */
const firstNode = (nodes: YearNodes, utcMs: number): number => 2 * Math.floor((utcMs - nodes.startUtcMs) / DAY_MS);

/** Earth-fixed direction at one instant of the nodes' year. */
function interpolated(nodes: YearNodes, utcMs: number, out: EarthFixedSun): EarthFixedSun {
  const k = firstNode(nodes, utcMs);
  const sinceMs = utcMs - (nodes.startUtcMs + k * NODE_MS);
  const u = sinceMs / NODE_MS;
  const w0 = (1 - u) * (1 - u / 2);
  const w1 = u * (2 - u);
  const w2 = (u * (u - 1)) / 2;
  const x = w0 * nodes.x[k]! + w1 * nodes.x[k + 1]! + w2 * nodes.x[k + 2]!;
  const y = w0 * nodes.y[k]! + w1 * nodes.y[k + 1]! + w2 * nodes.y[k + 2]!;
  const turn = nodes.siderealRad[k]! + SIDEREAL_RAD_PER_MS * sinceMs;
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  out.x = x * cos + y * sin;
  out.y = y * cos - x * sin;
  out.z = w0 * nodes.z[k]! + w1 * nodes.z[k + 1]! + w2 * nodes.z[k + 2]!;
  return out;
}

/** Fills a year's table day by day: the earth's turn is a rotation carried from step to step and set anew each midnight. */
function fillTable(nodes: YearNodes, stepMs: number, table: SunTable): SunTable {
  const { x: outX, y: outY, z: outZ } = table;
  const count = outX.length;
  const cosStep = Math.cos(SIDEREAL_RAD_PER_MS * stepMs);
  const sinStep = Math.sin(SIDEREAL_RAD_PER_MS * stepMs);
  let i = 0;
  while (i < count) {
    const midMs = table.startUtcMs + (i + 0.5) * stepMs;
    const k = firstNode(nodes, midMs);
    const dayMs = nodes.startUtcMs + k * NODE_MS;
    const until = Math.min(count, Math.ceil((dayMs + DAY_MS - table.startUtcMs) / stepMs - 0.5));
    const [x0, x1, x2] = [nodes.x[k]!, nodes.x[k + 1]!, nodes.x[k + 2]!];
    const [y0, y1, y2] = [nodes.y[k]!, nodes.y[k + 1]!, nodes.y[k + 2]!];
    const [z0, z1, z2] = [nodes.z[k]!, nodes.z[k + 1]!, nodes.z[k + 2]!];
    const turn = nodes.siderealRad[k]! + SIDEREAL_RAD_PER_MS * (midMs - dayMs);
    let cos = Math.cos(turn);
    let sin = Math.sin(turn);
    let u = (midMs - dayMs) / NODE_MS;
    const uStep = stepMs / NODE_MS;
    for (; i < until; i++) {
      const w0 = (1 - u) * (1 - u / 2);
      const w1 = u * (2 - u);
      const w2 = (u * (u - 1)) / 2;
      const x = w0 * x0 + w1 * x1 + w2 * x2;
      const y = w0 * y0 + w1 * y1 + w2 * y2;
      outX[i] = x * cos + y * sin;
      outY[i] = y * cos - x * sin;
      outZ[i] = w0 * z0 + w1 * z1 + w2 * z2;
      const turned = cos * cosStep - sin * sinStep;
      sin = sin * cosStep + cos * sinStep;
      cos = turned;
      u += uStep;
    }
  }
  return table;
}

/** Steps kept over all tables, 24 bytes each: forty years of hours, or three of five-minute steps. Longer records pass through once, and keep their own sun where they are asked again. */
const CACHED_STEPS = 350_000;

/** Tables and exact positions by UTC year, kept while they are in use. */
export interface Ephemeris {
  /** Steps that start in a UTC year, on the grid of `stepMinutes` that begins `phaseMs` after the year. */
  table(year: number, stepMinutes: number, phaseMs: number): SunTable;
  /** Direction at an instant of a year (up to a day after it). */
  at(year: number, utcMs: number, out: EarthFixedSun): EarthFixedSun;
}

export function ephemeris(): Ephemeris {
  const nodes = new Map<number, YearNodes>();
  const tables = new Map<string, SunTable>();
  let kept = 0;
  const nodesOf = (year: number): YearNodes => {
    const made = nodes.get(year) ?? yearNodes(year);
    nodes.set(year, made);
    return made;
  };
  const make = (year: number, stepMs: number, phaseMs: number): SunTable => {
    const startUtcMs = Date.UTC(year, 0, 1) + phaseMs;
    const count = Math.ceil((Date.UTC(year + 1, 0, 1) - startUtcMs) / stepMs);
    const column = (): Float64Array => new Float64Array(count);
    return fillTable(nodesOf(year), stepMs, { startUtcMs, x: column(), y: column(), z: column() });
  };
  return {
    table(year, stepMinutes, phaseMs) {
      const key = `${year}/${stepMinutes}/${phaseMs}`;
      const cached = tables.get(key);
      if (cached) return cached;
      const made = make(year, stepMinutes * MINUTE_MS, phaseMs);
      tables.set(key, made);
      kept += made.x.length;
      for (const [oldest, table] of tables) {
        if (kept <= CACHED_STEPS || oldest === key) break;
        tables.delete(oldest);
        kept -= table.x.length;
      }
      return made;
    },
    at: (year, utcMs, out) => interpolated(nodesOf(year), utcMs, out),
  };
}

/** The axis's intervals by the UTC year in which they start: `tableFrom` is the first one's place in that year's table. */
export function* byUtcYear(axis: TimeAxis): Generator<{ year: number; from: number; to: number; phaseMs: number; tableFrom: number }> {
  const stepMs = axis.stepMinutes * MINUTE_MS;
  let from = 0;
  while (from < axis.count) {
    const startMs = axis.startUtcMs + from * stepMs;
    const year = new Date(startMs).getUTCFullYear();
    const to = Math.min(axis.count, Math.ceil((Date.UTC(year + 1, 0, 1) - axis.startUtcMs) / stepMs));
    const sinceYearMs = startMs - Date.UTC(year, 0, 1);
    const phaseMs = sinceYearMs % stepMs;
    yield { year, from, to, phaseMs, tableFrom: Math.round((sinceYearMs - phaseMs) / stepMs) };
    from = to;
  }
}
