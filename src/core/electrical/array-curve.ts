import { fillGroupVoltage } from "./cell-group";
import type { MixedArray } from "./parallel";
import { type StringCurve, stringCurve } from "./string-curve";

/** Points of a curve from open to short circuit, in order of rising voltage. */
export interface ArrayCurve {
  readonly voltageV: Float64Array;
  readonly currentA: Float64Array;
  /** Maxima of power on the way, the highest first. */
  readonly peaks: readonly { readonly voltageV: number; readonly currentA: number; readonly powerW: number }[];
}

const POINTS = 160;
/** A maximum lower than this share of the highest is a ripple of the samples. */
const LEAST_PEAK = 0.02;

/**
 * Sampled current and power over voltage of strings side by side behind blocking diodes, for pictures: exact at its samples, which lie
 * closer where a group's light runs out. Source: series and parallel connection of single-diode curves with ideal bypass diodes, after Quaschning & Hanitsch, 1996.
 */
export function arrayCurve({ strings, bypassDropV }: Pick<MixedArray, "strings" | "bypassDropV">): ArrayCurve {
  const sampled = strings.map(({ modules }) => sampledString(stringCurve(modules, bypassDropV)));
  const voltageV = voltagesOf(sampled);
  const currentA = new Float64Array(voltageV.length);
  for (const { currents, voltages } of sampled) addTo(currentA, voltageV, currents, voltages);
  return { voltageV, currentA, peaks: peaksOf(voltageV, currentA) };
}

interface SampledString {
  /** Falling, from short circuit to none. */
  readonly currents: readonly number[];
  /** Rising with it. */
  readonly voltages: readonly number[];
}

function sampledString(curve: StringCurve): SampledString {
  const most = Math.max(...curve.kinds.map(({ group }) => group.photocurrentA));
  if (!(most > 0)) return { currents: [0], voltages: [0] };
  const knees = curve.kinds.map(({ group }) => group.photocurrentA).filter((current) => current > 0);
  const near = [...new Set(knees.map((current) => Math.round(current * 500) / 500))].flatMap((current) =>
    [0.93, 0.97, 0.99, 0.997, 1].map((share) => current * share),
  );
  // Where many lights differ, samples by the knees alone would be as many as the cells.
  const even = Array.from({ length: POINTS + 1 }, (_, k) => (most * k) / POINTS);
  const rising = Float64Array.from(new Set([...even, ...(near.length <= POINTS ? near : [])])).sort();
  const volts = new Float64Array(rising.length);
  for (const { group, count } of curve.kinds) fillGroupVoltage(group, count, rising, volts);
  const voltages = [...volts].reverse();
  const first = voltages.findIndex((voltage) => voltage >= 0);
  return first < 0 ? { currents: [0], voltages: [0] } : { currents: [...rising].reverse().slice(first), voltages: voltages.slice(first) };
}

/** One string: its own samples. Several: even steps up to the highest open circuit, and each string's knees. */
function voltagesOf(sampled: readonly SampledString[]): Float64Array {
  const [only] = sampled;
  if (sampled.length === 1 && only) return Float64Array.from([0, ...only.voltages.filter((voltage) => voltage > 0)]);
  const highest = Math.max(...sampled.map(({ voltages }) => voltages.at(-1)!));
  const even = Array.from({ length: 2 * POINTS + 1 }, (_, k) => (highest * k) / (2 * POINTS));
  return Float64Array.from([...even, ...sampled.map(({ voltages }) => voltages.at(-1)!)]).sort();
}

/** Adds a string's current at each voltage; straight between samples, none beyond its open circuit. */
function addTo(currentA: Float64Array, at: Float64Array, currents: readonly number[], voltages: readonly number[]): void {
  let k = 0;
  for (let i = 0; i < at.length; i++) {
    const voltage = at[i]!;
    while (k < voltages.length && voltages[k]! < voltage) k++;
    if (k === 0) currentA[i] = currentA[i]! + currents[0]!;
    else if (k < voltages.length) {
      const [v0, v1, i0, i1] = [voltages[k - 1]!, voltages[k]!, currents[k - 1]!, currents[k]!];
      currentA[i] = currentA[i]! + (v1 > v0 ? i0 + ((i1 - i0) * (voltage - v0)) / (v1 - v0) : i1);
    }
  }
}

function peaksOf(voltageV: Float64Array, currentA: Float64Array): ArrayCurve["peaks"] {
  const power = voltageV.map((voltage, i) => voltage * currentA[i]!);
  const found: { voltageV: number; currentA: number; powerW: number }[] = [];
  for (let i = 1; i < power.length - 1; i++)
    if (power[i]! > power[i - 1]! && power[i]! >= power[i + 1]!) found.push(topBetween(voltageV, power, i));
  const best = Math.max(0, ...found.map(({ powerW }) => powerW));
  return found.filter(({ powerW }) => powerW >= LEAST_PEAK * best).sort((a, b) => b.powerW - a.powerW);
}

/** Top of the parabola through a sampled maximum and its neighbours. */
function topBetween(voltageV: Float64Array, power: Float64Array, i: number): ArrayCurve["peaks"][number] {
  const [x0, x1, x2] = [voltageV[i - 1]! - voltageV[i]!, voltageV[i]!, voltageV[i + 1]! - voltageV[i]!];
  if (!(x0 < 0 && x2 > 0)) return { voltageV: x1, currentA: power[i]! / x1, powerW: power[i]! };
  const [y0, y2] = [power[i - 1]! - power[i]!, power[i + 1]! - power[i]!];
  const bend = (y2 / x2 - y0 / x0) / (x2 - x0);
  const slope = y0 / x0 - bend * x0;
  const off = bend < 0 ? Math.max(x0, Math.min(x2, -slope / (2 * bend))) : 0;
  const powerW = power[i]! + slope * off + bend * off * off;
  return { voltageV: x1 + off, currentA: powerW / (x1 + off), powerW };
}
