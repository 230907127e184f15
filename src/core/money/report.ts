import type { LedgerLine } from "../reconcile";
import type { Site } from "../site";
import { type EnergyBasis, firstYearEnergy, type YearEnergy } from "./first-year";
import { type Payback, payback } from "./payback";

/** Payback of a site, or what is missing for it. */
export interface MoneyReport {
  currency: string;
  energies: YearEnergy[];
  basis: EnergyBasis | null;
  missing: ("cost" | "price" | "energy")[];
  payback: Payback | null;
}

/** Years that the curves run; most warranties end there. */
export const HORIZON_YEARS = 25;

const BASES: readonly EnergyBasis[] = ["metered", "expected", "promise"];

/** Payback of a site from its ledger months, its costs and its tariff. Counts metered energy where twelve months of it are there. */
export function moneyOf(
  site: Site,
  months: readonly LedgerLine[],
  promise: readonly number[] | null,
  basis: EnergyBasis | null = null,
): MoneyReport {
  const lines = months.length > 0 ? months : promiseLines(promise);
  const energies = BASES.map((candidate) => firstYearEnergy(lines, candidate, site)).filter((energy) => energy !== null);
  const energy = energies.find((candidate) => candidate.basis === (basis ?? energies[0]?.basis)) ?? null;
  const { costs, incentives, tariff } = site.money;
  const missing: MoneyReport["missing"] = [];
  if (costs.length === 0) missing.push("cost");
  if (tariff.importPerKwh === null) missing.push("price");
  if (!energy) missing.push("energy");
  const complete = energy && tariff.importPerKwh !== null && costs.length > 0;
  return {
    currency: site.currency,
    energies,
    basis: energy?.basis ?? null,
    missing,
    payback: complete
      ? payback({
          costs: costs.map((cost) => cost.amount),
          incentives: incentives.map((incentive) => incentive.amount),
          firstYearKwh: energy.firstYearKwh,
          importPerKwh: tariff.importPerKwh ?? "0",
          exportPerKwh: tariff.exportPerKwh,
          selfUsedFrac: tariff.selfUsedFrac,
          priceRisePerYearFrac: tariff.priceRisePerYearFrac,
          ageing: site.ageing,
          horizonYears: HORIZON_YEARS,
        })
      : null,
  };
}

/** A promise alone, as months of an unnamed year: enough for a first payback before any weather or reading is there. */
function promiseLines(promise: readonly number[] | null): LedgerLine[] {
  return (promise ?? []).map((promiseKwh, month) => ({
    key: `0000-${String(month + 1).padStart(2, "0")}`,
    promiseKwh,
    expectedKwh: 0,
    meteredKwh: null,
    planeKwhM2: 0,
    referenceKwh: 0,
    unreadKwh: 0,
    unmatchedKwh: 0,
    remainderKwh: null,
    readFrac: 0,
    filledReferenceKwh: 0,
    splitKwh: 0,
    accountsKwh: {} as LedgerLine["accountsKwh"],
  }));
}
