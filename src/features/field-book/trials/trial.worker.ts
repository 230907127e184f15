import { expose } from "comlink";
import { type ChangeDays, TRIAL_DRAWS, TRIAL_SEED } from "@/contracts/trial";
import { unpackTrial } from "@/contracts/trial-wire";
import { type BeforeAfter, beforeAfter, runTrial, type TrialReport } from "@/core/trial";

/** The change of an intervention, with the days that it was read from. */
export interface ChangeAnswer extends BeforeAfter {
  readonly leftOut: ChangeDays["leftOut"];
  readonly days: readonly { readonly date: string; readonly index: number }[];
}

/** Trials and interventions in a thread of their own. */
const engine = {
  trial: (bytes: ArrayBuffer): TrialReport | null => runTrial({ ...unpackTrial(bytes), draws: TRIAL_DRAWS, seed: TRIAL_SEED }),
  change({ before, after, leftOut }: ChangeDays): ChangeAnswer | null {
    const change = beforeAfter(before, after, TRIAL_DRAWS, TRIAL_SEED);
    return (
      change && {
        ...change,
        leftOut,
        days: [...before, ...after].map((day) => ({ date: day.date, index: day.meteredKwh / day.expectedKwh })),
      }
    );
  },
};

export type TrialEngine = typeof engine;
expose(engine);
