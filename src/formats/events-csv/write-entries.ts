import Papa from "papaparse";
import type { StoredEntry } from "@/contracts/field-book";

/** A cell that a spreadsheet would take for a formula is led by an apostrophe. Source: OWASP, 2020, CSV injection. */
const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Entries as an events CSV that can be read back: `from,to,kind,array,note,value`, then what only the field book keeps. */
export const writeEntries = (entries: readonly StoredEntry[]): string =>
  `${Papa.unparse({
    fields: ["from", "to", "kind", "array", "note", "value", "meter", "cost", "who", "photos"],
    data: entries.map(({ from, to, kind, array, note, value, meter, cost, who, photos }) => [
      from,
      to,
      kind,
      array,
      harmless(note),
      harmless(value),
      meter,
      cost ?? "",
      harmless(who),
      photos.length,
    ]),
  })}\n`;
