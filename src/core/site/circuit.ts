import { fitDatasheet, type ReferenceParameters } from "../module";
import type { ModuleType } from "./types";

/** The equivalent circuit of a module of the book; null where its datasheet is too thin, or no circuit meets it. */
export function circuitOf({ iscA, vocV, impA, vmpV, alphaIscPerK, betaVocPerK, cellsInSeries }: ModuleType): ReferenceParameters | null {
  if (iscA === null || vocV === null || impA === null || vmpV === null || cellsInSeries === null) return null;
  return fitDatasheet({ iscA, vocV, impA, vmpV, alphaIscPerK, betaVocPerK, cellsInSeries });
}
