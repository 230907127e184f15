export {
  AVOIDABLE_ACCOUNTS,
  DATED_ACCOUNTS,
  DESIGN_ACCOUNTS,
  type DesignAccount,
  designAccountOf,
  FOUND_ACCOUNTS,
  type FoundAccount,
  LEDGER_ACCOUNTS,
  type LedgerAccount,
  MODEL_ACCOUNTS,
  type ModelAccount,
} from "./accounts";
