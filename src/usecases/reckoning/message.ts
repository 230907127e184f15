import type { Book } from "../books";
import type { QuestionName } from "./answers";

/** One question about a book, as it is sent to another thread. */
export interface Task {
  readonly book: Book;
  readonly question: QuestionName;
  readonly asked: unknown;
}
