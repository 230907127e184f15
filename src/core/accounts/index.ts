export {
  ACCOUNT_NAMES,
  type AccountName,
  LEDGER_ACCOUNTS,
  type LedgerAccount,
  ledgerAccountOf,
  MODEL_ACCOUNTS,
  type ModelAccount,
  STAGE_NAMES,
} from "./accounts";
