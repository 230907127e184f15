import type { NewVariant, Variant } from "@/contracts/what-if";

export interface VariantStore {
  of(bookId: string): Promise<readonly Variant[]>;
  /** Keeps a variant; one of the same name takes the new content. */
  keep(bookId: string, variant: NewVariant): Promise<Variant>;
  /** False when the book has no such variant. */
  remove(bookId: string, id: number): Promise<boolean>;
}
