import type { AuditCode, AuditEntry } from "@/contracts/keeping";
import type { LedgerAccount } from "@/core/accounts";
import { ACCOUNT_NAMES } from "./accounts";
import { number } from "./format";

const name = (account: string | number | undefined): string =>
  ACCOUNT_NAMES[account as LedgerAccount]?.name.toLowerCase() ?? String(account);
const kwh = (value: string | number | undefined): string => `${number(Number(value), 1)} kWh`;

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

/** What closed months would say otherwise today; nothing where none would. */
export function driftInWords(
  drift: readonly { readonly month: string; readonly expectedOffKwh: number; readonly unexplainedOffKwh: number }[],
): string[] {
  if (drift.length === 0) return [];
  const signed = (value: number): string => `${value > 0 ? "+" : ""}${number(value)} kWh`;
  const each = drift.map(
    ({ month, expectedOffKwh, unexplainedOffKwh }) =>
      `${month} (expected ${signed(expectedOffKwh)}, unexplained ${signed(unexplainedOffKwh)})`,
  );
  return [
    `The model or the evidence has changed since these months were closed; today they would read otherwise: ${each.join(", ")}. Their closed figures stand until they are reopened.`,
  ];
}

export const auditInWords = ({ code, facts }: Pick<AuditEntry, "code" | "facts">): string => AUDIT[code](facts);
