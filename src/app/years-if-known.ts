import { yearsOf } from "@/usecases/ledger";
import type { Figures } from "@/usecases/reckoning";
import { Refusal } from "@/usecases/refusal";

/** Years of a book's ledger; none while its figures are not at hand: a book that was set aside is put right in chapters that must open without them. */
export const yearsIfKnown = (figures: Promise<Figures>): Promise<string[]> =>
  figures.then(yearsOf, (error: unknown) => {
    if (error instanceof Refusal) return [];
    throw error;
  });
