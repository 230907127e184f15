import { type EstimatedField, estimatedFrom, estimateSpread, type ReferenceParameters } from "../module";
import { circuitOf } from "./circuit";
import type { ModuleType } from "./types";

/** A module's circuit with what was estimated for it, and how far its two ends may be off, as shares. */
export interface KnownCircuit {
  readonly reference: ReferenceParameters;
  readonly vocFrac: number;
  readonly iscFrac: number;
  readonly estimated: readonly EstimatedField[];
}

/** The circuit of a module whose nameplate leaves something out: the rest is estimated. Null where not even that tells a voltage. */
export function knownCircuit(module: ModuleType): KnownCircuit | null {
  const estimates = estimatedFrom(module, { gammaPmpPerK: true, betaVocPerK: true, alphaIscPerK: true });
  const filled: ModuleType = {
    ...module,
    ...Object.fromEntries(estimates.map(({ field, value }) => [field, value])),
    estimated: [...new Set([...module.estimated, ...estimates.map(({ field }) => field)])],
  };
  const reference = circuitOf(filled);
  if (!reference) return null;
  const spread = (field: "vocV" | "iscA"): number => (filled.estimated.includes(field) ? estimateSpread(filled, field) : 0);
  return { reference, vocFrac: spread("vocV"), iscFrac: spread("iscA"), estimated: filled.estimated };
}
