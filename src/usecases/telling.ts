import type { Problem } from "@/contracts/problems";
import type { RefusalFacts, RefusalKind, RefusalReason } from "@/contracts/refusals";
import { Refusal } from "./refusal";
import { storageRefusal } from "./storage-faults";

/** A refusal crosses threads as data. */
export interface RefusalAsData {
  readonly code: RefusalKind;
  readonly reason: RefusalReason;
  readonly facts: RefusalFacts;
  readonly problems: readonly Problem[];
}

export type Told = { readonly answer: unknown } | { readonly refusal: RefusalAsData };

/** Runs work in a thread; what it refuses is told, what it breaks on is thrown. */
export async function tell(work: () => Promise<unknown>): Promise<Told> {
  try {
    return { answer: await work() };
  } catch (error) {
    const refusal = error instanceof Refusal ? error : storageRefusal(error);
    if (!refusal) throw error;
    const { code, reason, facts, problems } = refusal;
    return { refusal: { code, reason, facts, problems } };
  }
}

/** What was told, as if it had been asked here. */
export function heard(told: Told): unknown {
  if (!("refusal" in told)) return told.answer;
  const { code, reason, facts, problems } = told.refusal;
  throw new Refusal(code, reason, facts, problems);
}
