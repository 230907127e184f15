import { FOUND_ACCOUNTS, type FoundAccount } from "../accounts";
import type { FoundPostings } from "../ledger";
import type { Site } from "../site";
import type { CalendarBins } from "../time";
import { type EvidencedCauses, type PreparedWeather, runPrepared, type YieldRun } from "../yield";
import { causesOf, withAgeing, withCeiling } from "./attributed-run";
import type { RunEvidence } from "./evidence";
import { siteWithOffset } from "./plane/turned-site";

/** The chain on its way from the plan to the evidence. */
interface Stand {
  readonly site: Site;
  readonly causes: EvidencedCauses;
}

interface Entry {
  readonly account: FoundAccount;
  /** Puts the cause in; gives the same stand where there is nothing to put. */
  readonly put: (stand: Stand) => Stand;
}

/** Adds shares of a cause to a stand, where the evidence has any. */
const adding =
  (all: EvidencedCauses, ...names: (keyof EvidencedCauses)[]) =>
  (stand: Stand): Stand => {
    const own = Object.fromEntries(names.filter((name) => all[name] !== undefined).map((name) => [name, all[name]]));
    return Object.keys(own).length === 0 ? stand : { ...stand, causes: { ...stand.causes, ...own } };
  };

/** Causes in the order in which they are put in. What a later stage gives back, as less clipping under dirt, is in the figure of the cause that brought it. */
function entries(evidence: RunEvidence, count: number): Entry[] {
  const all = causesOf(evidence, count);
  const ofSite =
    (change: (site: Site) => Site) =>
    (stand: Stand): Stand => {
      const site = change(stand.site);
      return site === stand.site ? stand : { ...stand, site };
    };
  const ceiling = (stand: Stand): Stand =>
    adding(all, "cutFrac", ...(all.swingScale === 1 ? [] : ["swingScale" as const]))(ofSite((site) => withCeiling(site, evidence))(stand));
  return [
    { account: "orientation", put: ofSite((site) => siteWithOffset(site, evidence.planeOffset)) },
    { account: "shading", put: adding(all, "shadingFrac") },
    { account: "snow", put: adding(all, "snowFrac") },
    { account: "soiling", put: adding(all, "soilingFrac") },
    { account: "rating", put: adding(all, "ratingLostFrac") },
    { account: "ageing", put: ofSite((site) => withAgeing(site, evidence)) },
    { account: "strings", put: adding(all, "stringsOutFrac") },
    { account: "clipping", put: ceiling },
    { account: "derating", put: adding(all, "deratedFrac") },
    { account: "curtailment", put: adding(all, "curtailedFrac") },
    { account: "downtime", put: adding(all, "downFrac") },
  ];
}

/** The chain as planned, the share of each step that was read, and the cleanings that the plan's own dirt heeds. */
export interface PlannedRun {
  readonly planned: YieldRun;
  readonly readFrac: ArrayLike<number>;
  readonly cleanings: readonly string[];
}

/** Energy of the time that was read, by bin. */
function readByBin({ bins, expectedKwh }: YieldRun, readFrac: ArrayLike<number>): Float64Array {
  const sums = new Float64Array(bins.keys.length);
  for (let i = 0; i < expectedKwh.length; i++) {
    const kwh = expectedKwh[i]!;
    if (!Number.isNaN(kwh)) sums[bins.binOf[i]!]! += kwh * readFrac[i]!;
  }
  return sums;
}

/**
 * What the evidence shows beside the plan, kWh at the meter by bin: the causes are put into the planned chain one after another, and each takes what the
 * meter then loses. Their sum is the plan's energy of the time read minus what the evidence leaves of it, in every bin.
 */
export function foundLosses(
  site: Site,
  prepared: PreparedWeather,
  bins: CalendarBins,
  evidence: RunEvidence,
  { planned, readFrac, cleanings }: PlannedRun,
): FoundPostings[] {
  const lost = Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, new Float64Array(bins.keys.length)])) as Record<
    FoundAccount,
    Float64Array
  >;
  let stand: Stand = { site, causes: {} };
  let before = readByBin(planned, readFrac);
  for (const { account, put } of entries(evidence, prepared.weather.axis.count)) {
    const next = put(stand);
    if (next === stand) continue;
    stand = next;
    const after = readByBin(runPrepared(stand.site, prepared, bins, { causes: stand.causes, cleanings }), readFrac);
    lost[account] = before.map((kwh, b) => kwh - after[b]!);
    before = after;
  }
  return bins.keys.map(
    (_, b) => Object.fromEntries(FOUND_ACCOUNTS.map((account) => [account, lost[account][b]!])) as Record<FoundAccount, number>,
  );
}
