import type { ModulePlace } from "../site";
import { studentQuantile, Z_95 } from "../statistics";
import { CELLS, HOURS, type HourBins } from "./bins";
import { type DarkCells, darkCells } from "./dark-cells";
import { peersKwh, soundLevel } from "./peers";
import { type BinnedEnergy, binned } from "./shares";
import { litHours, silentHours } from "./silence";
import { type SwappedIds, swappedIds } from "./swapped";
import { FALSE_ALARM_FRAC, LEAST_PEERS, LEAST_SPREAD_FRAC, PART_FRAC, SPREAD_EFFICIENCY } from "./thresholds";
import { courseOf, type LevelCourse, weeklyLevels } from "./weeks";

/** Why a module gives less than its neighbours, as likely as its readings tell it. */
export const ODD_CAUSES = ["silent", "shaded", "edge-dirt", "bypassed-part", "weak", "swapped"] as const;
export type OddCause = (typeof ODD_CAUSES)[number];

/** A loss against the neighbours, kWh, with half of its 95 % interval. */
export interface PeerLoss {
  readonly kwh: number;
  readonly halfKwh: number;
}

export interface OddModule {
  readonly id: string;
  readonly cause: OddCause;
  /** All of it, and what silence, dark hours, a lower level and a level that fell take of it. */
  readonly lost: PeerLoss;
  readonly silent: PeerLoss;
  readonly shaded: PeerLoss;
  readonly level: PeerLoss;
  readonly fell: PeerLoss;
  /** Share of the level of sound modules that it has now where nothing darkens it. */
  readonly levelFrac: number;
  readonly silentHours: number;
  /** First hour of the axis from which its level is lower; null where it always was, or came by no step. */
  readonly sinceHour: number | null;
  /** Local hours [from, to) and months (0 to 11) that hold most of what shade takes; null without any. */
  readonly darkAt: { readonly fromHour: number; readonly toHour: number; readonly months: readonly number[] } | null;
  /** Whose name it may bear. */
  readonly swappedWith: string | null;
}

/** What modules of one array say of each other. */
export interface ArrayNeighbours {
  /** What a sound module gives hour by hour, kWh. */
  readonly peers: Float32Array;
  readonly lit: Uint8Array;
  /** Spread of sound modules, in standard deviations, share. */
  readonly spreadFrac: number;
  readonly odd: readonly OddModule[];
  readonly swapped: readonly SwappedIds[];
}

/** Fewer modules than this in an array have no neighbours to be held against. */
export const LEAST_MODULES = LEAST_PEERS + 1;

/** A spread that is told from so many modules is known as if from so many values that all tell. */
const degreesOf = (modules: number): number => Math.max(1, SPREAD_EFFICIENCY * (modules - 1));

/** How many spreads the lowest of so many sound modules may lie under the others by chance. */
const chanceOf = (modules: number): number => studentQuantile(1 - FALSE_ALARM_FRAC / modules, degreesOf(modules));

/** Sets each module of an array against the sound ones in the same hours. `kwh` in the order of the places. Null with too few modules, or too few that agree. */
export function arrayNeighbours(places: readonly ModulePlace[], kwh: readonly Float32Array[], bins: HourBins): ArrayNeighbours | null {
  if (places.length < LEAST_MODULES) return null;
  const peers = peersKwh(kwh);
  const lit = litHours(peers);
  const silent = kwh.map((own) => silentHours(own, peers, lit));
  const worksAt = (k: number) => (t: number) => lit[t] === 1 && silent[k]![t] === 0;
  const weekly = kwh.map((own, k) => weeklyLevels(own, peers, bins, worksAt(k)));
  const courses = kwh.map((_, k) => courseOf(k, places, weekly));
  // At its best level at all times: so a level that fell is no dark hour of the months after.
  const atBest = kwh.map((own, k) =>
    courses[k]!.kind === "flat" ? own : own.map((value, t) => value / courses[k]!.relative[bins.weekOf[t]!]!),
  );
  const energies = atBest.map((own, k) => binned(own, peers, bins.cellOf, CELLS, worksAt(k)));
  const dark = darkCells(energies);
  const levels = dark.map(({ levelFrac }) => levelFrac);
  const { middle, spread } = soundLevel(levels);
  // Levels that lie all over are no measure of each other.
  if (Number.isNaN(middle)) return null;
  const spreadFrac = Math.max(LEAST_SPREAD_FRAC, spread / middle);
  const usualHalf = studentQuantile(0.975, degreesOf(places.length)) * spreadFrac;
  const swapped = swappedIds(places, energies, levels);
  const terms = { peers, weekOf: bins.weekOf, middle, spreadFrac, usualHalf, chance: chanceOf(places.length), swapped };
  const odd = places.flatMap(
    ({ id }, k) =>
      oddModule(
        { id, own: kwh[k]!, works: worksAt(k), silent: silent[k]!, energy: energies[k]!, dark: dark[k]!, course: courses[k]! },
        terms,
      ) ?? [],
  );
  return { peers, lit, spreadFrac, odd, swapped };
}

interface Seen {
  readonly id: string;
  readonly own: Float32Array;
  readonly works: (hour: number) => boolean;
  readonly silent: Uint8Array;
  readonly energy: BinnedEnergy;
  readonly dark: DarkCells;
  readonly course: LevelCourse;
}

interface Terms {
  readonly peers: Float32Array;
  readonly weekOf: Uint16Array;
  readonly middle: number;
  readonly spreadFrac: number;
  /** Half of the 95 % interval of sound modules, share. */
  readonly usualHalf: number;
  readonly chance: number;
  readonly swapped: readonly SwappedIds[];
}

