import type { AgeingReport } from "@/contracts/attribution";
import { number, percent } from "../format";
import { RESIDUAL_TITLES, residualUnit } from "../residuals";
import type { Working } from "./working";

type Residuals = NonNullable<AgeingReport["residuals"]>[number];

/** How a lean of the model's error came about. */
export function residualWorking({ by, bins, lean }: Residuals): Working {
  const { scale, unit } = residualUnit(by);
  return {
    title: RESIDUAL_TITLES[by],
    value: lean ? `${percent(lean.frac, 1)} ± ${percent(lean.halfFrac, 1)}` : "–",
    unit: "from the first stretch to the last",
    formula:
      "ln(Σ metered ÷ Σ expected) of each month and stretch = month + stretch, fitted by turns; a weighted straight line through the stretches",
    inputs: bins.map(({ from, to, frac, standardFrac, hours }) => ({
      name: `${number(from * scale)} to ${number(to * scale)} ${unit}`,
      value: `${percent(frac, 1)} ± ${percent(standardFrac, 1)}`,
      from: `${number(hours)} hours; one deviation, by how months differ`,
    })),
    source: "Yates, 1934, on classifications with unequal numbers; expected by the chain with the dirt and the ageing that were read.",
    assumptions: [
      "Hours with standstill, snow, shade, a limit or a string out, and those near the ceiling, are left out.",
      "Seen by the largest array.",
    ],
  };
}
