import { DAY_MS } from "../../units";
import type { BillLine } from "./types";

/** What is odd about bills, as facts; `isFatal` ones can't be reckoned with. */
export type BillFault =
  | {
      readonly kind: "overlap";
      readonly row: number;
      readonly other: number;
      readonly from: string;
      readonly to: string;
      readonly isFatal: true;
    }
  | { readonly kind: "ends-before-it-starts"; readonly row: number; readonly from: string; readonly to: string; readonly isFatal: true }
  | { readonly kind: "negative-energy"; readonly row: number; readonly field: string; readonly kwh: number; readonly isFatal: true }
  | {
      readonly kind: "export-above-production";
      readonly row: number;
      readonly exportKwh: number;
      readonly productionKwh: number;
      readonly isFatal: true;
    }
  | {
      readonly kind: "usage-below-import";
      readonly row: number;
      readonly usageKwh: number;
      readonly importKwh: number;
      readonly isFatal: true;
    }
  | {
      readonly kind: "bands-miss-import";
      readonly row: number;
      readonly bandedKwh: number;
      readonly importKwh: number;
      readonly isFatal: true;
    }
  | {
      /** Made before there was an array. */
      readonly kind: "made-before-the-array";
      readonly row: number;
      readonly productionKwh: number;
      readonly commissioned: string;
      readonly isFatal: true;
    }
  | {
      /** Its own figures contradict each other: use is what was bought and made, less what was exported. */
      readonly kind: "unbalanced";
      readonly row: number;
      readonly usageKwh: number;
      readonly reckonedKwh: number;
      readonly apartKwh: number;
      readonly isFatal: false;
    }
  | { readonly kind: "missing"; readonly from: string; readonly to: string; readonly isFatal: false }
  | {
      readonly kind: "price-far-off";
      readonly row: number;
      readonly perKwh: number;
      readonly usualPerKwh: number;
      readonly isFatal: false;
    };

/** Bills whose price a kWh is this many times the usual one, up or down, hold a slipped point or cents for currency. */
const FAR = 20;
/** Printed kWh are rounded: bands may miss their sum by this. */
const ROUNDING_KWH = 1.5;
/** Four printed figures, each rounded to a whole kWh. */
const BALANCE_ROUNDING_KWH = 2;

/** Looks through bills in any order; rows count from 1 in the order given. `commissioned` is the array's first day, null where nobody said. */
export function billFaults(bills: readonly BillLine[], commissioned: string | null = null): BillFault[] {
  const faults = bills.flatMap((bill, k) => [...rowFaults(bill, k + 1), ...arrayFaults(bill, k + 1, commissioned)]);
  const order = bills.map((bill, k) => ({ ...bill, row: k + 1 })).sort((a, b) => a.from.localeCompare(b.from));
  for (let k = 1; k < order.length; k++) {
    const [before, after] = [order[k - 1]!, order[k]!];
    if (after.from <= before.to)
      faults.push({ kind: "overlap", row: after.row, other: before.row, from: after.from, to: before.to, isFatal: true });
    else if (Date.parse(after.from) - Date.parse(before.to) > DAY_MS)
      faults.push({ kind: "missing", from: shifted(before.to, 1), to: shifted(after.from, -1), isFatal: false });
  }
  return [...faults, ...priceFaults(bills)];
}

const shifted = (date: string, days: number): string => new Date(Date.parse(date) + days * DAY_MS).toISOString().slice(0, 10);

function rowFaults(bill: BillLine, row: number): BillFault[] {
  const faults: BillFault[] = [];
  if (bill.to < bill.from) faults.push({ kind: "ends-before-it-starts", row, from: bill.from, to: bill.to, isFatal: true });
  const energies = { import_kwh: bill.importKwh, export_kwh: bill.exportKwh, production_kwh: bill.productionKwh };
  for (const [field, kwh] of Object.entries(energies))
    if (kwh !== null && kwh < 0) faults.push({ kind: "negative-energy", row, field, kwh, isFatal: true });
  const { exportKwh, productionKwh } = bill;
  if (exportKwh !== null && productionKwh !== null && exportKwh > productionKwh + ROUNDING_KWH)
    faults.push({ kind: "export-above-production", row, exportKwh, productionKwh, isFatal: true });
  const { usageKwh, importKwh } = bill;
  if (usageKwh !== null && usageKwh < importKwh - ROUNDING_KWH)
    faults.push({ kind: "usage-below-import", row, usageKwh, importKwh, isFatal: true });
  const bands = Object.values(bill.importByBandKwh);
  const bandedKwh = bands.reduce((sum, kwh) => sum + kwh, 0);
  if (bands.length > 0 && Math.abs(bandedKwh - importKwh) > ROUNDING_KWH * bands.length)
    faults.push({ kind: "bands-miss-import", row, bandedKwh, importKwh, isFatal: true });
  return faults;
}

/** What a bill says of an array against itself, and against the day on which there was one. */
function arrayFaults(
  { to, usageKwh, importKwh, exportKwh, productionKwh }: BillLine,
  row: number,
  commissioned: string | null,
): BillFault[] {
  if (productionKwh === null || productionKwh <= 0) return [];
  if (commissioned !== null && to < commissioned)
    return [{ kind: "made-before-the-array", row, productionKwh, commissioned, isFatal: true }];
  if (usageKwh === null || exportKwh === null) return [];
  const reckonedKwh = importKwh + productionKwh - exportKwh;
  const apartKwh = Math.abs(usageKwh - reckonedKwh);
  return apartKwh > BALANCE_ROUNDING_KWH ? [{ kind: "unbalanced", row, usageKwh, reckonedKwh, apartKwh, isFatal: false }] : [];
}

function priceFaults(bills: readonly BillLine[]): BillFault[] {
  const prices = bills.map(({ amount, importKwh }) => (importKwh > 0 && Number(amount) > 0 ? Number(amount) / importKwh : Number.NaN));
  const known = prices.filter((price) => !Number.isNaN(price)).sort((a, b) => a - b);
  const usual = known[known.length >> 1];
  if (usual === undefined || known.length < 4) return [];
  return prices.flatMap((price, k): BillFault[] =>
    price > FAR * usual || price < usual / FAR
      ? [{ kind: "price-far-off", row: k + 1, perKwh: price, usualPerKwh: usual, isFatal: false }]
      : [],
  );
}
