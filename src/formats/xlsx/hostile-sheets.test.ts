import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { ProblemLog } from "@/contracts/problems";
import { sheetRows } from ".";

const NS = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
const book = (sheet: string, parts: Record<string, Uint8Array | string> = {}): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries({
        "[Content_Types].xml":
          '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/></Types>',
        "xl/workbook.xml": `<workbook ${NS} xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>`,
        "xl/_rels/workbook.xml.rels":
          '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
        "xl/worksheets/sheet1.xml": sheet,
        ...parts,
      }).map(([name, part]) => [name, typeof part === "string" ? strToU8(part) : part]),
    ),
  );
const rows = async (bytes: Uint8Array): Promise<string[][] | string> => {
  const log = new ProblemLog();
  const whole = (async function* () {
    yield bytes;
  })();
  return sheetRows(whole, log).catch((error: unknown) => (error as { code?: string }).code ?? String(error));
};
const two = '<sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>time</t></is></c><c r="B1"><v>2</v></c></row></sheetData>';
const sheet = (inner: string): string => `<worksheet ${NS}>${inner}</worksheet>`;

describe("a sheet made to hang what reads it", () => {
  it("gives its cells, and nothing of merges, rules, styles or names over all cells", async () => {
    const all = "A1:XFD1048576";
    const hostile = sheet(
      `<dimension ref="${all}"/><cols><col min="1" max="16384" width="9" style="1"/></cols>${two}<mergeCells count="1"><mergeCell ref="${all}"/></mergeCells>` +
        `<dataValidations count="1"><dataValidation type="list" sqref="${all}"><formula1>"a"</formula1></dataValidation></dataValidations>` +
        `<conditionalFormatting sqref="${all}"><cfRule type="expression" priority="1"><formula>TRUE</formula></cfRule></conditionalFormatting>`,
    );
    const names = `<workbook ${NS} xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets><definedNames><definedName name="x">A!$A$1:$XFD$1048576</definedName></definedNames></workbook>`;
    expect(await rows(book(hostile, { "xl/workbook.xml": names }))).toEqual([["time", "2"]]);
  });

  it("reads one whose elements have a prefix", async () => {
    const prefixed = `<x:worksheet xmlns:x="http://schemas.openxmlformats.org/spreadsheetml/2006/main">${two.replaceAll("<", "<x:").replaceAll("<x:/", "</x:")}</x:worksheet>`;
    expect(await rows(book(prefixed))).toEqual([["time", "2"]]);
  });

  it("refuses a cell beyond all columns or rows, and takes the last of those", async () => {
    const cell = (at: string): string => sheet(`<sheetData><row r="1"><c r="${at}"><v>1</v></c></row></sheetData>`);
    expect(await rows(book(cell("XFD1")))).toBe("row-too-wide");
    expect(await rows(book(cell("WC1")))).toBe("row-too-wide");
    expect(await rows(book(cell("WB1")))).toHaveLength(1);
    expect(await rows(book(cell("A1048577")))).toBe("too-many-rows");
    expect(await rows(book(cell("ZZZZZZZZZZZZ1")))).toBe("row-too-wide");
  });

  it("counts bytes as they unpack, whatever the archive says of them", async () => {
    const bomb = book(sheet(two), { "xl/worksheets/sheet2.xml": new Uint8Array(300_000_000) });
    // The size that the central directory and the local head declare.
    const declared = Buffer.alloc(4);
    declared.writeUInt32LE(300_000_000);
    const small = Buffer.alloc(4);
    small.writeUInt32LE(100);
    let lying = Buffer.from(bomb);
    for (let at = lying.indexOf(declared); at >= 0; at = lying.indexOf(declared))
      lying = Buffer.concat([lying.subarray(0, at), small, lying.subarray(at + 4)]);
    expect(await rows(lying)).toBe("unpacks-too-large");
  }, 20_000);

  it("refuses elements that lie too deep, and a document type", async () => {
    expect(await rows(book(sheet(`${"<a>".repeat(60)}${"</a>".repeat(60)}`)))).toBe("xml-too-deep");
    expect(await rows(book(`<!DOCTYPE x [<!ENTITY a "b">]>${sheet(two)}`))).toBe("xml-entities");
    expect(await rows(book(sheet("<sheetData>")))).toBe("broken-workbook");
  });
});
