import { strFromU8, strToU8 } from "fflate";
import { UnreadableText } from "../tabular/text";
import { BrokenXml, type Element, readXml } from "../xml";
import { MOST_CELLS, MOST_COLUMNS, MOST_ROWS, XML_LIMITS } from "./limits";

/** Elements that hold what cells say, by the part they are in, with the attributes that matter. All else is left out unread: a merge or a rule over all cells of a sheet, a name for a million of them, a style. */
const KEPT: readonly { readonly part: RegExp; readonly elements: Readonly<Record<string, readonly string[]>> }[] = [
  {
    part: /^xl\/worksheets\//,
    elements: { worksheet: [], sheetData: [], row: ["r"], c: ["r", "s", "t"], v: [], f: [], is: [], r: [], t: [] },
  },
  { part: /^xl\/sharedStrings\.xml$/, elements: { sst: [], si: [], r: [], t: [] } },
  {
    part: /^xl\/styles\.xml$/,
    elements: { styleSheet: [], numFmts: [], numFmt: ["numFmtId", "formatCode"], cellXfs: [], xf: ["numFmtId", "applyNumberFormat"] },
  },
  {
    part: /^xl\/workbook\.xml$/,
    elements: { workbook: [], workbookPr: ["date1904"], sheets: [], sheet: ["name", "sheetId", "r:id", "state"] },
  },
];

/** Elements of the same name that mean something else elsewhere: runs of letters lie in texts only, formats of styles in their list only. */
const PARENTS: Readonly<Record<string, readonly string[]>> = { xf: ["cellXfs"], t: ["is", "si", "r"], r: ["is", "si"] };
/** Elements whose letters matter. */
const TEXTS = new Set(["v", "t"]);

const NAMESPACE =
  ' xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"';
const PIECE = 1 << 16;

const escaped = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;").replaceAll('"', "&quot;");

/** Counts the cells of all sheets of a workbook. */
export class CellCount {
  private cells = 0;

  add({ attributes }: Element): void {
    if (++this.cells > MOST_CELLS) throw new UnreadableText("too-many-cells");
    const at = attributes.r ?? "";
    const letters = /^[A-Za-z]*/.exec(at)![0];
    if (columnOf(letters) > MOST_COLUMNS) throw new UnreadableText("row-too-wide");
    if (Number(at.slice(letters.length)) > MOST_ROWS) throw new UnreadableText("too-many-rows");
  }
}

/** Number of a column, from 1, by its letters. */
const columnOf = (letters: string): number =>
  [...letters.slice(0, 6).toUpperCase()].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);

/** A part of a workbook with nothing in it but what cells say; parts that hold none are as they were. */
export function slimPart(name: string, bytes: Uint8Array, cells: CellCount): Uint8Array {
  const kept = KEPT.find(({ part }) => part.test(name));
  if (!kept) return bytes;
  try {
    return strToU8(slim(strFromU8(bytes), kept.elements, cells));
  } catch (cause) {
    throw cause instanceof BrokenXml ? new UnreadableText("broken-workbook", { cause }) : cause;
  }
}

function slim(xml: string, elements: Readonly<Record<string, readonly string[]>>, cells: CellCount): string {
  const out: string[] = ['<?xml version="1.0" encoding="UTF-8"?>'];
  const open: string[] = [];
  let skipped = 0;
  const reader = readXml(XML_LIMITS, {
    open(element) {
      const { name, attributes } = element;
      const isKept = Object.hasOwn(elements, name) && skipped === 0 && (PARENTS[name]?.includes(open.at(-1) ?? "") ?? true);
      if (!isKept) {
        skipped++;
        return;
      }
      if (name === "c") cells.add(element);
      const told = elements[name]!.flatMap((key) => (attributes[key] === undefined ? [] : [` ${key}="${escaped(attributes[key])}"`]));
      out.push(`<${name}${open.length === 0 ? NAMESPACE : ""}${told.join("")}>`);
      open.push(name);
    },
    close(name) {
      if (skipped > 0) {
        skipped--;
        return;
      }
      // That a cell holds a formula is told; what it says is not needed, since its value stands beside it.
      if (name === "f") out.push("0");
      out.push(`</${name}>`);
      open.pop();
    },
    text(text) {
      if (skipped === 0 && TEXTS.has(open.at(-1) ?? "")) out.push(escaped(text));
    },
  });
  for (let at = 0; at < xml.length; at += PIECE) reader.write(xml.slice(at, at + PIECE));
  reader.end();
  return out.join("");
}
