/** AC power, W, at a constant efficiency, before the rating is applied; a negative input gives none. Source: IEC 61683, Power conditioners: efficiency. */
export const constantEfficiencyW = (pdcW: number, efficiencyFrac: number): number => (pdcW > 0 ? pdcW * efficiencyFrac : 0);

/** AC power, W, held at the rating. */
export const clipW = (pacW: number, acRatedW: number): number => Math.min(pacW, acRatedW);

/** An efficiency measured at a share of the rated DC power. */
export interface EfficiencyPoint {
  readonly loadFrac: number;
  readonly efficiencyFrac: number;
}

/** Efficiency at a load, on straight lines between measured points (rising load), held outside them. Source: IEC 61683. */
export function efficiencyAt(points: readonly EfficiencyPoint[], loadFrac: number): number {
  const first = points[0]!;
  if (loadFrac <= first.loadFrac) return first.efficiencyFrac;
  for (let k = 1; k < points.length; k++) {
    const right = points[k]!;
    if (loadFrac > right.loadFrac) continue;
    const left = points[k - 1]!;
    return (
      left.efficiencyFrac + ((right.efficiencyFrac - left.efficiencyFrac) * (loadFrac - left.loadFrac)) / (right.loadFrac - left.loadFrac)
    );
  }
  return points[points.length - 1]!.efficiencyFrac;
}

/** Own use and quadratic loss of a common string inverter, as shares of rated power. Source: Schmidt, Jantsch & Schmid, 1992, Results of the concerted action on power conditioning and control; values of a present-day device. */
const STANDBY_SHARE = 0.004;
const OHMIC_SHARE = 0.01;
const CURVE_LOADS = [0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5, 0.65, 0.8, 1, 1.2] as const;

/**
 * A part-load curve that passes through a rated efficiency at full load: load / (load + k0 + k1 load + k2 load^2).
 * For inverters whose datasheet curve is not in the book. Source: Schmidt, Jantsch & Schmid, 1992.
 */
export function usualCurve(ratedEfficiencyFrac: number): EfficiencyPoint[] {
  const proportional = 1 / ratedEfficiencyFrac - 1 - STANDBY_SHARE - OHMIC_SHARE;
  return CURVE_LOADS.map((loadFrac) => ({
    loadFrac,
    efficiencyFrac: loadFrac / (loadFrac + STANDBY_SHARE + proportional * loadFrac + OHMIC_SHARE * loadFrac * loadFrac),
  }));
}

const EUROPEAN = [
  [0.05, 0.03],
  [0.1, 0.06],
  [0.2, 0.13],
  [0.3, 0.1],
  [0.5, 0.48],
  [1, 0.2],
] as const;
const CALIFORNIAN = [
  [0.1, 0.04],
  [0.2, 0.05],
  [0.3, 0.12],
  [0.5, 0.21],
  [0.75, 0.53],
  [1, 0.05],
] as const;

/** Efficiency weighted by the usual loads of a climate. Source: IEC 61683 (European); California Energy Commission, 2004, Guideline for the use of the performance test protocol. */
export function weightedEfficiency(points: readonly EfficiencyPoint[], climate: "european" | "californian"): number {
  return (climate === "european" ? EUROPEAN : CALIFORNIAN).reduce((sum, [load, weight]) => sum + weight * efficiencyAt(points, load), 0);
}

/** Coefficients of a measured inverter. Powers in W, voltages in V, c0 in 1/W, c1 to c3 in 1/V. */
export interface KingInverter {
  readonly pac0W: number;
  readonly pdc0W: number;
  readonly vdc0V: number;
  readonly ps0W: number;
  readonly c0: number;
  readonly c1: number;
  readonly c2: number;
  readonly c3: number;
  readonly nightW: number;
}

/** AC power, W, before the rating is applied; minus the night draw below the start-up power. Source: King, Gonzalez, Galbraith & Boyson, 2007, Performance model for grid-connected photovoltaic inverters, eq. 1 to 4. */
export function kingInverterW(pdcW: number, vdcV: number, k: KingInverter): number {
  if (pdcW < k.ps0W) return -k.nightW;
  const dv = vdcV - k.vdc0V;
  const a = k.pdc0W * (1 + k.c1 * dv);
  const b = k.ps0W * (1 + k.c2 * dv);
  const c = k.c0 * (1 + k.c3 * dv);
  return (k.pac0W / (a - b) - c * (a - b)) * (pdcW - b) + c * (pdcW - b) ** 2;
}
