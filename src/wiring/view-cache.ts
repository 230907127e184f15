import type { AttributionView } from "@/contracts/attribution";
import type { AttributionStore } from "@/usecases/attribution";
import type { Book } from "@/usecases/books";
import { byBook } from "./cache";

export type ViewOf = (book: Book) => Promise<AttributionView | null>;

/** What was last read of the causes of the last few books, parsed once a result. */
export const viewCache = (attributions: AttributionStore): ViewOf =>
  byBook(
    (book) => attributions.viewOf(book.id),
    async (book) => (await attributions.statusOf(book.id))?.madeAt ?? "",
  );
