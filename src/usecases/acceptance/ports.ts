import type { KeptTest } from "@/contracts/acceptance";
import type { SiteDocument } from "@/contracts/site";

/** Where tests are kept with the figures that they gave. A kept test is never written over. */
export interface AcceptanceStore {
  /** Newest first. */
  of(bookId: string): Promise<readonly KeptTest[]>;
  /** With the site document as it stood. */
  find(bookId: string, id: number): Promise<(KeptTest & { readonly site: SiteDocument }) | null>;
  /** "named": there is one of that name; "full": there are so many already. */
  keep(
    bookId: string,
    test: Omit<KeptTest, "id" | "keptAt"> & { readonly site: SiteDocument },
    most: number,
  ): Promise<KeptTest | "named" | "full">;
  /** False when the book has no such test. */
  remove(bookId: string, id: number): Promise<boolean>;
}

/** The house's key, with which evidence is signed (Ed25519). */
export interface Signer {
  /** SubjectPublicKeyInfo in base64. */
  publicKey(): Promise<string>;
  /** Signature of a text, in base64. */
  sign(text: string): Promise<string>;
}