const NONE: PeerLoss = { kwh: 0, halfKwh: 0 };
const lossIf = (isSure: boolean, kwh: number, halfKwh: number): PeerLoss => (isSure ? { kwh, halfKwh } : NONE);

function oddModule(seen: Seen, terms: Terms): OddModule | null {
  const { id, dark, energy, silent, course } = seen;
  const { middle, spreadFrac, usualHalf, chance } = terms;
  const bestFrac = dark.levelFrac / middle;
  const owedKwh = middle * energy.peersKwh.reduce((a, b) => a + b, 0);
  const silentKwh = dark.levelFrac * sumWhere(terms.peers, silent);
  const fell = fallOf(seen, terms);
  const parts = {
    silent: lossIf(silentKwh > 0, silentKwh, usualHalf * silentKwh),
    shaded: lossIf(dark.lostKwh > chance * dark.errorKwh, dark.lostKwh, Z_95 * dark.errorKwh),
    level: lossIf(1 - bestFrac > chance * spreadFrac, (1 - bestFrac) * owedKwh, usualHalf * owedKwh),
    fell: lossIf(fell.kwh > 0, fell.kwh, fell.halfKwh),
  };
  const pair = terms.swapped.find(({ ids }) => ids.includes(id));
  const all = Object.values(parts);
  const lost = { kwh: all.reduce((sum, { kwh }) => sum + kwh, 0), halfKwh: Math.hypot(...all.map(({ halfKwh }) => halfKwh)) };
  // Sound modules differ by so much anyway: a little shade alone makes none odd.
  const isOdd = parts.silent.kwh + parts.level.kwh + parts.fell.kwh > 0 || parts.shaded.kwh > usualHalf * owedKwh;
  if (!isOdd && !pair) return null;
  const nowFrac = bestFrac * (course.kind === "step" ? course.relative.at(-1)! : 1);
  return {
    id,
    cause: pair ? "swapped" : causeOf(parts, nowFrac, course),
    lost,
    ...parts,
    levelFrac: nowFrac,
    silentHours: silent.reduce((a, b) => a + b, 0),
    sinceHour: course.week === null ? null : terms.weekOf.indexOf(course.week),
    darkAt: parts.shaded === NONE ? null : darkAt(dark, energy),
    swappedWith: pair ? (pair.ids[0] === id ? pair.ids[1] : pair.ids[0]) : null,
  };
}

/** What the fall of a level takes. When in its week it fell is not known. */
function fallOf({ own, works, dark, course }: Seen, { peers, weekOf }: Terms): PeerLoss {
  if (course.kind === "flat") return NONE;
  let [kwh, owedKwh, inWeekKwh] = [0, 0, 0];
  for (let t = 0; t < own.length; t++) {
    const relative = course.relative[weekOf[t]!]!;
    if (relative >= 1 || Number.isNaN(own[t]!) || !(peers[t]! > 0) || !works(t)) continue;
    const owed = dark.levelFrac * peers[t]!;
    kwh += (1 - relative) * owed;
    owedKwh += owed;
    if (weekOf[t] === course.week) inWeekKwh += (1 - relative) * owed;
  }
  return { kwh, halfKwh: Math.hypot(Z_95 * course.errorFrac * owedKwh, inWeekKwh) };
}

type Parts = Readonly<Record<"silent" | "shaded" | "level" | "fell", PeerLoss>>;

/** The largest part names the cause. */
function causeOf({ silent, shaded, level, fell }: Parts, nowFrac: number, course: LevelCourse): OddCause {
  const most = Math.max(silent.kwh, shaded.kwh, level.kwh, fell.kwh);
  if (silent.kwh === most) return "silent";
  if (shaded.kwh === most) return "shaded";
  if (fell.kwh === most && course.kind === "with-edge") return "edge-dirt";
  return isWholePart(nowFrac) ? "bypassed-part" : "weak";
}

/** Modules have three bypassed parts as a rule: one or two of them give nothing. */
const isWholePart = (levelFrac: number): boolean => [1 / 3, 2 / 3].some((part) => Math.abs(levelFrac - part) < PART_FRAC);

/** Of hours and months those that hold most of the shade: each at least this share of the worst. */
const DARK_CORE_FRAC = 0.25;

function darkAt({ dark, levelFrac }: DarkCells, { ownKwh, peersKwh: owed }: BinnedEnergy): OddModule["darkAt"] {
  const lostAt = (cell: number): number => (dark[cell] === 1 ? Math.max(0, levelFrac * owed[cell]! - ownKwh[cell]!) : 0);
  const byHour = Array.from({ length: HOURS }, (_, hour) => sumOf(12, (month) => lostAt(month * HOURS + hour)));
  const byMonth = Array.from({ length: 12 }, (_, month) => sumOf(HOURS, (hour) => lostAt(month * HOURS + hour)));
  const core = (values: readonly number[]): number[] => {
    const most = Math.max(...values);
    return [...values.keys()].filter((at) => values[at]! > 0 && values[at]! >= DARK_CORE_FRAC * most);
  };
  const hours = core(byHour);
  return hours.length === 0 ? null : { fromHour: hours[0]!, toHour: hours.at(-1)! + 1, months: core(byMonth) };
}

const sumOf = (count: number, of: (k: number) => number): number =>
  Array.from({ length: count }, (_, k) => of(k)).reduce((a, b) => a + b, 0);

function sumWhere(values: Float32Array, flags: Uint8Array): number {
  let sum = 0;
  for (let t = 0; t < values.length; t++) if (flags[t] === 1) sum += values[t]!;
  return sum;
}
