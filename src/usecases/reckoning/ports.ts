import type { SetAsideReason } from "@/contracts/standing";
import type { Book } from "../books";
import type { Answer, Asked, Figures, QuestionName } from "./answers";

/** What is stored of a book so that shelf and pages need no sums. */
export type Standing =
  | { readonly version: number; readonly state: "fine"; readonly figures: Figures }
  | { readonly version: number; readonly state: "set-aside"; readonly reason: SetAsideReason };

/** A book as its line on the shelf has it. */
export interface ShelfLine {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  /** The book's document as it is stored, unread. */
  readonly site: unknown;
  readonly version: number;
  readonly standing: Standing | null;
}

export interface StandingStore {
  of(bookId: string): Promise<Standing | null>;
  /** Whether the book was set aside at a version, and why; reads no figures. */
  setAsideAt(bookId: string, version: number): Promise<SetAsideReason | null>;
  /** Stores a standing unless a newer one is there. */
  keep(bookId: string, standing: Standing): Promise<void>;
  /** Forgets that a book was set aside, so that it is tried again. */
  tryAgain(bookId: string): Promise<void>;
  /** Lines of the shelf in its order. */
  shelf(from: number, count: number): Promise<readonly ShelfLine[]>;
  /** How many books there are. */
  count(): Promise<number>;
}

/** Where heavy sums are done. A book whose sums break their budget is refused until it is tried again, or changed. */
export interface Reckoner {
  /** Rejects with the refusal "reckoning" when there is no answer within the patience; the sum goes on, and asking again gets it. */
  ask<Q extends QuestionName>(book: Book, question: Q, asked: Asked<Q>, patienceMs: number): Promise<Answer<Q>>;
  close(): Promise<void>;
}
