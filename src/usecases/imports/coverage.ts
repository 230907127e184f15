import type { Coverage } from "@/contracts/imports";
import { monthBins } from "@/core/time";
import type { ReadingStore, StoredSeries } from "../ledger";

/** How much of each local month every stored series of a book covers. */
export async function coverageOf(readings: Pick<ReadingStore, "eachSeriesOf">, bookId: string, timeZone: string): Promise<Coverage[]> {
  const coverage: Coverage[] = [];
  for (const kind of ["weather", "production"] as const)
    for await (const series of readings.eachSeriesOf(bookId, kind)) coverage.push(covered(series, timeZone));
  return coverage;
}

function covered({ quantity, meterId, axis, values }: StoredSeries, timeZone: string): Coverage {
  const { keys, binOf } = monthBins(axis, timeZone);
  const read = new Float64Array(keys.length);
  const all = new Float64Array(keys.length);
  for (let i = 0; i < values.length; i++) {
    const bin = binOf[i]!;
    all[bin]! += 1;
    if (!Number.isNaN(values[i])) read[bin]! += 1;
  }
  const months = keys.map((key, bin) => ({ key, readFrac: read[bin]! / all[bin]! }));
  return { quantity, meterId, stepMinutes: axis.stepMinutes, months: months.filter((month) => month.readFrac > 0) };
}
