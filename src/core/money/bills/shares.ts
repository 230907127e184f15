/** What of the consumption the array covered. Shares are null where what they need is not known. */
export interface EnergyShares {
  readonly productionKwh: number;
  readonly exportKwh: number;
  readonly importKwh: number;
  readonly selfUsedKwh: number;
  readonly loadKwh: number;
  /** Self-used over produced. */
  readonly selfConsumptionFrac: number | null;
  /** Self-used over consumed. */
  readonly selfSufficiencyFrac: number | null;
  /** Produced over consumed: may pass 1. */
  readonly offsetFrac: number | null;
}

/** Sums over some months; each month needs its production and its export. */
export function energyShares(
  months: readonly { readonly importKwh: number; readonly exportKwh: number; readonly productionKwh: number }[],
): EnergyShares {
  const sum = (of: (month: (typeof months)[number]) => number): number => months.reduce((total, month) => total + of(month), 0);
  const [productionKwh, exportKwh, importKwh] = [sum((m) => m.productionKwh), sum((m) => m.exportKwh), sum((m) => m.importKwh)];
  const selfUsedKwh = sum((m) => Math.max(0, m.productionKwh - m.exportKwh));
  const loadKwh = importKwh + selfUsedKwh;
  return {
    productionKwh,
    exportKwh,
    importKwh,
    selfUsedKwh,
    loadKwh,
    selfConsumptionFrac: productionKwh > 0 ? selfUsedKwh / productionKwh : null,
    selfSufficiencyFrac: loadKwh > 0 ? selfUsedKwh / loadKwh : null,
    offsetFrac: loadKwh > 0 ? productionKwh / loadKwh : null,
  };
}

/** Progress of a year against its promise by expected season: what the months so far should have brought, not a twelfth each. */
export interface PromiseProgress {
  readonly monthsRead: number;
  readonly meteredKwh: number;
  /** What the promise says of the months read. */
  readonly dueKwh: number;
  /** The whole year's promise. */
  readonly yearKwh: number;
  /** Metered over due. */
  readonly frac: number | null;
  /** The year's end at this rate, by season. */
  readonly onCourseKwh: number | null;
  /** What counting months alone would say. */
  readonly naiveYearKwh: number | null;
}

/** `months` hold month numbers 1 to 12 with metered energy, of one year. */
export function promiseProgress(
  months: readonly { readonly month: number; readonly kwh: number }[],
  promise: readonly number[],
): PromiseProgress {
  const meteredKwh = months.reduce((sum, { kwh }) => sum + kwh, 0);
  const dueKwh = months.reduce((sum, { month }) => sum + promise[month - 1]!, 0);
  const yearKwh = promise.reduce((a, b) => a + b, 0);
  const frac = dueKwh > 0 ? meteredKwh / dueKwh : null;
  return {
    monthsRead: months.length,
    meteredKwh,
    dueKwh,
    yearKwh,
    frac,
    onCourseKwh: frac === null ? null : frac * yearKwh,
    naiveYearKwh: months.length > 0 ? (meteredKwh / months.length) * 12 : null,
  };
}
