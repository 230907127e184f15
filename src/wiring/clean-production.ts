import type { Book } from "@/usecases/books";
import type { StoredSeries } from "@/usecases/ledger";
import { cleanSeries } from "@/usecases/quality";
import type { Services } from "./services";

/** Every production series of a book with the remedies that were accepted, sub-meters among them. */
export async function cleanProduction({ readings, decisions }: Services, book: Book): Promise<StoredSeries[]> {
  const [stored, decided] = await Promise.all([readings.seriesOf(book.id, "production"), decisions.of(book.id)]);
  return cleanSeries(stored, decided, book.site);
}
