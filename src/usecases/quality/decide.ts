import type { Deciding, Decision, Examination } from "@/contracts/examination";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { DecisionStore } from "./ports";

/** Accepts, changes, refuses or takes back what the examination proposed; all of it or nothing. */
export async function decide(store: DecisionStore, book: Book, examination: Examination, { decisions }: Deciding): Promise<void> {
  const kept: Decision[] = [];
  const takenBack: string[] = [];
  for (const { findingKey, state, remedy, note } of decisions) {
    if (state === null) {
      takenBack.push(findingKey);
      continue;
    }
    const finding = examination.findings.find((candidate) => candidate.key === findingKey);
    if (!finding) {
      throw new Refusal("finding-not-found", "finding-not-found", { findingKey });
    }
    const chosen = remedy ?? finding.remedy;
    if (state === "accepted" && !chosen) {
      throw new Refusal("decision-refused", "no-remedy", {
        kind: finding.kind,
        fromUtc: new Date(finding.fromUtcMs).toISOString().slice(0, 16),
        findingKey,
      });
    }
    kept.push({ findingKey, state, remedies: state === "accepted" && chosen ? [chosen] : [], note });
  }
  const was = new Map(decisions.map((decision) => [decision.findingKey, decision.was]));
  if (!(await store.change(book.id, kept, takenBack, was))) throw new Refusal("book-changed", "decision-changed");
}
