import { expose } from "comlink";
import { type ChangeDays, TRIAL_DRAWS, TRIAL_SEED } from "@/contracts/trial";
import { unpackTrial } from "@/contracts/trial-wire";
import { type BeforeAfter, beforeAfter, runTrial, type TrialReport } from "@/core/trial";

/** Trials and interventions in a thread of their own. */
const engine = {
  trial: (bytes: ArrayBuffer): TrialReport | null => runTrial({ ...unpackTrial(bytes), draws: TRIAL_DRAWS, seed: TRIAL_SEED }),
  change: ({ before, after }: ChangeDays): BeforeAfter | null => beforeAfter(before, after, TRIAL_DRAWS, TRIAL_SEED),
};

export type TrialEngine = typeof engine;
expose(engine);
