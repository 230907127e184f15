import type { Site } from "../site";
import { siteAcRatedW } from "../site";
import type { CalendarBins } from "../time";
import { type EvidencedCauses, type PreparedWeather, runPrepared, type YieldRun } from "../yield";
import type { RunEvidence } from "./evidence";
import { ageingRateOf } from "./expected";
import { siteWithOffset } from "./plane/turned-site";
import { toSteps } from "./record/hours";

/**
 * The chain once more with each cause as the evidence has it in place of the book's budget. The walk starts at the book's reference, so
 * that reference - accounts = what the evidence leaves, in every bin; what the meter lacks of that is unexplained.
 */
export function attributedRun(
  site: Site,
  prepared: PreparedWeather,
  bins: CalendarBins,
  evidence: RunEvidence,
  planned: YieldRun,
): YieldRun {
  const run = runPrepared(evidencedSite(siteWithOffset(site, evidence.planeOffset), evidence), prepared, bins, {
    causes: causesOf(evidence, prepared.weather.axis.count),
  });
  const off = run.referenceKwh.map((kwh, b) => planned.referenceKwh[b]! - kwh);
  return {
    ...run,
    referenceKwh: planned.referenceKwh,
    planeKwhM2: planned.planeKwhM2,
    accountsKwh: { ...run.accountsKwh, orientation: off },
  };
}

/** The book with its ageing and its ceiling as they were read. */
const evidencedSite = (site: Site, evidence: RunEvidence): Site => withCeiling(withAgeing(site, evidence), evidence);

/** The book ageing as it was read, or as planned where that can't be told. */
export function withAgeing(site: Site, { ageing }: Pick<RunEvidence, "ageing">): Site {
  if (ageing.isTooSoon) return site;
  const rate = ageingRateOf(ageing, site);
  const step = ageing.firstStep && ageing.firstStep.low > 0 ? ageing.firstStep.frac : 0;
  return { ...site, ageing: { firstYearFrac: rate + step, perYearFrac: rate } };
}

/** The book with inverters that give what was seen at most. */
export function withCeiling(site: Site, { ceiling }: Pick<RunEvidence, "ceiling">): Site {
  const acW = siteAcRatedW(site);
  const factor = ceiling && acW > 0 && site.inverters.length > 0 ? ceiling.powerW / (1 - site.losses.acWiringFrac) / acW : 1;
  return factor === 1 ? site : { ...site, inverters: site.inverters.map((own) => ({ ...own, acRatedW: own.acRatedW * factor })) };
}

/** Shares lost on every step of the book's axis. */
export function causesOf(
  { frame, stepsAnHour, outages, curtailed, heat, snow, strings, shade, soiling, ratingRetained, cutFrac, swingScale }: RunEvidence,
  count: number,
): EvidencedCauses {
  const stringsOutFrac = new Float64Array(frame.axis.count);
  for (const { from, to, lostFrac } of strings) stringsOutFrac.fill(lostFrac, from, to);
  const dirt = new Float64Array(frame.axis.count);
  for (let i = 0; i < dirt.length; i++) dirt[i] = soiling.lostFracByDay[frame.days.binOf[i]!]!;
  const spread = (hourly: Float64Array): Float64Array => toSteps(hourly, stepsAnHour, count);
  return {
    // Weather finer than hours shows the ceiling by itself.
    ...(cutFrac === null || stepsAnHour > 1 ? {} : { cutFrac }),
    swingScale,
    ratingLostFrac: spread(ratingRetained.map((retained) => 1 - retained)),
    snowFrac: spread(snow.lostFrac),
    soilingFrac: spread(dirt),
    ...(shade.isSeen ? { shadingFrac: spread(shade.lostFrac) } : {}),
    ...(strings.length > 0 ? { stringsOutFrac: spread(stringsOutFrac) } : {}),
    downFrac: spread(outages.downFrac),
    ...(heat.law || heat.spans.length > 0 ? { deratedFrac: spread(heat.lostFrac) } : {}),
    ...(curtailed.spells.length > 0
      ? { curtailedFrac: spread(curtailed.lostFrac.map((lost, i) => (outages.downFrac[i]! > 0 ? 0 : lost))) }
      : {}),
  };
}
