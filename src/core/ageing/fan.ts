import { probit } from "simple-statistics";
import { quantileOf, Z_95 } from "../statistics";
import type { AgeingReading } from "./read-ageing";

const STEPS = Array.from({ length: 39 }, (_, k) => (k + 1) / 40);

/**
 * Rates at equal shares of the whole doubt, slowest first: what the redrawn days say, widened to the scatter that is claimed, and in quadrature what the light
 * leaves open. Its middle is the rate, its 2.5 and 97.5 % ends are the interval. Empty without pairs.
 */
export function fanOfRates({
  yearOnYear: { draws, slopeLog },
  perYearFrac,
  halfLightFrac,
  halfScatterFrac,
}: Pick<AgeingReading, "yearOnYear" | "perYearFrac" | "halfLightFrac" | "halfScatterFrac">): number[] {
  if (draws.length === 0) return [];
  const drawn = (quantileOf(draws, 0.975) - quantileOf(draws, 0.025)) / 2;
  const wider = drawn > 0 ? Math.max(1, halfScatterFrac / drawn) : 1;
  return STEPS.map((share) => {
    const scatter = wider * (slopeLog - quantileOf(draws, 1 - share));
    const light = (halfLightFrac / Z_95) * probit(share);
    return perYearFrac + Math.sign(share - 0.5) * Math.hypot(scatter, light);
  });
}
