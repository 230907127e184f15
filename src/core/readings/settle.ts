/** What settling found: rows that held the energy of a gap before them, and rows that no plant of this size can make. */
export interface SettledReadings {
  readonly energyKwh: Float64Array;
  readonly caughtUp: readonly { readonly at: number; readonly over: number; readonly kwh: number }[];
  readonly impossible: readonly { readonly at: number; readonly kwh: number }[];
}

/**
 * Loggers that lost their line often write the whole gap's energy into the next row. Such a row is spread evenly over the gap and
 * itself, where the gap is long enough for the plant to have made it; a row above `mostKwh` with no such gap is taken as unread.
 * `mostKwh` is the most that one interval can hold. Where nothing is to be settled the readings are handed on as they are.
 */
export function settleReadings(values: Float64Array, mostKwh: number): SettledReadings {
  let settled: Float64Array | null = null;
  const own = (): Float64Array => {
    settled ??= values.slice();
    return settled;
  };
  const caughtUp: { at: number; over: number; kwh: number }[] = [];
  const impossible: { at: number; kwh: number }[] = [];
  let missing = 0;
  for (let i = 0; i < values.length; i++) {
    const kwh = values[i]!;
    if (Number.isNaN(kwh)) {
      missing++;
      continue;
    }
    if (kwh > mostKwh) {
      const over = missing + 1;
      if (missing > 0 && kwh <= mostKwh * over) {
        own().fill(kwh / over, i - missing, i + 1);
        caughtUp.push({ at: i, over, kwh });
      } else {
        own()[i] = Number.NaN;
        impossible.push({ at: i, kwh });
      }
    }
    missing = 0;
  }
  return { energyKwh: settled ?? values, caughtUp, impossible };
}
