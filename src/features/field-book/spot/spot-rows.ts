import type { NewEntryInput } from "@/contracts/field-book";
import { type SpotModule, spotCheck, spotDoubts } from "@/core/electrical";
import { type KnownCircuit, knownCircuit, type ModuleType } from "@/core/site";
import { doubtInWords, spotInWords } from "@/wording/electrical";
import { type Position, readingOf } from "./spot-state";

/** A module with the circuit that is known of it; null where its sheet says too little. */
export function moduleOf(module: ModuleType, modulesInSeries: number): (SpotModule & { readonly spread: KnownCircuit }) | null {
  const known = knownCircuit(module);
  return known && { reference: known.reference, modulesInSeries, bypassDiodes: module.bypassDiodes, spread: known };
}

export interface Meter {
  readonly terms: Parameters<typeof spotCheck>[2];
  readonly meter: Parameters<typeof spotDoubts>[2];
  /** Modules in series on it. */
  readonly series: number;
}

/** What was read at a position, what light and heat would give there, and what speaks against the reading. */
export function checked(position: Position, module: ReturnType<typeof moduleOf>, { terms, meter, series }: Meter) {
  const { reading, problem } = readingOf(position);
  const doubts = reading ? spotDoubts(reading, series, meter) : [];
  const report = module && reading && doubts.length === 0 ? spotCheck(module, reading, terms) : null;
  return {
    position,
    reading,
    report,
    words: [problem, ...(reading ? doubts.map((doubt) => doubtInWords(doubt, reading, meter, series)) : [])].filter(Boolean),
  };
}

export type SpotRow = ReturnType<typeof checked>;

/** The readings of a day as an entry of the field book. */
export function entryOf(done: readonly SpotRow[], module: string, nowUtcMs: number): NewEntryInput {
  const today = new Date(nowUtcMs).toISOString().slice(0, 10);
  return {
    ...{ kind: "spot-check", from: today, to: today },
    note: done
      .map(({ position, report }) => `${position.name}: ${spotInWords(report!)}`)
      .join(" ")
      .slice(0, 2000),
    value: module.slice(0, 200),
    measured: Object.fromEntries(
      done
        .slice(0, 12)
        .flatMap(({ position, reading }) =>
          Object.entries(reading!).map(([key, value]) => [`${position.name} ${key}`.slice(0, 60), value]),
        ),
    ),
  };
}
