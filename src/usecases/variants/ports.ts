import type { NewVariant, Variant } from "@/contracts/what-if";

export interface VariantStore {
  of(bookId: string): Promise<readonly Variant[]>;
  /** Keeps a variant, in the place of the one that it names. "changed": another stands under that name; "full": there are so many already. */
  keep(bookId: string, variant: NewVariant, most: number): Promise<Variant | "changed" | "full">;
  /** False when the book has no such variant. */
  remove(bookId: string, id: number): Promise<boolean>;
}
