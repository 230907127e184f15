import type { ShadeRule } from "../site";

/**
 * Power of an array of unevenly lit patches as a share of what the mean of `full` light would give. `light` holds each patch's light.
 * Module level: the mean. Bypass diodes: each string at the current that suits it best, its darker parts bypassed. Worst module: each
 * string at the current of its darkest. Strings are taken to run at their own best voltage.
 * Source: Deline, 2009, Partially shaded operation of a grid-tied PV system; Silvestre, Boronat & Chouder, 2009, Study of bypass diodes configuration on PV modules.
 */
export function shadedLight(rule: ShadeRule, strings: readonly (readonly number[])[], light: Float64Array): number {
  let sum = 0;
  let count = 0;
  for (const string of strings) {
    sum +=
      rule === "module-level"
        ? total(string, light)
        : rule === "bypass-diodes"
          ? bestOfString(string, light)
          : worstOfString(string, light);
    count += string.length;
  }
  return sum / count;
}

function total(string: readonly number[], light: Float64Array): number {
  let sum = 0;
  for (const patch of string) sum += light[patch]!;
  return sum;
}

function worstOfString(string: readonly number[], light: Float64Array): number {
  let least = Number.POSITIVE_INFINITY;
  for (const patch of string) least = Math.min(least, light[patch]!);
  return least * string.length;
}

const sorted = new Float64Array(1024);

/** The most of (patches that carry a current) times (that current), over the currents of the patches. */
function bestOfString(string: readonly number[], light: Float64Array): number {
  const held = sorted.subarray(0, string.length);
  // Stryker disable next-line EqualityOperator: a place beyond the last is written nowhere
  for (let k = 0; k < string.length; k++) held[k] = light[string[k]!]!;
  held.sort();
  let best = 0;
  for (let k = 0; k < held.length; k++) best = Math.max(best, held[k]! * (held.length - k));
  return best;
}
