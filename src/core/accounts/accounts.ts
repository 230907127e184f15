/** The model's loss accounts in the order in which the chain meets them; each is energy before its stage minus after it. */
export const MODEL_ACCOUNTS = [
  "orientation",
  "shading",
  "snow",
  "soiling",
  "reflection",
  "rear",
  "lowLight",
  "temperature",
  "rating",
  "ageing",
  "mismatch",
  "dcWiring",
  "inverter",
  "clipping",
  "acWiring",
  "transformer",
  "curtailment",
  "downtime",
] as const;

export type ModelAccount = (typeof MODEL_ACCOUNTS)[number];

/** Accounts as a reader sees them: mismatch and all wiring share one line, and the meter's side adds two. */
export const LEDGER_ACCOUNTS = [
  "orientation",
  "shading",
  "snow",
  "soiling",
  "reflection",
  "rear",
  "lowLight",
  "temperature",
  "rating",
  "ageing",
  "wiring",
  "inverter",
  "clipping",
  "curtailment",
  "downtime",
  "unread",
  "remainder",
] as const;

export type LedgerAccount = (typeof LEDGER_ACCOUNTS)[number];

const SHARED_LINES: Partial<Record<ModelAccount, LedgerAccount>> = {
  mismatch: "wiring",
  dcWiring: "wiring",
  acWiring: "wiring",
  transformer: "wiring",
};

export const ledgerAccountOf = (account: ModelAccount): LedgerAccount => SHARED_LINES[account] ?? (account as LedgerAccount);
