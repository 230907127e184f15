import { MODEL_ACCOUNTS, type ModelAccount } from "../accounts";
import { fillCurve } from "../inverter";
import { fillHorizontal, fillPlane } from "../irradiance";
import { HEAT_LOSS, KING_MOUNT, NOCT_RISE_K } from "../module";
import { assertOnAxis, type TimeAxis } from "../series";
import type { Site } from "../site";
import { pressurePa, type SunColumns } from "../sun";
import type { CalendarBins } from "../time";
import { hoursOfStep } from "../units";
import type { FilledWeather, Weather } from "../weather";
import { type AxisAge, ageOnAxis } from "./age-on-axis";
import { BLOCK, type Block, newBlock } from "./block";
import { type Gathered, gatherLit } from "./gather";
import { fillMeasuredPlane } from "./measured-plane";
import { fillDiodeHeat, fillDiodeLowLight } from "./module-power";
import { type ArrayPlan, type GroupPlan, planOf } from "./plan";
import { type PreparedWeather, prepareWeather } from "./prepare";
import { fillRearLight } from "./rear-light";
import { type YieldSpan, yieldSpans } from "./spans";
import {
  fillAgeing,
  fillClipping,
  fillFaiman,
  fillKeptShare,
  fillKing,
  fillLowLight,
  fillReference,
  fillReflection,
  fillRoss,
  fillTemperature,
  fillVaryingShare,
} from "./stages";
import { COARSE_STEP_MINUTES, fillClippingWithin, fillSpread } from "./sub-hourly";
import { albedoByStep, snowByStep, soilingByStep } from "./varying";

/** What the sun owed and what of it should reach the meter. Sums leave out intervals without weather. */
export interface YieldRun {
  readonly axis: TimeAxis;
  readonly bins: CalendarBins;
  /** AC energy expected in each interval, kWh; NaN where there was no weather to tell. */
  readonly expectedKwh: Float64Array;
  readonly planeKwhM2: Float64Array;
  readonly referenceKwh: Float64Array;
  readonly expectedByBinKwh: Float64Array;
  /** By bin: energy before each stage minus after it; a gain is negative. */
  readonly accountsKwh: Readonly<Record<ModelAccount, Float64Array>>;
  /** Reference energy of intervals whose irradiance was filled by rule. */
  readonly filledReferenceKwh: Float64Array;
}

export interface YieldOptions {
  /** Local dates ("2024-05-03") on which somebody cleaned, for soiling that builds up. */
  readonly cleanings?: readonly string[];
}

interface Workspace {
  readonly axis: TimeAxis;
  readonly weather: FilledWeather;
  readonly sun: SunColumns;
  readonly block: Block;
  readonly spreadFrac: Float64Array;
  readonly scratch: Float64Array;
  readonly toKwh: number;
  readonly pressureFrac: number;
  readonly age: AxisAge | null;
  readonly albedo: Float64Array | null;
  readonly soiling: Float64Array | null;
  /** Snow losses by array and tilt, made when first asked for. */
  readonly snow: Map<string, Float64Array>;
  readonly run: YieldRun;
}

/**
 * The chain from sun to meter over a weather series, with every stage's loss by calendar bin:
 * reference - all accounts = expected, in every bin. The site is read as it stood at each moment.
 * Lit steps are worked in blocks, stage by stage, so that the memory used does not grow with the stages.
 * Throws a RangeError when columns differ in length.
 */
export const runYield = (site: Site, weather: Weather, bins: CalendarBins, options: YieldOptions = {}): YieldRun =>
  runPrepared(site, prepareWeather(site.place, weather), bins, options);

/** runYield over weather that was made ready before, for many runs at one place. */
export function runPrepared(site: Site, prepared: PreparedWeather, bins: CalendarBins, options: YieldOptions = {}): YieldRun {
  const { axis } = prepared.weather;
  assertOnAxis(axis, { bins: bins.binOf });
  const work = workspace(site, prepared, bins, options);
  const plans = new Map<Site, GroupPlan[]>();
  for (const span of yieldSpans(site, axis, bins)) {
    const plan = plans.get(span.site) ?? planOf(span.site);
    plans.set(span.site, plan);
    runSpan(work, span, plan);
  }
  return work.run;
}

