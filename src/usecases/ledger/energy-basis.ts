import type { EnergyBasisKind } from "@/core/basis";
import type { BillLine } from "@/core/money";
import { DAY_MS } from "@/core/units";
import type { ReadingStore } from "./ports";

/** A span of this many days and more is no day's. */
const DAYS_AT_MOST = 1.5;

/** What the energy that was counted is, by the finest readings that stand. Columns of weather count for nothing. */
export async function energyBasisOf(
  readings: Pick<ReadingStore, "heldOf" | "sparseOf">,
  bookId: string,
  bills: readonly Pick<BillLine, "productionKwh">[],
): Promise<EnergyBasisKind> {
  const [held, { spans, counters }] = await Promise.all([readings.heldOf(bookId), readings.sparseOf(bookId)]);
  // Series hold an hour a value at the coarsest; what is longer is kept as spans.
  if (held.some(({ meterId }) => meterId !== "")) return "intervals";
  const days = spans.map(({ fromUtcMs, toUtcMs }) => (toUtcMs - fromUtcMs) / DAY_MS).sort((a, b) => a - b);
  const usual = days[Math.floor(days.length / 2)];
  if (usual !== undefined) return usual < DAYS_AT_MOST ? "days" : "months";
  if (counters.length > 1) return "counter";
  return bills.some(({ productionKwh }) => productionKwh !== null) ? "bills" : "none";
}
