import { LIMITS } from "@/contracts/limits";
import type { NewVariant, Variant } from "@/contracts/what-if";
import { applyWhatIf } from "@/core/yield";
import { parseSite } from "@/formats/site-json";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { VariantStore } from "./ports";

/** Keeps a what-if in the book, once the site that it makes is a site. */
export async function keepVariant(store: VariantStore, book: Book, variant: NewVariant): Promise<Variant> {
  const { arrayId } = variant.whatIf;
  if (arrayId !== null && !book.site.arrays.some((array) => array.id === arrayId)) {
    throw new Refusal("variant-refused", "variant-array-unknown", {
      arrayId: arrayId ?? "",
      arrays: book.site.arrays.map(({ id }) => id).join(", "),
    });
  }
  const reading = parseSite({ ...book.site, ...applyWhatIf(book.site, variant.whatIf) });
  if (!reading.ok) {
    throw new Refusal("variant-refused", "variant-makes-no-site", {}, reading.problems);
  }
  const kept = await store.keep(book.id, variant, LIMITS.variants.most);
  if (kept === "full") throw new Refusal("variant-refused", "too-many-variants", { count: LIMITS.variants.most });
  if (kept === "changed") throw new Refusal("book-changed", "variant-changed", { name: variant.name });
  return kept;
}

export async function removeVariant(store: VariantStore, book: Book, id: number): Promise<void> {
  if (!(await store.remove(book.id, id))) throw new Refusal("variant-not-found", "variant-not-found", { id });
}
