import type { ModulePlace } from "../site";
import { costOfSaying, VERY_STRONG } from "../statistics";
import { HOURS, type HourBins } from "./bins";
import { binned, sharesOf, weightedQuantile } from "./shares";
import { LEAST_CELL_FRAC, LEAST_PEERS, LEAST_SPREAD_FRAC, OWN_LEVEL_SHARE } from "./thresholds";

/** How a module's level goes over the weeks. */
export interface LevelCourse {
  readonly kind: "flat" | "step" | "with-edge";
  /** Level of each week over that of its best time: 1 where it is at its best. */
  readonly relative: Float64Array;
  /** Standard error of what it lies lower by. */
  readonly errorFrac: number;
  /** Of a step: the week from which it is lower. */
  readonly week: number | null;
}

/** A week beside the last or first belongs to a rim, not to a step. */
const LEAST_WEEKS = 3;

/** Level of a module by week: where most hours of the day lie, so that an hour in the shade doesn't count. NaN for a week without enough light. */
export function weeklyLevels(
  own: Float32Array,
  peers: Float32Array,
  { hourOfWeekOf, weeks }: HourBins,
  counts: (hour: number) => boolean,
): Float64Array {
  const energy = binned(own, peers, hourOfWeekOf, weeks * HOURS, counts);
  const shares = sharesOf(energy, LEAST_CELL_FRAC);
  return Float64Array.from({ length: weeks }, (_, week) => {
    const [from, to] = [week * HOURS, (week + 1) * HOURS];
    return weightedQuantile(shares.subarray(from, to), energy.peersKwh.subarray(from, to), OWN_LEVEL_SHARE);
  });
}

/**
 * Tells by one criterion whether weekly levels are one level, fall at a step, or follow the others of the lower edge; a flat level stands unless another says
 * very much more. A module is held against itself at another time here, so that it does not matter how equal modules are.
 */
export function courseOf(k: number, places: readonly ModulePlace[], weekly: readonly Float64Array[]): LevelCourse {
  const levels = weekly[k]!;
  const flat: LevelCourse = { kind: "flat", relative: new Float64Array(levels.length).fill(1), errorFrac: 0, week: null };
  const weeks = [...levels.keys()].filter((week) => !Number.isNaN(levels[week]!));
  if (weeks.length < 4 * LEAST_WEEKS) return flat;
  const own = weeks.map((week) => levels[week]!);
  const ways = [stepOf(own, weeks, levels.length), alongEdge(own, weeks, edgeBeside(k, places, weekly))].filter((way) => way !== null);
  // Every module is another chance to find a step where there is none.
  const byChance = 2 * Math.log(places.length);
  const flatCost = costOfSaying(own.length, lossAround(own), 1);
  const likeliest = ways.filter(({ cost }) => cost < flatCost - VERY_STRONG - byChance).sort((a, b) => a.cost - b.cost)[0];
  return likeliest?.course ?? flat;
}

interface Way {
  readonly cost: number;
  readonly course: LevelCourse;
}

const meanOf = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
/** A record without any scatter is told to a tenth of a per mille. */
const LEAST_LOSS = 1e-8;

function lossAround(values: readonly number[]): number {
  const mean = meanOf(values);
  return LEAST_LOSS + meanOf(values.map((value) => (value - mean) ** 2));
}

/** The step down that explains most; null where the best one goes up, which no fault does. */
function stepOf(own: readonly number[], weeks: readonly number[], count: number): Way | null {
  let best = { at: 0, loss: Number.POSITIVE_INFINITY };
  for (let at = LEAST_WEEKS; at <= own.length - LEAST_WEEKS; at++) {
    const loss = (at * lossAround(own.slice(0, at)) + (own.length - at) * lossAround(own.slice(at))) / own.length;
    if (loss < best.loss) best = { at, loss };
  }
  const { at, loss } = best;
  const [before, after] = [meanOf(own.slice(0, at)), meanOf(own.slice(at))];
  if (after >= before) return null;
  const week = weeks[at]!;
  const relative = Float64Array.from({ length: count }, (_, other) => (other < week ? 1 : after / before));
  const errorFrac = Math.max(LEAST_SPREAD_FRAC, Math.sqrt(loss * (1 / at + 1 / (own.length - at))) / before);
  return { cost: costOfSaying(own.length, loss, 3), course: { kind: "step", relative, errorFrac, week } };
}

/** Of an edge's weeks the cleanest: what the module would be without the dirt. */
const CLEAN_SHARE = 0.9;

/** A line along what the others of the edge do. */
function alongEdge(own: readonly number[], weeks: readonly number[], edge: Float64Array | null): Way | null {
  const beside = edge && weeks.map((week) => edge[week]!);
  if (!beside || beside.some(Number.isNaN)) return null;
  const [my, mx] = [meanOf(own), meanOf(beside)];
  const xx = beside.reduce((sum, x) => sum + (x - mx) ** 2, 0);
  const slope = xx > 0 ? beside.reduce((sum, x, i) => sum + (x - mx) * (own[i]! - my), 0) / xx : 0;
  if (slope <= 0) return null;
  const clean = [...beside].sort((a, b) => a - b)[Math.floor(CLEAN_SHARE * (beside.length - 1))]!;
  const lineAt = (x: number): number => my + slope * (x - mx);
  const relative = Float64Array.from(edge, (x) => (Number.isNaN(x) ? 1 : Math.min(1, lineAt(x) / lineAt(clean))));
  const loss = LEAST_LOSS + meanOf(own.map((y, i) => (y - lineAt(beside[i]!)) ** 2));
  return {
    cost: costOfSaying(own.length, loss, 2),
    course: {
      kind: "with-edge",
      relative,
      errorFrac: Math.max(LEAST_SPREAD_FRAC, Math.sqrt(loss / own.length) / lineAt(clean)),
      week: null,
    },
  };
}

/** Mean level of the others along the lower edge against the rest of the array, by week; null where the module lies at none. */
function edgeBeside(k: number, places: readonly ModulePlace[], weekly: readonly Float64Array[]): Float64Array | null {
  const lowest = Math.max(...places.map(({ row }) => row));
  if (lowest === 0 || places[k]!.row !== lowest) return null;
  const others = weekly.filter((_, n) => n !== k && places[n]!.row === lowest);
  const rest = weekly.filter((_, n) => places[n]!.row !== lowest);
  if (others.length < LEAST_PEERS || rest.length < LEAST_PEERS) return null;
  const meanAt = (columns: readonly Float64Array[], week: number): number =>
    meanOf(columns.map((column) => column[week]!).filter((value) => !Number.isNaN(value)));
  return weekly[k]!.map((_, week) => meanAt(others, week) / meanAt(rest, week));
}
