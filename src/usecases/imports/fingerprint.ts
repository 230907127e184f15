import { createHash } from "node:crypto";
import type { Inspection } from "./inspect";

/** Whether a table's columns had to be guessed or chosen: only such readings are worth remembering. */
export const isForeign = ({ file }: Inspection): boolean =>
  file?.proposal != null && (file.proposal.reasons.length > 0 || file.proposal.questions.length > 0 || file.proposal.confidenceFrac < 1);

/** What files of one logger share: their header cells in order. A year or date in a header counts as any other. */
export const fingerprintOf = ({ file }: Inspection): string =>
  createHash("sha256")
    .update((file?.proposal?.headers ?? []).map((header) => header.trim().toLowerCase().replaceAll(/\d/g, "0")).join("\u001f"))
    .digest("hex");
