import { fillPlane } from "../irradiance";
import { HEAT_LOSS, KING_MOUNT, NOCT_RISE_K } from "../module";
import { fillShading } from "../shading";
import type { Site } from "../site";
import { fillMeasuredPlane } from "./measured-plane";
import { fillDiodeHeat, fillDiodeLowLight, fillMatrixHeat, noteCellLight } from "./module-power";
import type { ArrayPlan } from "./plan";
import { fillRearLight } from "./rear-light";
import type { YieldSpan } from "./spans";
import {
  fillAgeing,
  fillClipping,
  fillFaiman,
  fillFromBack,
  fillKing,
  fillLowLight,
  fillReference,
  fillReflection,
  fillRetainedShare,
  fillRoss,
  fillTemperature,
  fillVaryingShare,
} from "./stages";
import { snowByStep } from "./varying";
import { post, runs, type Workspace } from "./workspace";

/** DC side of one array: from in-plane light to the inverter's input, in `block.arrayW`. */
export function runArray(work: Workspace, span: YieldSpan, plan: ArrayPlan, dcLimitW: number | null, lit: number): void {
  const { block, causes } = work;
  const { site, bin, month } = span;
  const { losses } = site;
  const power = block.arrayW;
  fillLight(work, span, plan, lit);
  if (plan.shade && runs(work, "shading")) post(work, bin, "shading", fillShading(block, plan.shade, power, month, lit));
  if (causes.shadingFrac) post(work, bin, "shading", fillVaryingShare(power, block.at, causes.shadingFrac, lit));
  if (runs(work, "snow")) post(work, bin, "snow", snowLoss(work, span, plan, lit));
  if (runs(work, "soiling")) {
    const fixed = 1 - (losses.soilingMonthlyFrac?.[month] ?? losses.soilingFrac);
    const varying = causes.soilingFrac ?? work.soiling;
    post(work, bin, "soiling", varying ? fillVaryingShare(power, block.at, varying, lit) : fillRetainedShare(power, fixed, lit));
  }
  // A reference cell lies behind the same glass: what it reads has passed already.
  const hasPassed = work.weather.poaWm2 !== null && site.lightSource === "reference-cell";
  if (runs(work, "reflection") && !hasPassed) post(work, bin, "reflection", fillReflection(power, block, plan.reflection, lit));
  if (causes.soilingFrac) for (let k = 0; k < lit; k++) block.poaWm2[k] = block.poaWm2[k]! * (1 - causes.soilingFrac[block.at[k]!]!);
  // Snow, dirt and the glass in front take nothing of what comes from behind.
  if (plan.rear && !work.weather.poaWm2 && runs(work, "rear")) post(work, bin, "rear", fillRearLight(block, plan.rear, month, lit));
  fillCellTemperature(work, site, plan, lit);
  runCells(work, bin, plan, lit);
  if (causes.ratingLostFrac) post(work, bin, "rating", fillVaryingShare(power, block.at, causes.ratingLostFrac, lit));
  if (work.age && runs(work, "ageing")) post(work, bin, "ageing", fillAgeing(power, block.at, work.age, site.ageing, lit));
  if (runs(work, "mismatch")) post(work, bin, "mismatch", fillRetainedShare(power, 1 - losses.mismatchFrac, lit));
  if (runs(work, "dcWiring")) post(work, bin, "dcWiring", fillRetainedShare(power, 1 - losses.dcWiringFrac, lit));
  if (dcLimitW !== null && runs(work, "clipping")) post(work, bin, "clipping", fillClipping(power, dcLimitW, lit));
}

/** Light in the plane, and what the sun owed for it. */
function fillLight(work: Workspace, { site, bin }: YieldSpan, plan: ArrayPlan, lit: number): void {
  const { block, toKwh, run, weather } = work;
  if (weather.poaWm2) fillMeasuredPlane(block, plan.plane, lit);
  else fillPlane(block, plan.plane, site.models.transposition, lit, block);
  const expectedW = fillReference(block, plan.nameplateW, lit, block.poaWm2, block.arrayW);
  run.referenceKwh[bin]! += expectedW * toKwh;
  for (let k = 0; k < lit; k++) run.referenceStepKwh[block.at[k]!]! += block.arrayW[k]! * toKwh;
  run.planeKwhM2[bin]! += (expectedW / plan.nameplateW) * plan.shareFrac * toKwh * 1000;
  if (weather.anyFilled) run.filledReferenceKwh[bin]! += filledW(work, lit) * toKwh;
}

/** Light to power on the cells: weak light, then heat, by the coefficient, by what was measured of the module, or by the single diode. */
function runCells(work: Workspace, bin: number, { diode, matrix, nameplateW, module, weakTable }: ArrayPlan, lit: number): void {
  const { arrayW: power, cellTempC } = work.block;
  const weak = runs(work, "lowLight");
  const heat = runs(work, "temperature");
  if (diode) {
    const lowLight = fillDiodeLowLight(weak ? power : power.slice(0, lit), nameplateW, diode, lit, work.scratch);
    if (weak) post(work, bin, "lowLight", lowLight);
    if (heat) post(work, bin, "temperature", fillDiodeHeat(power, work.scratch, cellTempC, diode, lit));
    return;
  }
  if (matrix) noteCellLight(power, nameplateW, lit, work.scratch);
  if (weak) post(work, bin, "lowLight", fillLowLight(power, nameplateW, weakTable, lit));
  if (heat && matrix) post(work, bin, "temperature", fillMatrixHeat(power, work.scratch, cellTempC, matrix, lit));
  else if (heat) post(work, bin, "temperature", fillTemperature(power, cellTempC, module.gammaPmpPerK, lit));
}

function snowLoss(work: Workspace, { site, month }: YieldSpan, plan: ArrayPlan, lit: number): number {
  const { models, losses } = site;
  const power = work.block.arrayW;
  if (work.causes.snowFrac) return fillVaryingShare(power, work.block.at, work.causes.snowFrac, lit);
  if (models.snow === "sliding" && work.weather.snowDepthCm) return fillVaryingShare(power, work.block.at, snowOf(work, site, plan), lit);
  if (models.snow === "monthly" && losses.snowMonthlyFrac) return fillRetainedShare(power, 1 - losses.snowMonthlyFrac[month]!, lit);
  return 0;
}

function fillCellTemperature({ block, weather }: Workspace, site: Site, { array, module }: ArrayPlan, lit: number): void {
  const { cellTemperature } = site.models;
  if (cellTemperature === "ross") fillRoss(block, module.noctC + NOCT_RISE_K[array.mounting], lit, block.cellTempC);
  else if (cellTemperature === "king") fillKing(block, KING_MOUNT[array.mounting], lit, block.cellTempC);
  else fillFaiman(block, HEAT_LOSS[array.mounting], lit, block.cellTempC);
  if (weather.moduleTempC) fillFromBack(block, weather.moduleTempC, KING_MOUNT[array.mounting], lit);
}

function snowOf(work: Workspace, site: Site, { array }: ArrayPlan): Float64Array {
  const key = `${array.id}/${array.tiltDeg}/${array.azimuthDeg}`;
  const cached = work.snow.get(key) ?? snowByStep(site, array, work.weather, work.sun.whole());
  work.snow.set(key, cached);
  return cached;
}

function filledW({ block, weather }: Workspace, lit: number): number {
  let sum = 0;
  for (let k = 0; k < lit; k++) if (weather.filled[block.at[k]!]) sum += block.arrayW[k]!;
  return sum;
}
