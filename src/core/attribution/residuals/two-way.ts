/** One step of the record: the month that it is held against, its stretch of the axis, and its energies. */
export interface StepOf {
  readonly group: string;
  readonly bin: number;
  readonly expected: number;
  readonly metered: number;
}

/** How a stretch of the axis stands, in the log, with its error and how many steps it has. */
export interface BinEffect {
  readonly bin: number;
  readonly log: number;
  readonly error: number;
  readonly count: number;
}

interface Cell {
  readonly group: string;
  readonly bin: number;
  readonly log: number;
  readonly weight: number;
  readonly count: number;
}

/** Sums of fewer steps say more of a cloud than of the plant. */
const LEAST_STEPS = 5;
/** Months in which a stretch must have been seen, for its error to be told. */
const LEAST_GROUPS = 4;
const ROUNDS = 60;

/**
 * Effects of bins apart from those of groups: log ratios of both are fitted by turns, so that a stretch that is met in summer alone does not take the summer's
 * level for its own. Weighted by expected energy; their mean is nothing. Source: Yates, 1934, on the analysis of classifications with unequal numbers.
 */
export function twoWay(steps: readonly StepOf[]): BinEffect[] {
  const cells = cellsOf(steps);
  const seen = new Map<number, number>();
  for (const { bin } of cells) seen.set(bin, (seen.get(bin) ?? 0) + 1);
  const kept = cells.filter(({ bin }) => seen.get(bin)! >= LEAST_GROUPS);
  const [ofGroup, ofBin] = [new Map<string, number>(), new Map<number, number>()];
  for (let round = 0; round < ROUNDS; round++) {
    settle(ofGroup, kept, "group", ({ log, bin }) => log - (ofBin.get(bin) ?? 0));
    settle(ofBin, kept, "bin", ({ log, group }) => log - (ofGroup.get(group) ?? 0));
  }
  const middle = meanOf(kept, ({ bin }) => ofBin.get(bin)!);
  return [...ofBin]
    .map(([bin, log]) => {
      const own = kept.filter((cell) => cell.bin === bin);
      const scatter = meanOf(own, (cell) => (cell.log - log - ofGroup.get(cell.group)!) ** 2);
      const weights = own.reduce((sum, { weight }) => sum + weight, 0) ** 2 / own.reduce((sum, { weight }) => sum + weight ** 2, 0);
      return {
        bin,
        log: log - middle,
        error: Math.sqrt(scatter / Math.max(1, weights - 1)),
        count: own.reduce((sum, { count }) => sum + count, 0),
      };
    })
    .sort((a, b) => a.bin - b.bin);
}

function cellsOf(steps: readonly StepOf[]): Cell[] {
  const sums = new Map<string, { group: string; bin: number; expected: number; metered: number; count: number }>();
  for (const { group, bin, expected, metered } of steps) {
    const key = `${group}/${bin}`;
    const cell = sums.get(key) ?? { group, bin, expected: 0, metered: 0, count: 0 };
    cell.expected += expected;
    cell.metered += metered;
    cell.count++;
    sums.set(key, cell);
  }
  return [...sums.values()]
    .filter(({ count, metered }) => count >= LEAST_STEPS && metered > 0)
    .map(({ group, bin, expected, metered, count }) => ({ group, bin, log: Math.log(metered / expected), weight: expected, count }));
}

function meanOf(cells: readonly Cell[], of: (cell: Cell) => number): number {
  let [sum, weights] = [0, 0];
  for (const cell of cells) {
    sum += cell.weight * of(cell);
    weights += cell.weight;
  }
  return weights > 0 ? sum / weights : 0;
}

/** Sets each effect to the mean of what the other leaves. */
function settle<Key extends "group" | "bin">(
  effects: Map<Cell[Key], number>,
  cells: readonly Cell[],
  key: Key,
  left: (cell: Cell) => number,
): void {
  const sums = new Map<Cell[Key], [number, number]>();
  for (const cell of cells) {
    const [sum, weights] = sums.get(cell[key]) ?? [0, 0];
    sums.set(cell[key], [sum + cell.weight * left(cell), weights + cell.weight]);
  }
  for (const [name, [sum, weights]] of sums) effects.set(name, sum / weights);
}
