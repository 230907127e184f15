export interface GlossaryRow {
  readonly term: string;
  /** Names in the code. */
  readonly names: readonly string[];
  readonly what: string;
}

/** The terms of the glossary's tables. */
export const glossaryRows = (text: string): GlossaryRow[] =>
  text
    .split("\n")
    .filter((line) => line.startsWith("| ") && !line.startsWith("| Term"))
    .map((line) => line.split("|").map((cell) => cell.trim()))
    .map(([, term = "", code = "", what = ""]) => ({ term, names: [...code.matchAll(/`([^`]+)`/g)].map(([, name]) => name!), what }));
