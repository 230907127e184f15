import type { Problem } from "@/contracts/problems";

export type RefusalCode =
  | "book-not-found"
  | "book-changed"
  | "site-invalid"
  | "upload-not-found"
  | "upload-too-large"
  | "upload-cut-short"
  | "file-refused"
  | "batch-not-found"
  | "finding-not-found"
  | "decision-refused"
  | "feed-not-found"
  | "feed-refused"
  | "month-not-found"
  | "variant-not-found"
  | "variant-refused"
  | "bills-refused"
  | "trial-refused"
  | "entry-refused"
  | "photo-refused"
  | "no-weather"
  | "nothing-to-count"
  | "bad-request"
  | "foreign-origin"
  | "cancelled";

/** An expected "no" that crosses layers: what happened, in which book or file, and the way out. */
export class Refusal extends Error {
  override readonly name = "Refusal";
  constructor(
    readonly code: RefusalCode,
    message: string,
    readonly help: string,
    readonly context: Readonly<Record<string, string | number>> = {},
    readonly problems: readonly Problem[] = [],
  ) {
    super(message);
  }
}

export const bookNotFound = (slug: string): Refusal =>
  new Refusal("book-not-found", `There is no book “${slug}” on this shelf.`, "Go back to the shelf and open one of the books there.", {
    slug,
  });
