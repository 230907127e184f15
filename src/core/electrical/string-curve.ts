import { type CellGroup, groupsOf, groupVoltageV, type StringModule } from "./cell-group";
import { highestPeak, type Peak } from "./peaks";

/** Groups in series with how often each kind occurs, so that equal ones are solved once. */
export interface StringCurve {
  readonly kinds: readonly { readonly group: CellGroup; readonly count: number }[];
}

export function stringCurve(modules: readonly StringModule[], bypassDropV: number): StringCurve {
  const kinds = new Map<string, { group: CellGroup; count: number }>();
  for (const group of modules.flatMap((module) => groupsOf(module, bypassDropV))) {
    const key = Object.values(group).join();
    const cached = kinds.get(key);
    if (cached) cached.count++;
    else kinds.set(key, { group, count: 1 });
  }
  return { kinds: [...kinds.values()] };
}

/** Voltage of a string at a current, V; falls with the current. */
export const stringVoltageV = ({ kinds }: StringCurve, currentA: number): number =>
  kinds.reduce((sum, { group, count }) => sum + count * groupVoltageV(group, currentA), 0);

const HALVINGS = 60;

/** Current of a string at a voltage, A. With `reverse` it may be negative (no blocking diode). */
export function stringCurrentA(curve: StringCurve, voltageV: number, reverse = false): number {
  let low = 0;
  let high = Math.max(...curve.kinds.map(({ group }) => group.photocurrentA)) * 1.01 + 1e-9;
  if (stringVoltageV(curve, 0) <= voltageV) {
    if (!reverse) return 0;
    high = 0;
    low = -1;
    while (stringVoltageV(curve, low) < voltageV) low *= 2;
  }
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (stringVoltageV(curve, middle) > voltageV) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export interface StringPoint extends Peak {
  readonly iscA: number;
  readonly vocV: number;
}

/** Short circuit, open circuit and the highest of the string's power maxima. Knees of the curve lie where a group's light runs out; each stretch between two is searched by itself. */
export function stringPoint(curve: StringCurve): StringPoint {
  const iscA = stringCurrentA(curve, 0);
  const knees = curve.kinds.map(({ group }) => group.photocurrentA).filter((current) => current < iscA);
  const peak = highestPeak((currentA) => currentA * stringVoltageV(curve, currentA), 0, iscA, knees);
  return { iscA, vocV: stringVoltageV(curve, 0), impA: peak.at, vmpV: peak.at > 0 ? peak.value / peak.at : 0, pmpW: peak.value };
}
