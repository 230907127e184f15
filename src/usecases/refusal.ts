import type { Problem } from "@/contracts/problems";
import type { RefusalFacts, RefusalKind, RefusalReason } from "@/contracts/refusals";

/** An expected "no" that crosses layers, by its kind, its reason and the facts of it; the edge says it in words. */
export class Refusal extends Error {
  override readonly name = "Refusal";
  constructor(
    readonly code: RefusalKind,
    readonly reason: RefusalReason,
    readonly facts: RefusalFacts = {},
    readonly problems: readonly Problem[] = [],
  ) {
    super(`${code}: ${reason}`);
  }

  /** A build bundles this class more than once, and worker threads send it as data: what counts is what it is, not where it was made. */
  static override [Symbol.hasInstance](thrown: unknown): boolean {
    return thrown instanceof Error && thrown.name === "Refusal" && "reason" in thrown;
  }
}

export const bookNotFound = (slug: string): Refusal => new Refusal("book-not-found", "book-not-found", { slug });
