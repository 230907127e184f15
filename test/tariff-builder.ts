import { type PlanDocument, planSchema } from "@/contracts/tariff";
import { type Bill, billOf, type CreditBank, slicesOfIntervals, slicesOfTotals } from "@/core/money/tariff";

const ALL = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

export const oneBand = (perKwh: string) => [{ name: "year", months: ALL, bands: [{ name: "all day", tiers: [{ perKwh }] }] }];
export const peakBands = (peak: string, off: string, hours: [number, number][] = [[14, 20]]) => [
  {
    name: "year",
    months: ALL,
    bands: [
      { name: "peak", days: "weekdays" as const, hours, tiers: [{ perKwh: peak }] },
      { name: "off-peak", tiers: [{ perKwh: off }] },
    ],
  },
];

/** A plan of one price all day; parts are replaced by what a test is about. */
export const plan = (parts: object = {}): PlanDocument =>
  planSchema.parse({ id: "p", name: "plan", from: "2020-01-01", seasons: oneBand("0.20"), ...parts });

export interface Printed {
  readonly from?: string;
  readonly to?: string;
  readonly importKwh?: number;
  readonly bands?: Record<string, number>;
  readonly exportKwh?: number;
}

/** A bill of printed totals under one or several plans. */
export function billFor(
  plans: PlanDocument | readonly PlanDocument[],
  { from = "2024-03-01", to = "2024-03-31", importKwh, bands = {}, exportKwh = 0 }: Printed,
  bank?: CreditBank,
): Bill {
  const slices = slicesOfTotals(Array.isArray(plans) ? (plans as PlanDocument[]) : [plans as PlanDocument], {
    from,
    to,
    importKwh: importKwh ?? Object.values(bands).reduce((a, b) => a + b, 0),
    importByBandKwh: bands,
    exportKwh,
  });
  if (slices.kind !== "slices") throw new Error(slices.kind);
  return billOf(slices.slices, "EUR", bank);
}

/** A bill of hourly use: the same kWh in every hour of the period, in a zone. */
export function billOfHours(
  own: PlanDocument,
  from: string,
  to: string,
  timeZone: string,
  kwhPerHour: (utcMs: number) => number,
  stepMinutes = 60,
) {
  const startUtcMs = Date.parse(from) - 86_400_000;
  const count = Math.round((Date.parse(to) + 3 * 86_400_000 - startUtcMs) / (stepMinutes * 60_000));
  const importKwh = Float64Array.from({ length: count }, (_, i) => (kwhPerHour(startUtcMs + i * stepMinutes * 60_000) * stepMinutes) / 60);
  const slices = slicesOfIntervals([own], { from, to }, { axis: { startUtcMs, stepMinutes, count }, importKwh, exportKwh: null }, timeZone);
  if (slices.kind !== "slices") throw new Error(slices.kind);
  return { slices: slices.slices, bill: billOf(slices.slices, "EUR") };
}
