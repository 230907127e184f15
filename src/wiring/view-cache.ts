import type { AttributionView } from "@/contracts/attribution";
import { type AttributionStore, carriedBy } from "@/usecases/attribution";
import type { Book } from "@/usecases/books";
import { energyBasisOf, type ReadingStore } from "@/usecases/ledger";
import type { BillStore } from "@/usecases/money";
import { byBook } from "./cache";

export type ViewOf = (book: Book) => Promise<AttributionView | null>;

/** What was last read of the causes of the last few books, as far as their readings carry it; parsed once a result. */
export const viewCache = (attributions: AttributionStore, readings: Pick<ReadingStore, "heldOf" | "sparseOf">, bills: BillStore): ViewOf =>
  byBook(
    async ({ id }) => {
      const view = await attributions.viewOf(id);
      return view && carriedBy(view, await energyBasisOf(readings, id, await bills.of(id)));
    },
    async (book) => (await attributions.statusOf(book.id))?.madeAt ?? "",
  );
