import type { StringModule } from "./cell-group";
import { highestPeak, type Peak } from "./peaks";
import { type StringCurve, type StringPoint, stringCurrentA, stringCurve, stringPoint } from "./string-curve";

export interface MixedArray {
  readonly strings: readonly { readonly modules: readonly StringModule[] }[];
  readonly bypassDropV: number;
  /** True: no string carries reverse current. */
  readonly blockingDiodes: boolean;
}

export interface MixedPoint extends StringPoint {
  readonly strings: readonly StringPoint[];
  /** Sum of what each module would give alone. */
  readonly sumOfModulesW: number;
  readonly mismatchLossFrac: number;
  /** The rule that lowest current rules a string, and lowest voltage strings side by side. */
  readonly rule: Peak;
}

/**
 * Operating points of strings of modules, alike or not, side by side on one input: the true maximum of the common curve beside the sum of
 * the modules and the rule of thumb. Source: series and parallel connection of single-diode curves with ideal bypass diodes, after Quaschning & Hanitsch, 1996, Numerical simulation of current-voltage characteristics of photovoltaic systems with shaded solar cells.
 */
export function mixedPoint({ strings, bypassDropV, blockingDiodes }: MixedArray): MixedPoint {
  const curves = strings.map(({ modules }) => stringCurve(modules, bypassDropV));
  const points = curves.map(stringPoint);
  const alone = strings.map(({ modules }) => modules.map((module) => stringPoint(stringCurve([module], bypassDropV))));
  const sumOfModulesW = alone.flat().reduce((sum, point) => sum + point.pmpW, 0);
  const whole = curves.length === 1 ? points[0]! : sideBySide(curves, points, !blockingDiodes);
  const ruleOfStrings = alone.map((modules) => ({
    impA: Math.min(...modules.map((point) => point.impA)),
    vmpV: modules.reduce((sum, point) => sum + point.vmpV, 0),
  }));
  return {
    ...whole,
    strings: points,
    sumOfModulesW,
    mismatchLossFrac: sumOfModulesW > 0 ? 1 - whole.pmpW / sumOfModulesW : 0,
    rule: curves.length === 1 ? withPower(ruleOfStrings[0]!) : parallelRule(points),
  };
}

const withPower = ({ impA, vmpV }: { impA: number; vmpV: number }): Peak => ({ impA, vmpV, pmpW: impA * vmpV });

const parallelRule = (points: readonly StringPoint[]): Peak =>
  withPower({ impA: points.reduce((sum, point) => sum + point.impA, 0), vmpV: Math.min(...points.map((point) => point.vmpV)) });

function sideBySide(curves: readonly StringCurve[], points: readonly StringPoint[], reverse: boolean): StringPoint {
  const currentAt = (voltageV: number): number => curves.reduce((sum, curve) => sum + stringCurrentA(curve, voltageV, reverse), 0);
  const highestVoc = Math.max(...points.map((point) => point.vocV));
  const vocV = reverse ? rootOf(currentAt, 0, highestVoc) : highestVoc;
  const peak = highestPeak(
    (voltageV) => voltageV * currentAt(voltageV),
    0,
    vocV,
    points.flatMap((point) => [point.vmpV, point.vocV]).filter((v) => v < vocV),
  );
  return { iscA: currentAt(0), vocV, vmpV: peak.at, impA: peak.at > 0 ? peak.value / peak.at : 0, pmpW: peak.value };
}

/** Zero of a falling function. */
function rootOf(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (f(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
