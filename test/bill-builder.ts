import type { BillLine } from "@/core/money";

/** A bill of three hundred kilowatt-hours at twenty cents; parts are replaced by what a test is about. */
export const bill = (from: string, to: string, parts: Partial<BillLine> = {}): BillLine => ({
  from,
  to,
  usageKwh: null,
  importKwh: 300,
  importByBandKwh: {},
  exportKwh: null,
  productionKwh: null,
  amount: "60.00",
  ...parts,
});
