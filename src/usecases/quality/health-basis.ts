import { dayBins } from "@/core/time";
import type { OpenLedger } from "../ledger";

/** What a reading at the wall is set against: expected energy of each local day, and the promise by month. */
export interface HealthBasis {
  readonly days: readonly string[];
  readonly expectedKwh: readonly number[];
  readonly promiseKwh: readonly number[] | null;
  readonly commissioned: string | null;
}

/** Expected energy day by day over the book's weather; days that the model can't tell whole, or whose own weather is not known, are left out. */
export function healthBasis({ run, site, promise, usual }: Pick<OpenLedger, "run" | "site" | "promise" | "usual">): HealthBasis {
  const sums = new Map<string, number>();
  if (run) {
    const bins = dayBins(run.axis, site.place.timeZone);
    for (let i = 0; i < run.axis.count; i++) {
      if (usual?.[i] === 1) continue;
      const day = bins.keys[bins.binOf[i]!]!;
      sums.set(day, (sums.get(day) ?? 0) + run.expectedKwh[i]!);
    }
  }
  const known = [...sums].filter(([, kwh]) => !Number.isNaN(kwh));
  return {
    days: known.map(([day]) => day),
    expectedKwh: known.map(([, kwh]) => Math.round(kwh * 1000) / 1000),
    promiseKwh: promise,
    commissioned: site.commissioned,
  };
}
