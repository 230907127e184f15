import { MEDIAN_TO_MEAN_ERROR, medianAmong, type RidgeFit } from "../../statistics";
import { JUMP_DEVIATIONS, LEAST_JUMP, SIDE, WASHING_MM } from "./thresholds";

function rainBetween(rainMm: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let d = Math.max(0, from); d <= to; d++) sum += rainMm[d]!;
  return sum;
}

/** The day whose jump no rain explains best, or null. */
export function suspect(
  fit: RidgeFit,
  y: Float64Array,
  weight: Float64Array,
  cleaned: Uint8Array,
  refused: Uint8Array,
  rainMm: Float64Array,
): number | null {
  const kept = [...y.keys()].filter((d) => !Number.isNaN(y[d]!) && weight[d]! > 0.3);
  const residual = kept.map((d) => fit.residuals[d]!);
  const least = Math.max(LEAST_JUMP, (JUMP_DEVIATIONS * fit.scale * MEDIAN_TO_MEAN_ERROR) / Math.sqrt(SIDE / 2));
  let [best, at] = [0, -1];
  for (let p = SIDE; p < kept.length - SIDE; p++) {
    const day = kept[p]!;
    if (cleaned[day] === 1 || refused[day] === 1 || day - kept[p - 1]! > 12) continue;
    if (rainBetween(rainMm, kept[p - 3]! - 1, kept[p + 2]!) > WASHING_MM) continue;
    const jump = medianAmong(residual, p, p + SIDE) - medianAmong(residual, p - SIDE, p);
    if (jump < least || jump <= best) continue;
    if (medianAmong(residual, p, p + 3) - medianAmong(residual, p - 3, p) < 0.6 * jump) continue;
    [best, at] = [jump, day];
  }
  return at < 0 ? null : at;
}
