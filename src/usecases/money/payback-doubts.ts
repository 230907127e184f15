import { weatherTerms } from "@/core/ledger";
import { type EnergyBasis, type MoneyReport, type PaybackDoubts, USUAL_DOUBTS } from "@/core/money";
import { expectedUncertainty } from "@/core/yield";
import type { OpenLedger } from "../ledger";

/** A production meter, one deviation. Source: IEC 62053-21:2020, class 1. */
const METER_FRAC = 0.01;
/** What a promise's own weather may be off, beside the model's budget: it is not said where it came from. */
const PROMISE_WEATHER_FRAC = 0.05;
/** A payback stands on a mean year; what months or years do not share averages out of it over ten years. */
const MONTHS = 120;

/**
 * How far the yield of a payback may be off, by whose energy it counts. Metered energy is as sure as its meter, and its years as usual as they were many; expected energy
 * has the one budget; a promise that and the weather that it was made from.
 */
export function paybackDoubts(
  { site, report }: Pick<OpenLedger, "site" | "report">,
  { energies }: MoneyReport,
): Record<EnergyBasis, PaybackDoubts> {
  const model = expectedUncertainty(site, { ...weatherTerms(report.sources), ageYears: 0, months: MONTHS }).standardFrac;
  const ofYears = (basis: EnergyBasis): number => {
    const months = energies.find((energy) => energy.basis === basis)?.monthsUsed ?? 12;
    return USUAL_DOUBTS.weatherFrac / Math.sqrt(Math.max(1, months / 12));
  };
  return {
    metered: { ...USUAL_DOUBTS, yieldFrac: Math.hypot(METER_FRAC, ofYears("metered")) },
    expected: { ...USUAL_DOUBTS, yieldFrac: Math.hypot(model, ofYears("expected")) },
    promise: { ...USUAL_DOUBTS, yieldFrac: Math.hypot(model, PROMISE_WEATHER_FRAC) },
  };
}
