import { createHash, createPublicKey, verify } from "node:crypto";
import type { Signature } from "@/contracts/evidence";

/** JSON with its keys in order and without white space: the same bytes wherever it was kept. Source: Rundgren, Jordan & Erdtman, 2020, RFC 8785, JSON canonicalization scheme. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (typeof value !== "object" || value === null) return JSON.stringify(value) ?? "null";
  const entries = Object.entries(value)
    .filter(([, own]) => own !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, own]) => `${JSON.stringify(key)}:${canonical(own)}`).join(",")}}`;
}

/** Fingerprint of a text or of bytes: SHA-256 in hexadecimal. */
export const fingerprint = (bytes: string | Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

/** Letters of a key's fingerprint that people compare. */
const KEY_LETTERS = 16;

/** A key as people compare it: the first letters of its fingerprint, in groups of four. */
export const keyInWords = (publicKey: string): string =>
  fingerprint(Buffer.from(publicKey, "base64"))
    .slice(0, KEY_LETTERS)
    .replace(/(.{4})(?=.)/g, "$1 ");

/** The bytes that are signed: all of an evidence file but its signature. */
export function signedText(evidence: Readonly<Record<string, unknown>>): string {
  const { signature: _, ...content } = evidence;
  return canonical(content);
}

/** Whether a document is, letter for letter, what the holder of its key signed. Source: Josefsson & Liusvaara, 2017, RFC 8032, Edwards-curve digital signature algorithm. */
export function isIntact(evidence: Readonly<Record<string, unknown>>, { publicKey, value }: Signature): boolean {
  try {
    const key = createPublicKey({ key: Buffer.from(publicKey, "base64"), format: "der", type: "spki" });
    if (key.asymmetricKeyType !== "ed25519") return false;
    return verify(null, Buffer.from(signedText(evidence)), key, Buffer.from(value, "base64"));
  } catch {
    // A key or a signature that is none signs nothing.
    return false;
  }
}
