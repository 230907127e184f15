import type { LedgerAccount, ModelAccount } from "@/core/accounts";
import { catalogue } from "./catalogue";

/** The model's accounts one by one, in words. */
export const STAGE_NAMES: Readonly<Record<ModelAccount, string>> = catalogue({
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
  curtailment: "curtailment",
  downtime: "downtime",
});

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
  curtailment: { code: "Cu", name: "Curtailment" },
  downtime: { code: "Do", name: "Downtime" },
  unread: { code: "Un", name: "Unread" },
  remainder: { code: "Re", name: "Remainder" },
};
