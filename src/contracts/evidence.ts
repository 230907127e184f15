import { z } from "zod";
import { keptTestSchema } from "./acceptance";
import { decisionSchema } from "./examination";
import { fieldEntrySchema } from "./field-book";
import { batchOrigins, importKinds, importOptionsSchema } from "./imports";
import { auditEntrySchema } from "./keeping";

export const EVIDENCE_FORMAT = "dusty-ledger/evidence";
export const EVIDENCE_VERSION = 1;
/** Bytes of an evidence file that is looked at: three thousand entries with a page of words each. */
export const MOST_EVIDENCE_BYTES = 8 * 1024 * 1024;

/** A file of which readings came: how it was read, and by which bytes it is known again. */
export const sourceFileSchema = z.strictObject({
  name: z.string(),
  sha256: z.string(),
  byteCount: z.number(),
  kind: z.enum(importKinds),
  origin: z.enum(batchOrigins),
  options: importOptionsSchema,
});
export type SourceFile = z.output<typeof sourceFileSchema>;

/** All that a kept test rests on, in one document. */
export const evidenceContentSchema = z.strictObject({
  format: z.literal(EVIDENCE_FORMAT),
  version: z.literal(EVIDENCE_VERSION),
  book: z.string(),
  madeAt: z.string(),
  test: keptTestSchema,
  /** The site document that was kept with the test, as it was written. */
  site: z.record(z.string(), z.unknown()),
  sources: z.array(sourceFileSchema),
  /** What was accepted or turned down of the health check's findings. */
  decisions: z.array(decisionSchema),
  /** The field book, photos by their fingerprints. */
  entries: z.array(fieldEntrySchema.extend({ photos: z.array(z.string()) })),
  trail: z.array(auditEntrySchema),
});
export type EvidenceContent = z.output<typeof evidenceContentSchema>;

export const signatureSchema = z.strictObject({
  algorithm: z.literal("Ed25519"),
  /** The house's key, SubjectPublicKeyInfo in base64. */
  publicKey: z.string().max(200),
  value: z.string().max(200),
});
export type Signature = z.output<typeof signatureSchema>;

export const evidenceSchema = evidenceContentSchema.extend({ signature: signatureSchema });
export type Evidence = z.output<typeof evidenceSchema>;

/** What a look at an evidence file tells. */
export const evidenceCheckSchema = z.strictObject({
  isIntact: z.boolean(),
  keyFingerprint: z.string(),
  isOwnKey: z.boolean(),
  book: z.string(),
  madeAt: z.string(),
  test: keptTestSchema,
  sources: z.array(sourceFileSchema.pick({ name: true, sha256: true, byteCount: true, kind: true })),
});
export type EvidenceCheck = z.output<typeof evidenceCheckSchema>;