/** One set of scratch columns serves every run: runs never overlap, and nothing is read before it is written. */
const shared = { block: newBlock(), spreadFrac: new Float64Array(BLOCK), scratch: new Float64Array(BLOCK) };

function workspace(site: Site, { sun, weather: filled }: PreparedWeather, bins: CalendarBins, options: YieldOptions): Workspace {
  const { axis } = filled;
  const byBin = (): Float64Array => new Float64Array(bins.keys.length);
  return {
    axis,
    sun,
    weather: filled,
    ...shared,
    toKwh: hoursOfStep(axis.stepMinutes) / 1000,
    pressureFrac: pressurePa(site.place.elevationM) / 101_325,
    age: site.commissioned ? ageOnAxis(site.commissioned, site.place.timeZone, axis) : null,
    albedo: albedoByStep(filled),
    soiling: site.models.soiling === "build-up" ? soilingByStep(site, filled, options.cleanings ?? []) : null,
    snow: new Map(),
    run: {
      axis,
      bins,
      expectedKwh: new Float64Array(axis.count),
      expectedByBinKwh: byBin(),
      planeKwhM2: byBin(),
      referenceKwh: byBin(),
      filledReferenceKwh: byBin(),
      accountsKwh: Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, byBin()])) as Record<ModelAccount, Float64Array>,
    },
  };
}

const gathered: Gathered = { next: 0, lit: 0, dark: 0 };

function runSpan(work: Workspace, span: YieldSpan, plan: readonly GroupPlan[]): void {
  let next = span.from;
  while (next < span.to) {
    const { lit, dark, next: after } = gatherLit(work.weather, work.sun, next, span.to, work.block, work.run.expectedKwh, gathered);
    if (dark > 0) drawAtNight(work, span, plan, next, after, dark);
    next = after;
    if (lit > 0) runBlock(work, span, plan, lit);
  }
}

/** Inverters that draw power while it is dark owe it to the meter. */
function drawAtNight(work: Workspace, span: YieldSpan, plan: readonly GroupPlan[], from: number, to: number, dark: number): void {
  const nightKwh = plan.reduce((sum, group) => sum + group.nightW, 0) * work.toKwh;
  if (nightKwh === 0) return;
  const { expectedKwh, expectedByBinKwh, accountsKwh } = work.run;
  let lit = 0;
  for (let i = from; i < to; i++) {
    if (lit < gathered.lit && work.block.at[lit] === i) lit++;
    else if (!Number.isNaN(expectedKwh[i])) expectedKwh[i] = -nightKwh;
  }
  accountsKwh.inverter[span.bin]! += nightKwh * dark;
  expectedByBinKwh[span.bin]! -= nightKwh * dark;
}

function runBlock(work: Workspace, span: YieldSpan, plan: readonly GroupPlan[], lit: number): void {
  const { block, run } = work;
  const { site } = span;
  if (!work.weather.poaWm2) fillHorizontal(block, block, site.models.decomposition, work.pressureFrac, lit);
  fillAlbedo(work, span, lit);
  const corrected = site.models.subHourlyClipping === "corrected" && work.axis.stepMinutes >= COARSE_STEP_MINUTES && !work.weather.poaWm2;
  if (corrected) fillSpread(block, lit, work.spreadFrac, work.scratch);
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
  }
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

