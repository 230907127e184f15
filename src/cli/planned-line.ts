import { designLosses, type LedgerLine } from "@/core/ledger";

/** Reference, planned losses and expected energy of a line, as every printed form has them. */
export const plannedLine = (line: LedgerLine) => ({
  key: line.key,
  planeKwhM2: line.planeKwhM2,
  referenceKwh: line.referenceKwh,
  plannedKwh: designLosses(line),
  plannedStagesKwh: line.accountsKwh,
  expectedKwh: line.expectedKwh,
  filledReferenceKwh: line.filledReferenceKwh,
});
