import type { AuditCode, AuditEntry } from "@/contracts/keeping";
import { ACCOUNT_NAMES, type LedgerAccount } from "@/core/accounts";

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

export const auditInWords = ({ code, facts }: Pick<AuditEntry, "code" | "facts">): string => AUDIT[code](facts);
