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
  "derating",
  "acWiring",
  "transformer",
  "curtailment",
  "downtime",
] as const;

export type ModelAccount = (typeof MODEL_ACCOUNTS)[number];

/** Design losses as a reader sees them: mismatch and all wiring share one line. */
export const DESIGN_ACCOUNTS = [
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
] as const;

export type DesignAccount = (typeof DESIGN_ACCOUNTS)[number];

/**
 * Losses found beside the plan, in the order in which evidence puts them into the chain. The last six hold nothing by themselves: an analyst may move energy
 * there.
 */
export const FOUND_ACCOUNTS = [
  "orientation",
  "shading",
  "snow",
  "soiling",
  "rating",
  "ageing",
  "strings",
  "derating",
  "clipping",
  "curtailment",
  "downtime",
  "reflection",
  "rear",
  "lowLight",
  "temperature",
  "wiring",
  "inverter",
] as const;

export type FoundAccount = (typeof FOUND_ACCOUNTS)[number];

/** What somebody can do something about. */
export const AVOIDABLE_ACCOUNTS: readonly FoundAccount[] = ["shading", "snow", "soiling", "strings", "derating", "curtailment", "downtime"];

/** Losses that have a beginning and an end. The others are a level against the plan. */
export const DATED_ACCOUNTS: readonly FoundAccount[] = ["downtime", "strings", "curtailment", "snow"];

/** Between expected and metered: what was found, time without readings, and the rest. Energy is moved among these. */
export const LEDGER_ACCOUNTS = [...FOUND_ACCOUNTS, "dataGap", "unexplained"] as const;

export type LedgerAccount = (typeof LEDGER_ACCOUNTS)[number];

const SHARED_LINES: Partial<Record<ModelAccount, DesignAccount>> = {
  mismatch: "wiring",
  dcWiring: "wiring",
  acWiring: "wiring",
  transformer: "wiring",
  derating: "clipping",
};

export const designAccountOf = (account: ModelAccount): DesignAccount => SHARED_LINES[account] ?? (account as DesignAccount);
