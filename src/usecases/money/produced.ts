import type { LedgerLine } from "@/core/ledger";
import type { BillMonth } from "@/core/money";
import type { OpenLedger } from "../ledger";

/** A month read this far is taken as it was metered. */
export const ENOUGH_READ = 0.97;

export interface Produced {
  readonly kwh: number;
  /** Not wholly read: the model's, at the level of the months that are. */
  readonly isFilled: boolean;
}

/** Production of billed months: the bill's own, else the meter's, else the meter's completed by the model, else the model's; null without either. */
export function producedIn({ report }: Pick<OpenLedger, "report">): (month: BillMonth) => Produced | null {
  const lines = new Map(report.months.map((line) => [line.key, line]));
  const level = levelOf(report.months);
  return ({ key, productionKwh }) => {
    const line = lines.get(key);
    if (productionKwh !== null) return { kwh: productionKwh, isFilled: false };
    if (!line) return null;
    if (line.meteredKwh === null || line.readFrac === 0) return { kwh: line.expectedKwh * level, isFilled: true };
    return line.readFrac > ENOUGH_READ
      ? { kwh: line.meteredKwh, isFilled: false }
      : { kwh: line.meteredKwh + line.dataGapKwh, isFilled: true };
  };
}

/** Metered over expected, all read months together. */
function levelOf(lines: readonly LedgerLine[]): number {
  const read = lines.filter((line) => line.meteredKwh !== null && line.readFrac > ENOUGH_READ);
  const [metered, expected] = [
    read.reduce((sum, line) => sum + line.meteredKwh!, 0),
    read.reduce((sum, line) => sum + line.expectedKwh, 0),
  ];
  return expected > 0 ? metered / expected : 1;
}
