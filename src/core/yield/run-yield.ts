import { fillHorizontal } from "../irradiance";
import { assertOnAxis } from "../series";
import type { Site } from "../site";
import { sunWhole } from "../sun";
import type { CalendarBins } from "../time";
import type { Weather } from "../weather";
import { runArray } from "./array-chain";
import { hasConnection, runConnection } from "./connection";
import { type Gathered, gatherLit } from "./gather";
import { drawAtNight, runInverter } from "./inverter-chain";
import { type GroupPlan, planOf } from "./plan";
import { type PassingWeather, type PreparedWeather, passWeather } from "./prepare";
import { type YieldSpan, yieldSpans } from "./spans";
import { COARSE_STEP_MINUTES, fillSpread } from "./sub-hourly";
import { type Workspace, workspace, type YieldOptions, type YieldRun } from "./workspace";

/**
 * The chain from sun to meter over a weather series, with every stage's loss by calendar bin:
 * reference - all accounts = expected, in every bin. The site is read as it stood at each moment.
 * Lit steps are worked in blocks, stage by stage, so that the memory used does not grow with the stages.
 * Throws a RangeError when columns differ in length.
 */
export const runYield = (site: Site, weather: Weather, bins: CalendarBins, options: YieldOptions = {}): YieldRun =>
  runPassing(site, passWeather(site.place, weather), bins, options);

/** runYield over weather that was made ready before, for many runs at one place. */
export const runPrepared = (site: Site, { sun, weather }: PreparedWeather, bins: CalendarBins, options: YieldOptions = {}): YieldRun =>
  runPassing(site, { sun: sunWhole(sun), weather }, bins, options);

function runPassing(site: Site, passing: PassingWeather, bins: CalendarBins, options: YieldOptions): YieldRun {
  const { axis } = passing.weather;
  assertOnAxis(axis, { bins: bins.binOf });
  const work = workspace(site, passing, bins, options);
  const plans = new Map<Site, GroupPlan[]>();
  for (const span of yieldSpans(site, axis, bins)) {
    const plan = plans.get(span.site) ?? planOf(span.site);
    plans.set(span.site, plan);
    runSpan(work, span, plan);
  }
  return work.run;
}

const gathered: Gathered = { next: 0, lit: 0, dark: 0 };

function runSpan(work: Workspace, span: YieldSpan, plan: readonly GroupPlan[]): void {
  let next = span.from;
  const sun = work.sun.over(span.from, span.to);
  while (next < span.to) {
    const { lit, dark, next: after } = gatherLit(work.weather, sun, next, span.to, work.block, work.run.expectedKwh, gathered);
    if (dark > 0) drawAtNight(work, span, plan, { from: next, to: after, dark, litCount: lit });
    next = after;
    if (lit > 0) runBlock(work, span, plan, lit);
  }
}

function runBlock(work: Workspace, span: YieldSpan, plan: readonly GroupPlan[], lit: number): void {
  const { block, run } = work;
  const { site } = span;
  if (!work.weather.poaWm2) fillHorizontal(block, block, site.models.decomposition, work.pressureFrac, lit);
  fillAlbedo(work, span, lit);
  const corrected = site.models.subHourlyClipping === "corrected" && work.axis.stepMinutes >= COARSE_STEP_MINUTES && !work.weather.poaWm2;
  if (corrected) {
    fillSpread(block, lit, work.spreadFrac, work.scratch);
    const { swingScale = 1 } = work.causes;
    if (swingScale !== 1) for (let k = 0; k < lit; k++) work.spreadFrac[k] = work.spreadFrac[k]! * swingScale;
  }
  const meets = hasConnection(site);
  if (meets) block.siteW.fill(0, 0, lit);
  for (const group of plan) {
    block.groupW.fill(0, 0, lit);
    for (const array of group.arrays) {
      runArray(work, span, array, group.group.inverter?.dcInputLimitW ?? null, lit);
      for (let k = 0; k < lit; k++) block.groupW[k] = block.groupW[k]! + block.arrayW[k]!;
    }
    runInverter(work, span, group, corrected, lit);
    const { expectedKwh } = run;
    let sum = 0;
    for (let k = 0; k < lit; k++) {
      const powerW = block.groupW[k]!;
      expectedKwh[block.at[k]!]! += powerW * work.toKwh;
      sum += powerW;
    }
    run.expectedByBinKwh[span.bin]! += sum * work.toKwh;
    if (meets) for (let k = 0; k < lit; k++) block.siteW[k] = block.siteW[k]! + block.groupW[k]!;
  }
  if (meets) runConnection(work, span, lit);
}

function fillAlbedo({ block, albedo }: Workspace, { site, month }: YieldSpan, lit: number): void {
  const usual = site.albedoMonthly?.[month] ?? site.albedo;
  block.albedo.fill(usual, 0, lit);
  if (!albedo) return;
  for (let k = 0; k < lit; k++) {
    const at = albedo[block.at[k]!]!;
    if (!Number.isNaN(at)) block.albedo[k] = at;
  }
}
