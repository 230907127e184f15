import { buffer } from "node:stream/consumers";
import type ExcelJS from "exceljs";
import { zipSync } from "fflate";
import type { ProblemLog } from "@/contracts/problems";
import { type Bytes, UnreadableText } from "../tabular/text";
import { MOST_PACKED_BYTES } from "./limits";
import { CellCount, slimPart } from "./slim-parts";
import { unpack } from "./unpack";

/** Whether bytes begin like a ZIP archive, as XLSX files do. Source: PKWARE, APPNOTE.TXT, local file header. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/**
 * Rows of the sheet of a workbook that holds the most cells, as text: dates as ISO 8601 wall times, formulas by the value they were saved with.
 * Macros and links to other files are left out and said. Throws UnreadableText for what is no workbook, or unpacks beyond measure.
 */
export async function sheetRows(bytes: Bytes, log: ProblemLog): Promise<string[][]> {
  // Loaded when a workbook comes: it weighs as much as all else that reads files.
  const { default: Excel } = await import("exceljs");
  const book = new Excel.Workbook();
  const packed = repacked(await buffer(limited(bytes)), log);
  try {
    await book.xlsx.load(packed.buffer as ArrayBuffer);
  } catch (cause) {
    throw new UnreadableText("broken-workbook", { cause });
  }
  const sheets = book.worksheets.filter((sheet) => sheet.rowCount > 0);
  const sheet = sheets.reduce<ExcelJS.Worksheet | null>(
    (best, next) => (!best || next.actualRowCount > best.actualRowCount ? next : best),
    null,
  );
  if (!sheet) throw new UnreadableText("empty-file");
  if (sheets.length > 1)
    log.add(
      "other-sheets",
      "notice",
      {},
      {
        taken: sheet.name,
        others: sheets
          .filter((s) => s !== sheet)
          .map((s) => s.name)
          .join(", "),
      },
    );
  const rows: string[][] = [];
  let formulas = 0;
  sheet.eachRow({ includeEmpty: true }, (row) => {
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, (cell) => {
      if (cell.formula) formulas++;
      cells.push(textOf(cell.value));
    });
    rows.push(cells);
  });
  if (formulas > 0) log.add("formula-cells", "notice", {}, { count: formulas });
  return rows;
}

async function* limited(bytes: Bytes): Bytes {
  let size = 0;
  for await (const chunk of bytes) {
    size += chunk.length;
    if (size > MOST_PACKED_BYTES) throw new UnreadableText("unpacks-too-large");
    yield chunk;
  }
}

const PARTS =
  /^(\[Content_Types\]\.xml|_rels\/\.rels|xl\/(workbook|sharedStrings|styles)\.xml|xl\/_rels\/workbook\.xml\.rels|xl\/worksheets\/[^/]+\.xml)$/;

/**
 * The archive with only the parts that hold cells, each with only what cells say, stored again without compression: what reads it next can neither be
 * made to unpack a bomb or to spread a rule over a million cells, nor meet macros, links or paths that leave the archive.
 */
function repacked(packed: Uint8Array, log: ProblemLog): Uint8Array {
  const left = { macros: 0, links: 0 };
  const parts = unpack(packed, (name) => {
    if (name.startsWith("/") || name.includes("..") || name.includes("\\")) throw new UnreadableText("archive-paths");
    if (/vbaProject|macrosheets/i.test(name)) left.macros++;
    if (/externalLinks/i.test(name)) left.links++;
    return PARTS.test(name);
  });
  if (!parts["xl/workbook.xml"]) throw new UnreadableText("not-a-workbook");
  const cells = new CellCount();
  const slim = Object.fromEntries(Object.entries(parts).map(([name, part]) => [name, slimPart(name, part, cells)]));
  if (left.macros > 0) log.add("macros-left", "notice");
  if (left.links > 0) log.add("links-left", "notice");
  return zipSync(slim, { level: 0 });
}

function textOf(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return "";
  if (value instanceof Date) return wallTime(value);
  if (typeof value === "object") {
    if ("result" in value) return textOf(value.result);
    if ("richText" in value) return value.richText.map((part) => part.text).join("");
    if ("text" in value) return String(value.text);
    if ("error" in value) return "";
    return "";
  }
  return String(value);
}

/** Cells keep wall time in fractions of a day, which miss whole seconds by a hair. */
function wallTime(date: Date): string {
  const rounded = new Date(Math.round(date.getTime() / 1000) * 1000);
  if (Number.isNaN(rounded.getTime())) return "";
  const iso = rounded.toISOString();
  // A time of day alone is counted from the last day of 1899.
  return iso.startsWith("1899-12-3") ? iso.slice(11, 16) : iso.slice(0, 19).replace("T", " ");
}
