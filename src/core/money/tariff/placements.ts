import type { Band } from "./types";

/** Where energy goes for which a bill names no band of the plan: so that it costs least, or most. */
export const PLACEMENTS = ["cheapest", "dearest"] as const;
export type Placement = (typeof PLACEMENTS)[number];

interface Spare {
  readonly bands: readonly Band[];
  /** What is in each band already. */
  readonly ownKwh: readonly number[];
  readonly spareKwh: number;
  /** Months of the stretch: tiers are prorated by them. */
  readonly months: number;
}

/** More ways than this are not tried out; no tariff that is printed on a bill comes near. */
const MOST_WAYS = 20_000;

/**
 * The bands' energies with what has none added where it costs least or most. A cost that is straight between the ends of its tiers has both where all
 * bands but one stand at such an end: those ways are tried. A plan with too many of them is filled by the next kilowatt-hour's price, and by each band
 * alone.
 */
export function withSpare(spare: Spare, placement: Placement): number[] {
  const { bands, ownKwh, spareKwh, months } = spare;
  const sign = placement === "cheapest" ? 1 : -1;
  const ends = bands.map((band, k) => endsAbove(band, ownKwh[k]!, spareKwh, months));
  const ways =
    bands.length * ends.reduce((product, own) => product * own.length, 1) > MOST_WAYS
      ? [...bands.map((_, at) => alone(spare, at)), filledInTurn(spare, 1), filledInTurn(spare, -1)]
      : bands.flatMap((_, free) => waysWith(free, spare, ends));
  const costOf = (kwh: readonly number[]): number => kwh.reduce((sum, own, k) => sum + costOfBand(bands[k]!, own, months), 0);
  const costs = ways.map((way) => sign * costOf(way));
  return ways[costs.indexOf(Math.min(...costs))]!;
}

const alone = ({ ownKwh, spareKwh }: Spare, at: number): number[] => ownKwh.map((kwh, k) => (k === at ? kwh + spareKwh : kwh));

/** What may be added to a band so that it stands at the end of a tier: nothing, or up to each end within reach. */
const endsAbove = ({ tiers }: Band, ownKwh: number, spareKwh: number, months: number): number[] => [
  0,
  ...tiers.flatMap(({ upToKwh }) => {
    const added = (upToKwh ?? 0) * months - ownKwh;
    return added > 0 && added < spareKwh ? [added] : [];
  }),
];

/** All ways in which every band but the free one stands at an end, and that one takes the rest. */
function waysWith(free: number, { ownKwh, spareKwh }: Spare, ends: readonly (readonly number[])[]): number[][] {
  let ways: { readonly kwh: number[]; readonly left: number }[] = [{ kwh: [], left: spareKwh }];
  ownKwh.forEach((own, k) => {
    const added = k === free ? [0] : ends[k]!;
    ways = ways.flatMap(({ kwh, left }) =>
      added.filter((part) => part <= left).map((part) => ({ kwh: [...kwh, own + part], left: left - part })),
    );
  });
  return ways.map(({ kwh, left }) => kwh.map((own, k) => (k === free ? own + left : own)));
}

/** Energy of a band at its tiers' prices. */
function costOfBand({ tiers }: Band, kwh: number, months: number): number {
  let [cost, below] = [0, 0];
  for (const { upToKwh, perKwh } of tiers) {
    const end = Math.min(kwh, upToKwh === null ? Number.POSITIVE_INFINITY : upToKwh * months);
    cost += Math.max(0, end - below) * Number(perKwh);
    below = Math.max(below, end);
  }
  return cost;
}

/** Each part of the spare energy goes to the band whose next kilowatt-hour costs least (1) or most (-1), up to the end of that tier. */
function filledInTurn({ bands, ownKwh, spareKwh, months }: Spare, sign: 1 | -1): number[] {
  const kwh = [...ownKwh];
  for (let left = spareKwh; left > 0; ) {
    const next = bands.map((band, k) => nextTier(band, kwh[k]!, months));
    const prices = next.map(({ perKwh }) => sign * perKwh);
    const at = prices.indexOf(Math.min(...prices));
    const part = Math.min(left, next[at]!.roomKwh);
    kwh[at]! += part;
    left -= part;
  }
  return kwh;
}

/** Price of a band's next kilowatt-hour, and how many cost as much. */
function nextTier({ tiers }: Band, kwh: number, months: number): { readonly perKwh: number; readonly roomKwh: number } {
  for (const { upToKwh, perKwh } of tiers) {
    const roomKwh = upToKwh === null ? Number.POSITIVE_INFINITY : upToKwh * months - kwh;
    if (roomKwh > 0) return { perKwh: Number(perKwh), roomKwh };
  }
  // Above the last tier's end nothing more is charged, as a bill has it.
  return { perKwh: 0, roomKwh: Number.POSITIVE_INFINITY };
}
