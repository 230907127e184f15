"use client";

import type { ReactNode } from "react";
import { accountFill } from "@/charts";
import { DESIGN_ACCOUNTS, type DesignAccount, LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { designLosses, type LedgerLine, ledgerPostings, sizeKwh } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, number } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import { designWorking, foundWorking } from "@/wording/workings/found-workings";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import styles from "./LedgerSpread.module.css";

/** Less than this rounds to nothing on every page. */
const LEAST_KWH = 0.05;

/** The page's accounts with colour, hatch, code and sum: what was planned, and what was found beside it. */
export function AccountLegend({ sum, context }: { sum: LedgerLine; context: LedgerContext }) {
  const [planned, posted] = [designLosses(sum), ledgerPostings(sum)];
  const decimals = kwhDecimals(sizeKwh(sum) / 12);
  const kwh = (value: number): string => number(value, decimals);
  // What is not told is on no account.
  const between = sum.unexplainedKwh === null ? [] : LEDGER_ACCOUNTS.filter((account) => Math.abs(posted[account]) >= LEAST_KWH);
  if (!(sum.referenceKwh > 0)) return null;
  return (
    <div className={styles.legends}>
      <section>
        <h3>{say.designLossesFromReferenceToExpected}</h3>
        <ul className={styles.legend} aria-label={say.designLosses}>
          {DESIGN_ACCOUNTS.filter((account) => Math.abs(planned[account]) >= LEAST_KWH).map((account) => (
            <Item key={account} account={account}>
              <Figure plain name={`design-${account}/${sum.key}`} working={() => designWorking(sum, account, context)}>
                {kwh(planned[account])}
              </Figure>
            </Item>
          ))}
        </ul>
      </section>
      {between.length > 0 && (
        <section>
          <h3>{say.foundFromExpectedToMetered}</h3>
          <ul className={styles.legend} aria-label={say.lossesFound}>
            {between.map((account) => (
              <Item key={account} account={account}>
                <Figure plain name={`${nameOf(account)}/${sum.key}`} working={() => foundWorking(sum, account, context)}>
                  {kwh(posted[account])}
                </Figure>
              </Item>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** Names of figures are the same on every page. */
const nameOf = (account: LedgerAccount): string =>
  account === "dataGap" ? "data-gap" : account === "unexplained" ? "unexplained" : `found-${account}`;

function Item({ account, children }: { account: DesignAccount | LedgerAccount; children: ReactNode }) {
  return (
    <li>
      <svg width="15" height="11" aria-hidden="true" data-account={account}>
        <rect width="15" height="11" fill={swatch(account)} {...edge(account)} />
      </svg>
      <b>{ACCOUNT_NAMES[account].code}</b> {ACCOUNT_NAMES[account].name} {children}
    </li>
  );
}

const swatch = (account: DesignAccount | LedgerAccount): string =>
  account === "dataGap" || account === "unexplained" ? "var(--paper)" : accountFill(account);

function edge(account: DesignAccount | LedgerAccount) {
  if (account === "dataGap") return { stroke: "var(--ink-soft)", strokeDasharray: "2 2" };
  return account === "unexplained" ? { stroke: "var(--clay)", strokeWidth: 2 } : {};
}
