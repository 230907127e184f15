import { type ModulePlace, modulePlaces, type Site } from "../site";
import { monthBins } from "../time";
import { DAYS_PER_YEAR, HOUR_MS, MINUTE_MS } from "../units";
import { HOURS, hourBins } from "./bins";
import { type ArrayNeighbours, arrayNeighbours, type OddModule, type PeerLoss } from "./odd-modules";
import type { ModuleReadings } from "./readings";
import { binned, LEAST_PAINTED_FRAC, sharesOf } from "./shares";

/** A module among its neighbours: shares of what the sound ones gave in the same hours, NaN where nothing tells. */
export interface ModuleAmongPeers extends ModulePlace {
  readonly kwh: number;
  readonly wholeShare: number;
  readonly yearShares: Float64Array;
  readonly monthShares: Float64Array;
  readonly hourShares: Float64Array;
  /** Lit hours in which its peers were read and it was not. */
  readonly unreadHours: number;
}

/** An odd module with what it loses a year, and since when. */
export interface OddInReport extends OddModule {
  readonly array: string;
  /** What it loses a year, or in a shorter record what it lost in it. */
  readonly told: PeerLoss;
  readonly sinceUtcMs: number | null;
}

export interface NeighbourReport {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
  /** Whether losses are told a year; of less than one they are the record's, since a season says nothing of the others. */
  readonly isPerYear: boolean;
  readonly years: readonly string[];
  /** "2025-03". */
  readonly months: readonly string[];
  readonly modules: readonly ModuleAmongPeers[];
  readonly odd: readonly OddInReport[];
  readonly swapped: readonly (readonly [string, string])[];
  /** Spread of the sound modules of each array that has enough of them. */
  readonly spreads: readonly { readonly array: string; readonly spreadFrac: number }[];
  /** Arrays with too few modules to have neighbours, or too few that agree. */
  readonly tooFew: readonly string[];
  /** Ids that found no place in any array. */
  readonly unplaced: readonly string[];
}

/** Sets every module of a site against the sound ones of its array, in the same light. */
export function neighbourReport(site: Site, readings: ModuleReadings): NeighbourReport {
  const { axis, ids } = readings;
  const places = modulePlaces(site, ids);
  const { timeZone } = site.place;
  const months = monthBins(axis, timeZone);
  const years = [...new Set(months.keys.map((key) => key.slice(0, 4)))];
  const yearOf = Uint16Array.from(months.binOf, (bin) => years.indexOf(months.keys[bin]!.slice(0, 4)));
  const bins = hourBins(axis, timeZone);
  const hourOf = Uint16Array.from(bins.cellOf, (cell) => cell % HOURS);
  const arrays = site.arrays.map(({ id }) => {
    const own = places.filter(({ array }) => array === id);
    const kwh = own.map((place) => readings.kwh[ids.indexOf(place.id)]!);
    return { id, places: own, kwh, among: arrayNeighbours(own, kwh, bins) };
  });
  const told = arrays.flatMap(({ id, among, ...rest }) => (among ? [{ id, among, ...rest }] : []));
  const yearsLong = axis.count / HOURS / DAYS_PER_YEAR;
  const isPerYear = yearsLong >= NEARLY_A_YEAR;
  return {
    fromUtcMs: axis.startUtcMs,
    toUtcMs: axis.startUtcMs + axis.count * HOUR_MS,
    isPerYear,
    years,
    months: months.keys,
    modules: told.flatMap(({ among, places: own, kwh }) =>
      own.map((place, k) => ({
        ...place,
        ...sharesIn(kwh[k]!, among, {
          months: { of: months.binOf, count: months.keys.length },
          years: { of: yearOf, count: years.length },
          hours: { of: hourOf, count: HOURS },
        }),
      })),
    ),
    odd: told
      .flatMap(({ id, among }) =>
        among.odd.map((odd) => ({
          ...odd,
          array: id,
          told: isPerYear ? over(odd.lost, yearsLong) : odd.lost,
          sinceUtcMs: sinceOf(odd, readings),
        })),
      )
      .sort((a, b) => b.lost.kwh - a.lost.kwh),
    swapped: told.flatMap(({ among }) => among.swapped.map((pair) => pair.ids)),
    spreads: told.map(({ id, among }) => ({ array: id, spreadFrac: among.spreadFrac })),
    tooFew: arrays.filter(({ places: own, among }) => own.length > 0 && !among).map(({ id }) => id),
    unplaced: ids.filter((id) => !places.some((place) => place.id === id)),
  };
}

interface Bins {
  readonly of: Uint16Array;
  readonly count: number;
}

function sharesIn(kwh: Float32Array, { peers, lit }: ArrayNeighbours, bins: Readonly<Record<"months" | "years" | "hours", Bins>>) {
  const share = ({ of, count }: Bins, leastFrac: number): Float64Array => sharesOf(binned(kwh, peers, of, count), leastFrac);
  const whole = binned(kwh, peers, new Uint8Array(kwh.length), 1);
  let [sum, unreadHours] = [0, 0];
  for (let t = 0; t < kwh.length; t++) {
    if (!Number.isNaN(kwh[t]!)) sum += kwh[t]!;
    else if (lit[t] === 1) unreadHours++;
  }
  return {
    kwh: sum,
    wholeShare: sharesOf(whole)[0]!,
    yearShares: share(bins.years, 0),
    monthShares: share(bins.months, LEAST_PAINTED_FRAC),
    hourShares: share(bins.hours, LEAST_PAINTED_FRAC),
    unreadHours,
  };
}

/** A record of a year may lack a few of its first and last days. */
const NEARLY_A_YEAR = 0.97;

const over = ({ kwh, halfKwh }: PeerLoss, years: number): PeerLoss => ({ kwh: kwh / years, halfKwh: halfKwh / years });

const sinceOf = ({ sinceHour }: OddModule, { axis }: ModuleReadings): number | null =>
  sinceHour === null ? null : axis.startUtcMs + sinceHour * axis.stepMinutes * MINUTE_MS;
