import { gzipSync } from "node:zlib";
import { handMadeWorkbook, sheetXml, workbookXml } from "@test/hand-made-workbook";
import { strToU8, zipSync } from "fflate";

const ALL = "A1:XFD1048576";
const CELLS =
  '<sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>time</t></is></c><c r="B1" t="inlineStr"><is><t>energy_kwh</t></is></c></row></sheetData>';

/** An archive whose heads declare another size than what comes out. */
function lying(packed: Uint8Array, real: number, told: number): Uint8Array {
  let bytes = Buffer.from(packed);
  const [wanted, other] = [Buffer.alloc(4), Buffer.alloc(4)];
  wanted.writeUInt32LE(real);
  other.writeUInt32LE(told);
  for (let at = bytes.indexOf(wanted); at >= 0; at = bytes.indexOf(wanted, at + 4))
    bytes = Buffer.concat([bytes.subarray(0, at), other, bytes.subarray(at + 4)]);
  return bytes;
}

/** Files made to stop whatever reads them, by what is bad about them. */
export function hostileFiles(): Record<string, Uint8Array> {
  const zeros = new Uint8Array(300_000_000);
  const bomb = handMadeWorkbook(sheetXml(CELLS), { "xl/worksheets/sheet2.xml": zeros });
  const lastColumn = Array.from({ length: 3000 }, (_, k) => `<row r="${k + 1}"><c r="XFD${k + 1}"><v>1</v></c></row>`).join("");
  const names = workbookXml('<definedNames><definedName name="x">A!$A$1:$XFD$1048576</definedName></definedNames>');
  return {
    "merge-of-all-cells.xlsx": handMadeWorkbook(sheetXml(`${CELLS}<mergeCells count="1"><mergeCell ref="${ALL}"/></mergeCells>`)),
    "rule-for-all-cells.xlsx": handMadeWorkbook(
      sheetXml(
        `${CELLS}<dataValidations count="1"><dataValidation type="list" sqref="${ALL}"><formula1>"a"</formula1></dataValidation></dataValidations>`,
      ),
    ),
    "format-of-all-cells.xlsx": handMadeWorkbook(
      sheetXml(
        `${CELLS}<conditionalFormatting sqref="${ALL}"><cfRule type="expression" priority="1"><formula>TRUE</formula></cfRule></conditionalFormatting>`,
      ),
    ),
    "name-of-all-cells.xlsx": handMadeWorkbook(sheetXml(CELLS), { "xl/workbook.xml": names }),
    "last-column-of-3000-rows.xlsx": handMadeWorkbook(sheetXml(`<sheetData>${lastColumn}</sheetData>`)),
    "last-row.xlsx": handMadeWorkbook(sheetXml('<sheetData><row r="1048576"><c r="A1048576"><v>1</v></c></row></sheetData>')),
    "deep-sheet.xlsx": handMadeWorkbook(sheetXml("<a>".repeat(50_000) + "</a>".repeat(50_000))),
    "many-tags-sheet.xlsx": handMadeWorkbook(sheetXml(`${CELLS}${"<x/>".repeat(27_000_000)}`)),
    "bomb.xlsx": bomb,
    "bomb-that-says-it-is-small.xlsx": lying(bomb, 300_000_000, 100),
    "bomb-that-says-it-is-huge.xlsx": lying(bomb, 300_000_000, 0xfffffff0),
    "many-files.xlsx": zipSync(
      Object.fromEntries(Array.from({ length: 20_000 }, (_, k) => [`xl/worksheets/sheet${k}.xml`, strToU8("<a/>")])),
    ),
    "many-tags.xml": gzipSync(Buffer.from(`<feed>${"<a/>".repeat(27_000_000)}</feed>`)),
    "deep.xml": Buffer.from(`<feed>${"<a>".repeat(2_000_000)}`),
    "entities.xml": Buffer.from('<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><feed>&b;</feed>'),
    "one-long-attribute.xml": Buffer.from(`<feed a="${"x".repeat(50_000_000)}"/>`),
    "endless-line.csv": Buffer.from(`time,energy_kwh\n${"1".repeat(60_000_000)}`),
    "million-columns.csv": Buffer.from(`${"x,".repeat(1_000_000)}x\n${"1,".repeat(1_000_000)}1\n`),
    "open-quote.csv": Buffer.from(`time,energy_kwh\n"${"2023-06-01T10:00Z,1\n".repeat(2_000_000)}`),
    "bomb-of-lines.csv.gz": gzipSync(Buffer.alloc(1_200_000_000, "2023-06-01T10:00Z,1\n")),
    "bomb-in-a-bomb.csv.gz": gzipSync(gzipSync(Buffer.alloc(500_000_000))),
    "random.bin": Buffer.from(Array.from({ length: 200_000 }, (_, k) => (k * 7919) % 251)),
    "zeros.csv": Buffer.alloc(50_000_000),
    "quotes.csv": Buffer.from('"'.repeat(20_000_000)),
    "spaces.csv": Buffer.from(" ".repeat(50_000_000)),
    "line-feeds.csv": Buffer.from("\n".repeat(30_000_000)),
  };
}
