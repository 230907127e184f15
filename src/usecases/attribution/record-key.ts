import { createHash } from "node:crypto";
import type { FieldEntry } from "@/contracts/field-book";
import type { OpenLedger } from "../ledger";

/** Digits that a change of a reading would move. */
const round = (value: number | null): number | null => (value === null ? null : Math.round(value * 1e4) / 1e4);

/** Fingerprint of what a search was made of, up to a month: site, entries, and each earlier month's weather and readings by their sums. */
export function recordKey({ site, report }: OpenLedger, entries: readonly FieldEntry[], beforeMonth: string): string {
  const months = report.months
    .filter(({ key }) => key < beforeMonth)
    .map((line) => [
      line.key,
      round(line.referenceKwh),
      round(line.expectedKwh),
      round(line.meteredKwh),
      round(line.dataGapKwh),
      round(line.splitKwh),
    ]);
  return createHash("sha256")
    .update(JSON.stringify([site, entries, months]))
    .digest("hex");
}
