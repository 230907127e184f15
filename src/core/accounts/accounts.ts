/** The model's loss accounts in the order in which the chain meets them; each is energy before its stage minus after it. */
export const MODEL_ACCOUNTS = [
  "orientation",
  "shading",
  "rear",
  "snow",
  "soiling",
  "reflection",
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
  "rear",
  "snow",
  "soiling",
  "reflection",
  "lowLight",
  "temperature",
  "rating",
  "ageing",
  "wiring",
  "inverter",
  "clipping",
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
  curtailment: "downtime",
};

export const ledgerAccountOf = (account: ModelAccount): LedgerAccount => SHARED_LINES[account] ?? (account as LedgerAccount);

/** The model's accounts one by one, in words. */
export const STAGE_NAMES: Readonly<Record<ModelAccount, string>> = {
  orientation: "orientation",
  shading: "shading",
  rear: "rear light",
  snow: "snow",
  soiling: "soiling",
  reflection: "reflection",
  lowLight: "low light",
  temperature: "temperature",
  rating: "rating and gain",
  ageing: "ageing",
  mismatch: "mismatch",
  dcWiring: "DC wiring",
  inverter: "inverter",
  clipping: "clipping",
  acWiring: "AC wiring",
  transformer: "transformer",
  curtailment: "export limit",
  downtime: "downtime",
};

export interface AccountName {
  readonly code: string;
  readonly name: string;
}

export const ACCOUNT_NAMES: Readonly<Record<LedgerAccount, AccountName>> = {
  orientation: { code: "Or", name: "Orientation" },
  rear: { code: "Rl", name: "Rear light" },
  shading: { code: "Sh", name: "Shading" },
  snow: { code: "Sn", name: "Snow" },
  soiling: { code: "So", name: "Soiling" },
  reflection: { code: "Rf", name: "Reflection" },
  lowLight: { code: "Lo", name: "Low light" },
  temperature: { code: "Te", name: "Temperature" },
  rating: { code: "Ra", name: "Rating and gain" },
  ageing: { code: "Ag", name: "Ageing" },
  wiring: { code: "Wi", name: "Wiring, mismatch" },
  inverter: { code: "In", name: "Inverter" },
  clipping: { code: "Cl", name: "Clipping" },
  downtime: { code: "Do", name: "Downtime" },
  unread: { code: "Un", name: "Unread" },
  remainder: { code: "Re", name: "Remainder" },
};
