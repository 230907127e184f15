import { Piscina } from "piscina";
import { YOUNG_MB } from "./budgets";

/** So many threads of one file, each with a row of its own, made when they are first asked and gone when nobody asks. */
export const singleThreads = (
  count: number,
  filename: string,
  { idleMs, heapMb }: { readonly idleMs: number; readonly heapMb: number },
): Piscina[] =>
  Array.from(
    { length: count },
    () =>
      new Piscina({
        filename,
        minThreads: 0,
        maxThreads: 1,
        idleTimeout: idleMs,
        resourceLimits: { maxOldGenerationSizeMb: heapMb, maxYoungGenerationSizeMb: YOUNG_MB },
      }),
  );
