import type { Nameplate } from "../module";
import { type DecimalMark, typedNumber } from "./typed-number";
import { inUnit, unitOf } from "./units";

/** What a nameplate in one line says of a module; null where it says nothing. */
export interface ModuleRead extends Omit<Nameplate, "pmpW"> {
  readonly name: string | null;
  readonly pmpW: number | null;
  readonly gammaPmpPerK: number | null;
  readonly betaVocPerK: number | null;
  readonly unread: readonly string[];
}

const NUMBER = "([+-]?\\d[\\d.,]*)";
const FILLERS = /\b(a|an|the|of|at|with|and|each|modules?|panels?|solar|pv|stc|rated|power|nominal|old|new)\b/g;

/** A nameplate as people copy it: "Old ones: 195 W, Vmp 36.6, Imp 5.33, Voc 45.2 V, Isc 5.65 A, 72 cells, 1580 x 808 mm". A name stands before a colon. */
export function moduleOfLine(text: string, mark: DecimalMark): ModuleRead {
  // A colon behind a figure belongs to that figure: "Voc: 45".
  const [, name, after] = /^\s*((?![^:]*\d\s*k?[wva]\b)[^:]{1,60}):(.*)$/is.exec(text) ?? [null, null, text];
  let rest = (after ?? "").toLowerCase().replaceAll("\u2212", "-").replaceAll("²", "2");
  const take = (...patterns: readonly string[]): string[] | null => {
    for (const pattern of patterns) {
      const found = new RegExp(pattern, "i").exec(rest);
      if (!found) continue;
      rest = `${rest.slice(0, found.index)} ¦ ${rest.slice(found.index + found[0].length)}`;
      return found.slice(1);
    }
    return null;
  };
  const number = (found: string[] | null, at = 0): number | null => {
    const value = found && typedNumber(found[at]!.replace(/[.,]$/, ""), mark);
    return value === null || value === undefined ? null : value;
  };
  const named = (names: string, unit: string): number | null =>
    number(take(`\\b(?:${names})\\b\\s*[:=]?\\s*${NUMBER}\\s*(?:${unit}\\b)?`, `${NUMBER}\\s*(?:${unit})?\\s*\\b(?:${names})\\b`));
  const gamma = named("gamma|pmax coefficient|coefficient of power", "%\\s*/\\s*(?:k|°?c)");
  const beta = named("beta|voc coefficient|coefficient of voltage", "%\\s*/\\s*(?:k|°?c)");
  const vocV = named("voc|uoc|v oc|open[- ]circuit(?: voltage)?", "v");
  const iscA = named("isc|i sc|short[- ]circuit(?: current)?", "a");
  const vmpV = named("vmpp?|vpm|umpp?|v mp", "v");
  const impA = named("impp?|ipm|i mp", "a");
  const areaM2 = areaOf(
    take(`${NUMBER}\\s*(mm|cm|m)?\\s*[x×*]\\s*${NUMBER}\\s*(mm|cm|m)\\b`),
    number(take(`${NUMBER}\\s*(?:m2|sqm)\\b`)),
    mark,
  );
  const cells = number(take(`${NUMBER}\\s*(?:half[- ])?cells?\\b`));
  const power = take(`${NUMBER}\\s*(kw|w)p?\\b`);
  const pmpW = number(power);
  return {
    name: name?.trim() || null,
    pmpW: pmpW === null ? null : pmpW * (power![1] === "kw" ? 1000 : 1),
    vocV,
    iscA,
    vmpV,
    impA,
    cellsInSeries: cells === null ? null : inSeries(cells),
    areaM2,
    gammaPmpPerK: gamma === null ? null : gamma / 100,
    betaVocPerK: beta === null ? null : beta / 100,
    unread: rest
      .replace(FILLERS, " ")
      .split(/[\s,;.¦°:()/=%-]+/)
      .filter((word) => word !== ""),
  };
}

/** Above this the count is one of half cells, of which two stand side by side. */
const MOST_WHOLE_CELLS = 100;
const inSeries = (cells: number): number => (cells > MOST_WHOLE_CELLS ? Math.round(cells / 2) : cells);

/** Of two sides, which may name their unit once, or of an area. */
function areaOf(sides: string[] | null, areaM2: number | null, mark: DecimalMark): number | null {
  if (!sides) return areaM2;
  const [a, unitA, b, unitB] = sides as [string, string | undefined, string, string];
  const metres = (text: string, unit: string): number => inUnit(typedNumber(text, mark) ?? Number.NaN, unitOf(unit)!, unitOf("m")!);
  const area = metres(a, unitA ?? unitB) * metres(b, unitB);
  return Number.isFinite(area) ? Number(area.toFixed(3)) : null;
}
