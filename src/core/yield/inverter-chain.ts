import type { ModelAccount } from "../accounts";
import { fillCurve } from "../inverter";
import type { HeatDerating } from "../site";
import type { GroupPlan } from "./plan";
import type { YieldSpan } from "./spans";
import { fillClipping, fillRetainedShare, fillVaryingShare } from "./stages";
import { fillClippingSeen, fillClippingWithin } from "./sub-hourly";
import { post, runs, type Workspace } from "./workspace";

/** AC side of one inverter, from its input to the meter, in `block.groupW`. `corrected`: peaks inside the step are cut too. */
export function runInverter(work: Workspace, span: YieldSpan, plan: GroupPlan, corrected: boolean, lit: number): void {
  const { stringsOutFrac, deratedFrac, curtailedFrac, downFrac } = work.causes;
  const power = work.block.groupW;
  if (stringsOutFrac) fillConnected(work, stringsOutFrac, lit);
  toMeter(work, span, plan, corrected, lit, power, post);
  if (stringsOutFrac) {
    toMeter(work, span, plan, corrected, lit, work.connectedW, noPost);
    post(work, span.bin, "downtime", fillLess(power, work.connectedW, lit));
  }
  if (deratedFrac) post(work, span.bin, "derating", fillVaryingShare(power, work.block.at, deratedFrac, lit));
  if (curtailedFrac) post(work, span.bin, "curtailment", fillVaryingShare(power, work.block.at, curtailedFrac, lit));
  if (downFrac) post(work, span.bin, "downtime", fillVaryingShare(power, work.block.at, downFrac, lit));
}

const noPost: typeof post = () => undefined;

/** DC power of the strings that are connected, in `connectedW`. */
function fillConnected({ block, connectedW }: Workspace, stringsOutFrac: Float64Array, lit: number): void {
  for (let k = 0; k < lit; k++) connectedW[k] = block.groupW[k]! * (1 - stringsOutFrac[block.at[k]!]!);
}

/** Puts the lesser power in place and returns what it is less, W summed. */
function fillLess(powerW: Float64Array, lessW: Float64Array, lit: number): number {
  let lost = 0;
  for (let k = 0; k < lit; k++) {
    lost += powerW[k]! - lessW[k]!;
    powerW[k] = lessW[k]!;
  }
  return lost;
}

/** What the ceiling cuts: as the readings saw it where they did, else by the law of coarse or of fine steps. */
function fillCut({ block, causes, spreadFrac }: Workspace, power: Float64Array, limitW: number, corrected: boolean, lit: number): number {
  const { cutFrac } = causes;
  if (cutFrac) return fillClippingSeen(power, corrected ? spreadFrac : null, { at: block.at, cutFrac, limitW }, lit);
  return corrected ? fillClippingWithin(power, spreadFrac, limitW, lit) : fillClipping(power, limitW, lit);
}

/** Power above what heat leaves of the rating is not made. */
function fillHot(
  { block }: Workspace,
  power: Float64Array,
  { fromC, perKFrac, overAirK }: HeatDerating,
  ratedW: number,
  lit: number,
): number {
  let lost = 0;
  for (let k = 0; k < lit; k++) {
    const over = block.airTempC[k]! + overAirK - fromC;
    if (!(over > 0)) continue;
    const limitW = ratedW * Math.max(0, 1 - perKFrac * over);
    if (!(power[k]! > limitW)) continue;
    lost += power[k]! - limitW;
    power[k] = limitW;
  }
  return lost;
}

/** From the inverter's input to the meter, stage by stage, `power` changed in place. */
function toMeter(
  work: Workspace,
  { site, bin }: YieldSpan,
  plan: GroupPlan,
  corrected: boolean,
  lit: number,
  power: Float64Array,
  post: (work: Workspace, bin: number, account: ModelAccount, lostW: number) => void,
): void {
  const { losses } = site;
  const { group, curve } = plan;
  if (runs(work, "inverter")) {
    const lost = curve ? fillCurve(power, plan.ratedDcW, curve, lit) : fillRetainedShare(power, group.efficiencyFrac, lit);
    post(work, bin, "inverter", lost);
  }
  if (Number.isFinite(group.acRatedW) && runs(work, "clipping")) {
    post(work, bin, "clipping", fillCut(work, power, group.acRatedW, corrected, lit));
  }
  if (group.inverter?.heatDerating && runs(work, "clipping"))
    post(work, bin, "derating", fillHot(work, power, group.inverter.heatDerating, group.acRatedW, lit));
  if (runs(work, "acWiring")) post(work, bin, "acWiring", fillRetainedShare(power, 1 - losses.acWiringFrac, lit));
  if (runs(work, "transformer")) post(work, bin, "transformer", fillRetainedShare(power, 1 - losses.transformerFrac, lit));
  const exportW = group.inverter?.exportLimitW ?? null;
  if (exportW !== null && runs(work, "curtailment")) post(work, bin, "curtailment", fillClipping(power, exportW, lit));
  if (runs(work, "downtime")) post(work, bin, "downtime", fillRetainedShare(power, 1 - losses.availabilityFrac, lit));
}

/** Inverters that draw power while it is dark owe it to the meter: the dark steps of [from, to), of which `litCount` are in the block. */
export function drawAtNight(
  work: Workspace,
  span: YieldSpan,
  plan: readonly GroupPlan[],
  steps: { readonly from: number; readonly to: number; readonly dark: number; readonly litCount: number },
): void {
  const { from, to, dark, litCount } = steps;
  const invertersKwh = plan.reduce((sum, group) => sum + group.nightW, 0) * work.toKwh;
  const transformerKwh = span.site.losses.transformerNoLoadW * work.toKwh;
  const nightKwh = invertersKwh + transformerKwh;
  if (nightKwh === 0) return;
  const { expectedKwh, expectedByBinKwh, accountsKwh } = work.run;
  let lit = 0;
  for (let i = from; i < to; i++) {
    if (lit < litCount && work.block.at[lit] === i) lit++;
    else if (!Number.isNaN(expectedKwh[i])) expectedKwh[i] = -nightKwh;
  }
  accountsKwh.inverter[span.bin]! += invertersKwh * dark;
  accountsKwh.transformer[span.bin]! += transformerKwh * dark;
  expectedByBinKwh[span.bin]! -= nightKwh * dark;
}
