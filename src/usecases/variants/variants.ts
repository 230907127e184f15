import type { NewVariant, Variant } from "@/contracts/what-if";
import { applyWhatIf } from "@/core/yield";
import { parseSite } from "@/formats/site-json";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { VariantStore } from "./ports";

/** More would not be told apart in one table. */
const MOST_VARIANTS = 24;

/** Keeps a what-if in the book, once the site that it makes is a site. */
export async function keepVariant(store: VariantStore, book: Book, variant: NewVariant): Promise<Variant> {
  const { arrayId } = variant.whatIf;
  if (arrayId !== null && !book.site.arrays.some((array) => array.id === arrayId)) {
    throw new Refusal(
      "variant-refused",
      `The book has no array ${arrayId}.`,
      `Choose one of ${book.site.arrays.map((a) => a.id).join(", ")}, or all.`,
    );
  }
  const reading = parseSite({ ...book.site, ...applyWhatIf(book.site, variant.whatIf) });
  if (!reading.ok) {
    throw new Refusal(
      "variant-refused",
      "This what-if makes no site.",
      "Correct the fields named and keep it again.",
      {},
      reading.problems,
    );
  }
  const existing = await store.of(book.id);
  if (existing.length >= MOST_VARIANTS && !existing.some(({ name }) => name === variant.name)) {
    throw new Refusal(
      "variant-refused",
      `The book holds ${existing.length} variants.`,
      "Remove one that you no longer need, then keep this one.",
    );
  }
  return store.keep(book.id, variant);
}

export async function removeVariant(store: VariantStore, book: Book, id: number): Promise<void> {
  if (!(await store.remove(book.id, id)))
    throw new Refusal("variant-not-found", `This book has no variant ${id}.`, "Reload the page.", { id });
}
