import {
  EVIDENCE_FORMAT,
  EVIDENCE_VERSION,
  type Evidence,
  type EvidenceCheck,
  type EvidenceContent,
  evidenceSchema,
} from "@/contracts/evidence";
import { fingerprint, isIntact, keyInWords, signedText } from "@/formats/evidence";
import type { Book } from "../books";
import type { EntryStore } from "../field-book";
import type { ImportPorts } from "../imports";
import type { KeepingStore } from "../keeping";
import type { DecisionStore } from "../quality";
import { Refusal } from "../refusal";
import type { AcceptanceStore, Signer } from "./ports";

export interface EvidencePorts {
  readonly tests: Pick<AcceptanceStore, "find">;
  readonly entries: Pick<EntryStore, "of" | "photo">;
  readonly imports: Pick<ImportPorts["imports"], "sourcesOf">;
  readonly decisions: Pick<DecisionStore, "of">;
  readonly keeping: Pick<KeepingStore, "of">;
  readonly signer: Signer;
}

/** A kept test with all that it rests on, signed with the house's key: whoever holds it can see that no letter was changed since. */
export async function evidenceOf(ports: EvidencePorts, book: Book, id: number, madeAt: string): Promise<Evidence> {
  const { tests, entries, imports, decisions, keeping, signer } = ports;
  const found = await tests.find(book.id, id);
  if (!found) throw new Refusal("test-not-found", "test-not-found", { id });
  const { site, ...test } = found;
  const [written, sources, decided, { audit }] = await Promise.all([
    entries.of(book.id),
    imports.sourcesOf(book.id),
    decisions.of(book.id),
    keeping.of(book.id),
  ]);
  const content: EvidenceContent = {
    format: EVIDENCE_FORMAT,
    version: EVIDENCE_VERSION,
    book: book.site.name,
    madeAt,
    test,
    site: { ...site },
    sources: [...sources],
    decisions: [...decided],
    entries: await Promise.all(
      written.map(async ({ from, to, kind, array, note, value, photos }) => ({
        ...{ from, to, kind, array, note, value },
        photos: await Promise.all(photos.map(async (photo) => fingerprint((await entries.photo(book.id, photo.id)) ?? ""))),
      })),
    ),
    trail: [...audit],
  };
  // What is signed is what a reader of the file gets: JSON knows no undefined, and no minus zero.
  const plain = JSON.parse(JSON.stringify(content)) as EvidenceContent;
  const [publicKey, value] = await Promise.all([signer.publicKey(), signer.sign(signedText(plain))]);
  return { ...plain, signature: { algorithm: "Ed25519", publicKey, value } };
}

/** What a text says of itself as an evidence file; refused where it is none. */
export async function checkEvidence({ signer }: Pick<EvidencePorts, "signer">, json: unknown): Promise<EvidenceCheck> {
  const read = evidenceSchema.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Refusal("acceptance-refused", "no-evidence", { path: issue?.path.join(".") ?? "", fault: issue?.message ?? "" });
  }
  const { signature, book, madeAt, test, sources } = read.data;
  return {
    // The text as it came, not as the form reads it: a letter more is a letter changed.
    isIntact: isIntact(json as Record<string, unknown>, signature),
    keyFingerprint: keyInWords(signature.publicKey),
    isOwnKey: signature.publicKey === (await signer.publicKey()),
    ...{ book, madeAt, test },
    sources: sources.map(({ name, sha256, byteCount, kind }) => ({ name, sha256, byteCount, kind })),
  };
}
