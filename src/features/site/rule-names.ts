import type { ShadeRule } from "@/core/site";
import { say } from "@/wording/screens/site";

/** What happens to shaded cells, by the hardware that decides it. */
export const RULE_NAMES: Readonly<Record<ShadeRule, string>> = {
  "module-level": say.optimisersOrModuleInverters,
  "bypass-diodes": say.stringsWithBypassDiodes,
  "worst-module": say.stringsWithoutDiodes,
};