/** DC side of one array: from in-plane light to the inverter's input. */
function runArray(work: Workspace, span: YieldSpan, plan: ArrayPlan, dcLimitW: number | null, lit: number): void {
  const { block, toKwh, run } = work;
  const { site, bin, month } = span;
  const { losses, models } = site;
  const power = block.arrayW;
  if (work.weather.poaWm2) fillMeasuredPlane(block, plan.plane, lit);
  else fillPlane(block, plan.plane, models.transposition, lit, block);
  const owedW = fillReference(block, plan.nameplateW, lit, block.poaWm2, power);
  run.referenceKwh[bin]! += owedW * toKwh;
  run.planeKwhM2[bin]! += (owedW / plan.nameplateW) * plan.shareFrac * toKwh * 1000;
  if (work.weather.anyFilled) run.filledReferenceKwh[bin]! += filledW(work, lit) * toKwh;
  if (plan.module.bifacialityFrac > 0 && plan.array.mounting === "open-rack" && !work.weather.poaWm2) {
    post(work, bin, "rear", fillRearLight(block, plan.plane, plan.nameplateW, plan.module.bifacialityFrac, lit));
  }
  if (models.snow === "sliding" && work.weather.snowDepthCm) {
    post(work, bin, "snow", fillVaryingShare(power, block.at, snowOf(work, site, plan), lit));
  } else if (models.snow === "monthly" && losses.snowMonthlyFrac) {
    post(work, bin, "snow", fillKeptShare(power, 1 - losses.snowMonthlyFrac[month]!, lit));
  }
  if (work.soiling) post(work, bin, "soiling", fillVaryingShare(power, block.at, work.soiling, lit));
  else post(work, bin, "soiling", fillKeptShare(power, 1 - (losses.soilingMonthlyFrac?.[month] ?? losses.soilingFrac), lit));
  post(work, bin, "reflection", fillReflection(power, block, plan.reflection, lit));
  fillCellTemperature(block, site, plan, lit);
  if (plan.diode) {
    post(work, bin, "lowLight", fillDiodeLowLight(power, plan.nameplateW, plan.diode, lit, work.scratch));
    post(work, bin, "temperature", fillDiodeHeat(power, work.scratch, block.cellTempC, plan.diode, lit));
  } else {
    post(work, bin, "lowLight", fillLowLight(power, plan.nameplateW, lit));
    post(work, bin, "temperature", fillTemperature(power, block.cellTempC, plan.module.gammaPmpPerK, lit));
  }
  if (work.age) post(work, bin, "ageing", fillAgeing(power, block.at, work.age, site.ageing, lit));
  post(work, bin, "mismatch", fillKeptShare(power, 1 - losses.mismatchFrac, lit));
  post(work, bin, "dcWiring", fillKeptShare(power, 1 - losses.dcWiringFrac, lit));
  if (dcLimitW !== null) post(work, bin, "clipping", fillClipping(power, dcLimitW, lit));
}

function post({ run, toKwh }: Workspace, bin: number, account: ModelAccount, lostW: number): void {
  run.accountsKwh[account][bin]! += lostW * toKwh;
}

function fillCellTemperature(block: Block, site: Site, { array, module }: ArrayPlan, lit: number): void {
  const { cellTemperature } = site.models;
  if (cellTemperature === "ross") fillRoss(block, module.noctC + NOCT_RISE_K[array.mounting], lit, block.cellTempC);
  else if (cellTemperature === "king") fillKing(block, KING_MOUNT[array.mounting], lit, block.cellTempC);
  else fillFaiman(block, HEAT_LOSS[array.mounting], lit, block.cellTempC);
}

/** AC side of one inverter: from its input to the meter. */
function runInverter(work: Workspace, { site, bin }: YieldSpan, plan: GroupPlan, corrected: boolean, lit: number): void {
  const { block } = work;
  const { losses } = site;
  const { group } = plan;
  const power = block.groupW;
  post(
    work,
    bin,
    "inverter",
    plan.curve ? fillCurve(power, plan.ratedDcW, plan.curve, lit) : fillKeptShare(power, group.efficiencyFrac, lit),
  );
  if (Number.isFinite(group.acRatedW)) {
    post(
      work,
      bin,
      "clipping",
      corrected ? fillClippingWithin(power, work.spreadFrac, group.acRatedW, lit) : fillClipping(power, group.acRatedW, lit),
    );
  }
  post(work, bin, "acWiring", fillKeptShare(power, 1 - losses.acWiringFrac, lit));
  post(work, bin, "transformer", fillKeptShare(power, 1 - losses.transformerFrac, lit));
  const limitW = group.inverter?.exportLimitW ?? null;
  if (limitW !== null) post(work, bin, "curtailment", fillClipping(power, limitW, lit));
  post(work, bin, "downtime", fillKeptShare(power, 1 - losses.availabilityFrac, lit));
}

function snowOf(work: Workspace, site: Site, { array }: ArrayPlan): Float64Array {
  const key = `${array.id}/${array.tiltDeg}/${array.azimuthDeg}`;
  const held = work.snow.get(key) ?? snowByStep(site, array, work.weather, work.sun);
  work.snow.set(key, held);
  return held;
}

function filledW({ block, weather }: Workspace, lit: number): number {
  let sum = 0;
  for (let k = 0; k < lit; k++) if (weather.filled[block.at[k]!]) sum += block.arrayW[k]!;
  return sum;
}
