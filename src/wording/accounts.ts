import type { DesignAccount, LedgerAccount, ModelAccount } from "@/core/accounts";
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
  rating: "module rating and sensor gain",
  ageing: "ageing",
  mismatch: "mismatch",
  dcWiring: "DC wiring",
  inverter: "inverter",
  clipping: "clipping",
  derating: "derating by heat",
  acWiring: "AC wiring",
  transformer: "transformer",
  curtailment: "curtailment",
  downtime: "downtime",
});

export interface AccountName {
  readonly code: string;
  readonly name: string;
}

/** Design losses, losses found, and what stands between expected and metered beside them: one name and one code each. */
export const ACCOUNT_NAMES: Readonly<Record<DesignAccount | LedgerAccount, AccountName>> = {
  orientation: { code: "Or", name: "Orientation" },
  rear: { code: "Rl", name: "Rear light" },
  shading: { code: "Sh", name: "Shading" },
  snow: { code: "Sn", name: "Snow" },
  soiling: { code: "So", name: "Soiling" },
  reflection: { code: "Rf", name: "Reflection" },
  lowLight: { code: "Lo", name: "Low light" },
  temperature: { code: "Te", name: "Temperature" },
  rating: { code: "Ra", name: "Module rating and sensor gain" },
  ageing: { code: "Ag", name: "Ageing" },
  wiring: { code: "Wi", name: "Wiring, mismatch" },
  inverter: { code: "In", name: "Inverter" },
  clipping: { code: "Cl", name: "Clipping" },
  curtailment: { code: "Li", name: "Curtailment" },
  downtime: { code: "Do", name: "Outage" },
  strings: { code: "St", name: "Strings out" },
  derating: { code: "De", name: "Derating" },
  dataGap: { code: "Ga", name: "Data gap" },
  unexplained: { code: "Ux", name: "Unexplained" },
};
