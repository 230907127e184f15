export { bookBySlug, createBook, saveSite } from "./books";
export type { Book, BookStore } from "./ports";
