/** The point of maximum power of a source. */
export interface Peak {
  readonly impA: number;
  readonly vmpV: number;
  readonly pmpW: number;
}

const SAMPLES = 160;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const NARROWINGS = 60;

/** Highest value of a function that may have several maxima: even samples and the given knees, then a golden-section search around each sampled maximum. Source: Kiefer, 1953, Sequential minimax search for a maximum. */
export function highestPeak(
  f: (x: number) => number,
  from: number,
  to: number,
  knees: readonly number[] = [],
): { at: number; value: number } {
  if (!(to > from)) return { at: from, value: 0 };
  const xs = [...Array.from({ length: SAMPLES + 1 }, (_, k) => from + ((to - from) * k) / SAMPLES), ...knees].sort((a, b) => a - b);
  const values = xs.map(f);
  let best = { at: from, value: Math.max(0, values[0]!) };
  for (let k = 1; k < xs.length - 1; k++) {
    if (values[k]! < values[k - 1]! || values[k]! < values[k + 1]!) continue;
    const peak = golden(f, xs[k - 1]!, xs[k + 1]!);
    if (peak.value > best.value) best = peak;
  }
  return best;
}

function golden(f: (x: number) => number, from: number, to: number): { at: number; value: number } {
  let [a, b] = [from, to];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  for (let k = 0; k < NARROWINGS; k++) {
    if (fc > fd) {
      [b, d, fd] = [d, c, fc];
      c = b - GOLDEN * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + GOLDEN * (b - a);
      fd = f(d);
    }
  }
  return fc > fd ? { at: c, value: fc } : { at: d, value: fd };
}
