const PASSES = 7;

/** The best of several passes, ms: what the work takes when nothing else runs. */
export function bestMs(work: () => unknown): number {
  let best = Number.POSITIVE_INFINITY;
  for (let pass = 0; pass < PASSES; pass++) {
    const started = performance.now();
    work();
    best = Math.min(best, performance.now() - started);
  }
  return best;
}
