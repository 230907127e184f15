import { z } from "zod";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { say } from "@/wording/validation";
import { postingPairSchema } from "./attribution";
import { ledgerLineSchema } from "./ledger";
import { FIRST_YEAR, LAST_YEAR } from "./limits";
import { isoDate, wholeNumber } from "./primitives";

const month = z
  .string()
  .regex(/^\d{4}-(0[1-9]|1[0-2])$/, say.aMonthSuchAs202304)
  .refine((key) => isoDate.safeParse(`${key}-01`).success, say.aDateLiesBetween(FIRST_YEAR, LAST_YEAR));
const account = z.enum(LEDGER_ACCOUNTS);
const reason = z.string().trim().min(1, "say why").max(500);

/** Energy that an analyst moved from one account to another; the balance is kept. */
export const transferSchema = z.strictObject({
  id: z.number().int(),
  month,
  from: account,
  to: account,
  kwh: z.number(),
  reason,
  madeAt: z.string(),
});
export type Transfer = z.output<typeof transferSchema>;

/** What a month's account holds on one line: its design loss (null where no plan has one), what was found beside it, and what stands after moves, kWh. */
export interface PostingRow {
  readonly account: LedgerAccount;
  readonly plannedKwh: number | null;
  readonly foundKwh: number;
  readonly finalKwh: number;
}

/** A month's postings as they stood when it was closed. */
export const closedMonthSchema = z.strictObject({
  month,
  postings: z.array(postingPairSchema),
  /** The whole line, moves included: what the year goes on showing. */
  line: ledgerLineSchema,
  note: z.string(),
  closedAt: z.string(),
});
export type ClosedMonth = z.output<typeof closedMonthSchema>;

export const auditCodes = ["moved", "rejected", "accepted", "taken-back", "closed", "reopened", "written"] as const;
export type AuditCode = (typeof auditCodes)[number];

/** What was done to a month. `written` holds a sentence of the first edition that no code fits. */
export const auditEntrySchema = z.strictObject({
  at: z.string(),
  month,
  code: z.enum(auditCodes),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
});
export type AuditEntry = z.output<typeof auditEntrySchema>;

export const keepingSchema = z.strictObject({
  transfers: z.array(transferSchema),
  accepted: z.array(z.strictObject({ month, account })),
  closed: z.array(closedMonthSchema),
  audit: z.array(auditEntrySchema),
});
export type Keeping = z.output<typeof keepingSchema>;

/** What an analyst does to a month's postings. */
export const keepingActionSchema = z.discriminatedUnion("action", [
  z.strictObject({
    action: z.literal("move"),
    month,
    from: account,
    to: account,
    kwh: z.number().refine((kwh) => kwh !== 0, "not zero"),
    reason,
  }),
  z.strictObject({ action: z.literal("reject"), month, account, reason }),
  z.strictObject({ action: z.literal("accept"), month, account }),
  z.strictObject({ action: z.literal("take-back"), month, id: wholeNumber }),
  z.strictObject({ action: z.literal("close"), month, note: z.string().trim().max(1000).default("") }),
  z.strictObject({ action: z.literal("reopen"), month, reason }),
]);
export type KeepingAction = z.output<typeof keepingActionSchema>;
