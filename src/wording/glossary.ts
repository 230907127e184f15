import terms from "@generated/glossary.json";

export interface GlossaryTerm {
  readonly term: string;
  readonly what: string;
}

/** Every term of the glossary. */
export const GLOSSARY: readonly GlossaryTerm[] = terms;

/** A label without its unit: "Power temp. coefficient, %/K" is looked up as "power temp. coefficient". */
const plain = (label: string): string => label.replace(/,.*$/, "").replace(/\s+/g, " ").trim().toLowerCase();

/** Short forms that labels use. */
const SHORT: Readonly<Record<string, string>> = {
  reference: "reference energy",
  expected: "expected energy",
  metered: "metered energy",
  promise: "guarantee or estimate",
  found: "loss found",
  "loss found": "loss found",
  "largest loss found": "loss found",
  "found beside the plan": "loss found",
  "design losses": "design loss",
  "in-plane": "in-plane irradiation",
  "power temp. coefficient": "power temperature coefficient",
  "voc temp. coefficient": "voc temperature coefficient",
  "in-plane irradiance": "plane-of-array irradiance, poa",
  state: "state of a line",
};

/** Each word of a row is a term of its own: "P50, P90". */
const BY_TERM = new Map<string, GlossaryTerm>(
  GLOSSARY.flatMap((row) => [row.term, ...row.term.split(", ")].map((term): [string, GlossaryTerm] => [term.toLowerCase(), row])),
);

/** What a label means, in the glossary's one line; null where it has none. */
export function termOf(label: string): GlossaryTerm | null {
  const asked = plain(label);
  return BY_TERM.get(SHORT[asked] ?? asked) ?? null;
}
