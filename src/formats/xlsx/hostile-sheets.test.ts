import { deflateRawSync } from "node:zlib";
import { handMadeWorkbook, sheetXml, workbookXml } from "@test/hand-made-workbook";
import { unzipSync, Zip, ZipPassThrough } from "fflate";
import { describe, expect, it } from "vitest";
import { ProblemLog } from "@/contracts/problems";
import { sheetRows } from ".";

const rows = async (bytes: Uint8Array): Promise<string[][] | string> => {
  const log = new ProblemLog();
  const whole = (async function* () {
    yield bytes;
  })();
  return sheetRows(whole, log).catch((error: unknown) => (error as { code?: string }).code ?? String(error));
};
const two = '<sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>time</t></is></c><c r="B1"><v>2</v></c></row></sheetData>';

/** The same archive with one part more, which declares the size that it has while it is packed. */
function withLyingPart(archive: Uint8Array, name: string, content: Uint8Array): Uint8Array {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    pieces.push(piece);
  });
  const add = (file: ZipPassThrough, bytes: Uint8Array): void => {
    zip.add(file);
    file.push(bytes, true);
  };
  for (const [own, bytes] of Object.entries(unzipSync(archive))) add(new ZipPassThrough(own), bytes);
  const packed = new ZipPassThrough(name);
  packed.compression = 8;
  add(packed, deflateRawSync(content, { level: 1 }));
  zip.end();
  return Buffer.concat(pieces);
}

describe("a sheet made to hang what reads it", () => {
  it("gives its cells, and nothing of merges, rules, styles or names over all cells", async () => {
    const all = "A1:XFD1048576";
    const hostile = sheetXml(
      `<dimension ref="${all}"/><cols><col min="1" max="16384" width="9" style="1"/></cols>${two}<mergeCells count="1"><mergeCell ref="${all}"/></mergeCells>` +
        `<dataValidations count="1"><dataValidation type="list" sqref="${all}"><formula1>"a"</formula1></dataValidation></dataValidations>` +
        `<conditionalFormatting sqref="${all}"><cfRule type="expression" priority="1"><formula>TRUE</formula></cfRule></conditionalFormatting>`,
    );
    const names = workbookXml('<definedNames><definedName name="x">A!$A$1:$XFD$1048576</definedName></definedNames>');
    expect(await rows(handMadeWorkbook(hostile, { "xl/workbook.xml": names }))).toEqual([["time", "2"]]);
  });

  it("reads one whose elements have a prefix", async () => {
    const prefixed = `<x:worksheet xmlns:x="http://schemas.openxmlformats.org/spreadsheetml/2006/main">${two.replaceAll("<", "<x:").replaceAll("<x:/", "</x:")}</x:worksheet>`;
    expect(await rows(handMadeWorkbook(prefixed))).toEqual([["time", "2"]]);
  });

  it("refuses a cell beyond all columns or rows, and takes the last of those", async () => {
    const cell = (at: string): string => sheetXml(`<sheetData><row r="1"><c r="${at}"><v>1</v></c></row></sheetData>`);
    expect(await rows(handMadeWorkbook(cell("XFD1")))).toBe("row-too-wide");
    expect(await rows(handMadeWorkbook(cell("WC1")))).toBe("row-too-wide");
    expect(await rows(handMadeWorkbook(cell("WB1")))).toHaveLength(1);
    expect(await rows(handMadeWorkbook(cell("A1048577")))).toBe("too-many-rows");
    expect(await rows(handMadeWorkbook(cell("ZZZZZZZZZZZZ1")))).toBe("row-too-wide");
  });

  it("counts bytes as they unpack, whatever the archive says of them", async () => {
    const lying = withLyingPart(handMadeWorkbook(sheetXml(two)), "xl/worksheets/sheet2.xml", new Uint8Array(300_000_000));
    expect(await rows(lying)).toBe("unpacks-too-large");
  }, 20_000);

  it("refuses elements that lie too deep, and a document type", async () => {
    expect(await rows(handMadeWorkbook(sheetXml(`${"<a>".repeat(60)}${"</a>".repeat(60)}`)))).toBe("xml-too-deep");
    expect(await rows(handMadeWorkbook(`<!DOCTYPE x [<!ENTITY a "b">]>${sheetXml(two)}`))).toBe("xml-entities");
    expect(await rows(handMadeWorkbook(sheetXml("<sheetData>")))).toBe("broken-workbook");
  });
});
