"use client";

import { accountFill } from "@/charts";
import { LEDGER_ACCOUNTS } from "@/core/accounts";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, number } from "@/wording/format";
import { accountWorking, type LedgerContext } from "@/wording/workings/ledger-workings";
import styles from "./LedgerSpread.module.css";

/** The page's accounts with colour, hatch, code and sum; gains are credits and say so. */
export function AccountLegend({ sum, context }: { sum: LedgerLine; context: LedgerContext }) {
  const posted = ledgerPostings(sum);
  const shown = LEDGER_ACCOUNTS.filter((account) => Math.abs(posted[account]) >= 0.05);
  const decimals = kwhDecimals(sum.referenceKwh / 12);
  return (
    <ul className={styles.legend} aria-label="Accounts">
      {shown.map((account) => (
        <li key={account}>
          <svg width="15" height="11" aria-hidden="true" data-account={account}>
            <rect width="15" height="11" fill={swatch(account)} {...edge(account)} />
          </svg>
          <b>{ACCOUNT_NAMES[account].code}</b> {ACCOUNT_NAMES[account].name}{" "}
          <Figure plain working={() => accountWorking(sum, account, context)}>
            {number(posted[account], decimals)}
            {posted[account] < 0 && account !== "remainder" ? " credit" : ""}
          </Figure>
        </li>
      ))}
    </ul>
  );
}

const swatch = (account: (typeof LEDGER_ACCOUNTS)[number]): string =>
  account === "unread" || account === "remainder" ? "var(--paper)" : accountFill(account);

function edge(account: (typeof LEDGER_ACCOUNTS)[number]) {
  if (account === "unread") return { stroke: "var(--ink-soft)", strokeDasharray: "2 2" };
  return account === "remainder" ? { stroke: "var(--clay)", strokeWidth: 2 } : {};
}
