import type { AuditCode, AuditEntry } from "@/contracts/keeping";
import type { LedgerAccount } from "@/core/accounts";
import { ACCOUNT_NAMES } from "./accounts";

const name = (account: string | number | undefined): string =>
  ACCOUNT_NAMES[account as LedgerAccount]?.name.toLowerCase() ?? String(account);
const kwh = (value: string | number | undefined): string => `${Number(value).toFixed(1)} kWh`;

/** What was done to a month, as its trail tells it. */
const AUDIT: Readonly<Record<AuditCode, (facts: AuditEntry["facts"]) => string>> = {
  moved: (f) => `${kwh(f.kwh)} moved from ${name(f.from)} to ${name(f.to)}: ${f.reason}`,
  rejected: (f) => `${kwh(f.kwh)} on ${name(f.account)} rejected: ${f.reason}`,
  accepted: (f) => `${name(f.account)} accepted`,
  "taken-back": () => "a move was taken back",
  closed: (f) => `closed${f.note ? `: ${f.note}` : ""}`,
  reopened: (f) => `reopened: ${f.reason}`,
  written: (f) => String(f.text),
};

/** What closed months would explain otherwise today; nothing where none would. */
export function driftInWords(drift: readonly { readonly month: string; readonly offKwh: number }[]): string {
  if (drift.length === 0) return "";
  const each = drift.map(({ month, offKwh }) => `${month} by ${offKwh > 0 ? "+" : "\u2212"}${Math.abs(offKwh).toFixed(0)} kWh`);
  return `The model has changed since these months were closed: today they would explain ${each.join(", ")} otherwise. Their closed figures stand until they are reopened.`;
}

export const auditInWords = ({ code, facts }: Pick<AuditEntry, "code" | "facts">): string => AUDIT[code](facts);
