import { accountFill } from "@/charts";
import type { DesignAccount, FoundAccount } from "@/core/accounts";
import styles from "./Shares.module.css";

/** An account's hatch beside its name. */
export const Swatch = ({ account }: { account: DesignAccount | FoundAccount }) => (
  <svg width="15" height="11" aria-hidden="true" className={styles.swatch}>
    <rect width="15" height="11" fill={accountFill(account)} />
  </svg>
);
