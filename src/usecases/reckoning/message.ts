import type { Book } from "../books";
import type { QuestionName } from "./answers";

/** One question about a book, as it is sent to another thread. */
export interface Task {
  readonly book: Book;
  readonly question: QuestionName;
  readonly asked: unknown;
}

/** An answer with what it weighs as it crosses. */
export interface Weighed {
  readonly answer: unknown;
  readonly bytes: number;
}
