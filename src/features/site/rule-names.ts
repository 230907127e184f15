import type { ShadeRule } from "@/core/site";

/** What happens to shaded cells, by the hardware that decides it. */
export const RULE_NAMES: Readonly<Record<ShadeRule, string>> = {
  "module-level": "optimisers or module inverters",
  "bypass-diodes": "strings with bypass diodes",
  "worst-module": "strings without diodes",
};
