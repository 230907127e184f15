import { z } from "zod";
import { ledgerReportSchema } from "./ledger";

/** Rises when the sums of a ledger change, so that what is stored of an older program is made anew. */
export const LEDGER_EDITION = 5;

/** What is stored of a book's ledger for pages and shelf: no intervals. */
export const standingFiguresSchema = z.strictObject({
  report: ledgerReportSchema,
  promise: z.array(z.number()).nullable(),
  promiseFrom: z.enum(["import", "site"]).nullable(),
});

/** Why a book was set aside: its sums took more than their budget, broke, or its document can't be read. */
export const setAsideReasons = ["time", "memory", "fault", "document"] as const;
export type SetAsideReason = (typeof setAsideReasons)[number];

/** What can be done about a book that was set aside. */
export const standingActionSchema = z.strictObject({ action: z.literal("try-again") });
