import { medianOf } from "../../statistics";
import { MAD_TO_DEVIATION } from "../../units";
import type { AttributionFrame } from "../record/frame";
import {
  BARE_FRAC,
  BARE_HOURS,
  DEVIATIONS,
  DIM_FRAC,
  FALL_CM,
  LONGEST_DAYS,
  LYING_CM,
  RISE_HOURS,
  SMOOTH_STEPS,
  SNOWING_C,
  STEADY_CM,
  THIN_DAYS,
  WET_MM,
} from "./thresholds";

/** Snow that may lie on the modules by the weather, and what the meter says of it. */
export interface SnowEvidence {
  /** Share of power lost to snow on every step. */
  readonly lostFrac: Float64Array;
  /** 1 from the first flake of a fall until the modules are seen bare. */
  readonly covered: Uint8Array;
  readonly spells: readonly SnowSpell[];
  /** Of monthly readings: by how much each month's loss may be off, one deviation, kWh, by its key. */
  readonly doubtKwhByMonth?: ReadonlyMap<string, number>;
}

/** Steps [from, to) of one cover, from fall to bare. */
export interface SnowSpell {
  readonly from: number;
  readonly to: number;
}

/** Less than this share missing over a spell is no snow: the scatter of dim winter days is as wide. */
const LEAST_LOST_FRAC = 0.08;

/** Steps at which snow fell. A covered gauge reads steps of whole centimetres, so each rise counts. */
export function snowfallSteps({ weather, axis }: AttributionFrame): Uint8Array {
  const out = new Uint8Array(axis.count);
  const { snowDepthCm, rainMm, airTempC } = weather;
  if (snowDepthCm) {
    let last = Number.NaN;
    for (let i = 0; i < axis.count; i++) {
      const depth = snowDepthCm[i]!;
      if (Number.isNaN(depth)) continue;
      if (depth - last >= FALL_CM) out[i] = 1;
      last = depth;
    }
    return out;
  }
  if (rainMm) for (let i = 0; i < axis.count; i++) if (rainMm[i]! >= WET_MM && airTempC[i]! <= SNOWING_C) out[i] = 1;
  return out;
}

/**
 * Steps at which snow fell beyond doubt or shortly before. A gauge that scatters by a centimetre rises every few hours, which `snowfallSteps` takes
 * for falls: good enough to ask whether modules are covered, but no sign that they are.
 */
export function sureSnowfallSteps(frame: AttributionFrame): Uint8Array {
  const { snowDepthCm } = frame.weather;
  const scatterCm = snowDepthCm ? gaugeScatterCm(snowDepthCm) : 0;
  if (!snowDepthCm || scatterCm < STEADY_CM) return snowfallSteps(frame);
  const out = new Uint8Array(frame.axis.count);
  const known = [...snowDepthCm.keys()].filter((i) => !Number.isNaN(snowDepthCm[i]!));
  const smooth = known.map((i, n) => (snowDepthCm[i]! > 0 ? middle(n) : 0));
  const reach = Math.round((RISE_HOURS * 60) / frame.axis.stepMinutes);
  for (let n = 1; n < known.length; n++) {
    // Across a gap of the gauge the reading before it is what there is.
    let least = smooth[n - 1]!;
    for (let k = n - 2; k >= 0 && known[k]! >= known[n]! - reach; k--) if (smooth[k]! < least) least = smooth[k]!;
    if (smooth[n]! - least >= DEVIATIONS * scatterCm) out.fill(1, known[n - 1]! + 1, known[n]! + 1);
  }
  return out;

  function middle(n: number): number {
    return medianOf(known.slice(Math.max(0, n - SMOOTH_STEPS), n + SMOOTH_STEPS + 1).map((i) => snowDepthCm![i]!));
  }
}

function gaugeScatterCm(depthCm: Float64Array): number {
  const changes: number[] = [];
  for (let i = 1; i < depthCm.length; i++)
    if (depthCm[i]! > LYING_CM && depthCm[i - 1]! > LYING_CM) changes.push(depthCm[i]! - depthCm[i - 1]!);
  return changes.length === 0 ? 0 : (MAD_TO_DEVIATION * medianOf(changes.map(Math.abs))) / Math.SQRT2;
}

/** Follows each fall until the meter shows the modules bare. `usual` is the plant's own ratio by day, `untold` marks steps of downtime and of shade. */
export function snowEvidence(frame: AttributionFrame, usual: Float64Array, untold: Uint8Array, ceilingKwh: number): SnowEvidence {
  const { axis, days, openKwh, meteredKwh, read, ratedKwh } = frame;
  const [fall, sure] = [snowfallSteps(frame), sureSnowfallSteps(frame)];
  const covered = new Uint8Array(axis.count);
  const lostFrac = new Float64Array(axis.count);
  const spells: SnowSpell[] = [];
  const [longest, thin] = [LONGEST_DAYS, THIN_DAYS].map((days) => (days * 1440) / axis.stepMinutes) as [number, number];
  const bareSteps = Math.max(1, Math.round((BARE_HOURS * 60) / axis.stepMinutes));
  for (let i = 0; i < axis.count; i++) {
    if (fall[i] === 0) continue;
    const to = endOfCover(i);
    if (to === null) continue;
    covered.fill(1, i, to);
    if (fillLost(i, to)) spells.push({ from: i, to });
    i = to - 1;
  }
  return { lostFrac, covered, spells };

  function expected(i: number): number {
    return Math.min(ceilingKwh, openKwh[i]! * usual[days.binOf[i]!]!);
  }

  /** Null where a gauge that scatters made a fall up: no thin cover lasts, and what is missing for longer is something else's. */
  function endOfCover(from: number): number | null {
    let bare = 0;
    let last = from;
    let isThin = true;
    for (let i = from; i < axis.count; i++) {
      if (sure[i] === 1) {
        last = i;
        isThin = false;
        bare = 0;
      }
      if (i - last > (isThin ? thin : longest)) return isThin ? null : i;
      if (read[i] === 0 || untold[i] === 1 || !(openKwh[i]! > DIM_FRAC * ratedKwh)) continue;
      bare = meteredKwh[i]! >= BARE_FRAC * expected(i) ? bare + 1 : 0;
      if (bare >= bareSteps && i > last) return i + 1;
    }
    return axis.count;
  }

  /** What is missing by hour, smoothed over neighbours so that scatter does not count as loss; true when it adds up to something. */
  function fillLost(from: number, to: number): boolean {
    let [missing, all] = [0, 0];
    for (let i = from; i < to; i++) {
      const kwh = openKwh[i]!;
      if (!(kwh > 0)) continue;
      let [meteredSum, due] = [0, 0];
      for (let k = Math.max(from, i - 1); k <= Math.min(to - 1, i + 1); k++) {
        if (read[k] === 0 || untold[k] === 1 || !(openKwh[k]! > 0)) continue;
        meteredSum += meteredKwh[k]!;
        due += expected(k);
      }
      if (due <= 0) continue;
      const lost = Math.min(1, Math.max(0, 1 - meteredSum / due));
      lostFrac[i] = lost > 0.03 ? lost : 0;
      missing += lostFrac[i]! * kwh;
      all += kwh;
    }
    if (all > 0 && missing > LEAST_LOST_FRAC * all) return true;
    lostFrac.fill(0, from, to);
    return false;
  }
}
