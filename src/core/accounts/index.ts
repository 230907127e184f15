export {
  LEDGER_ACCOUNTS,
  type LedgerAccount,
  ledgerAccountOf,
  MODEL_ACCOUNTS,
  type ModelAccount,
} from "./accounts";
