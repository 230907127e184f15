import { type LedgerLine, NOTHING_FOUND } from "../ledger";
import { ageingFactor } from "../module";
import type { Site } from "../site";
import { type CountedFrom, countedFrom } from "./counted-from";
import { type EnergyBasis, firstYearEnergy, type YearEnergy } from "./first-year";
import { priceTermsOf } from "./kwh-worth";
import { type Payback, type PaybackTerms, payback } from "./payback";

/** Payback of a site, or what is missing for it. */
export interface MoneyReport {
  currency: string;
  energies: YearEnergy[];
  basis: EnergyBasis | null;
  missing: ("cost" | "price" | "energy")[];
  /** What the payback was reckoned from; null with it. */
  terms: PaybackTerms | null;
  /** From when it counts, and what it counts later. */
  counted: CountedFrom;
  payback: Payback | null;
}

export interface MoneyChoices {
  readonly basis?: EnergyBasis | null;
  /** Ageing as read from the readings; the book's where it is not known. */
  readonly ageingPerYearFrac?: number | null;
  /** Share of production used on the spot as bills tell it; the book's where they don't. */
  readonly selfUsedFrac?: number | null;
}

const BASES: readonly EnergyBasis[] = ["metered", "expected", "promise"];

/** Payback of a site from its ledger months, its costs and its tariff. Counts metered energy where twelve months of it are there. */
export function moneyOf(
  site: Site,
  months: readonly LedgerLine[],
  promise: readonly number[] | null,
  { basis = null, ageingPerYearFrac = null, selfUsedFrac = null }: MoneyChoices = {},
): MoneyReport {
  const lines = months.length > 0 ? months : promiseLines(promise);
  const energies = BASES.map((candidate) => firstYearEnergy(lines, candidate, site)).filter((energy) => energy !== null);
  const energy = energies.find((candidate) => candidate.basis === (basis ?? energies[0]?.basis)) ?? null;
  const { costs, running } = site.money;
  const counted = countedFrom(site);
  const { ageYears } = counted;
  const prices = priceTermsOf(site, { ageYears, selfUsedFrac: selfUsedFrac ?? undefined });
  const missing: MoneyReport["missing"] = [];
  if (costs.length === 0) missing.push("cost");
  if (!prices) missing.push("price");
  if (!energy) missing.push("energy");
  const ageing = ageingPerYearFrac === null ? site.ageing : { ...site.ageing, perYearFrac: ageingPerYearFrac };
  // What wears out wears out by the plant's age, whenever the count begins.
  const replacements = running.later
    .map((sum) => ({ ...sum, afterYears: sum.afterYears - ageYears }))
    .filter(({ afterYears }) => afterYears > 0);
  const terms: PaybackTerms | null =
    energy && prices && costs.length > 0
      ? {
          ...running,
          ...prices,
          currency: site.currency,
          costs: counted.costs,
          incentives: counted.incentives,
          later: [...replacements, ...counted.later],
          firstYearKwh: (energy.firstYearKwh * ageingFactor(ageYears + 0.5, ageing)) / ageingFactor(0.5, ageing),
          ageYears,
          ageing,
        }
      : null;
  return { currency: site.currency, energies, basis: energy?.basis ?? null, missing, terms, counted, payback: terms && payback(terms) };
}

/** A promise alone, as months of an unnamed year: enough for a first payback before any weather or reading is there. */
function promiseLines(promise: readonly number[] | null): LedgerLine[] {
  return (promise ?? []).map((promiseKwh, month) => ({
    key: `0000-${String(month + 1).padStart(2, "0")}`,
    promiseKwh,
    expectedKwh: 0,
    foundKwh: NOTHING_FOUND,
    isSought: false,
    meteredKwh: null,
    planeKwhM2: 0,
    referenceKwh: 0,
    dataGapKwh: 0,
    referenceGapKwh: 0,
    unmatchedKwh: 0,
    usualKwh: 0,
    usualReadKwh: 0,
    unexplainedKwh: null,
    readFrac: 0,
    filledReferenceKwh: 0,
    splitKwh: 0,
    accountsKwh: {} as LedgerLine["accountsKwh"],
  }));
}
