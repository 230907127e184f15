import { strToU8, zipSync } from "fflate";

const NS = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';

/** A sheet's XML around what it holds. */
export const sheetXml = (inner: string): string => `<worksheet ${NS}>${inner}</worksheet>`;

/** The index of a workbook with one sheet, with what else stands in it. */
export const workbookXml = (more = ""): string =>
  `<workbook ${NS} xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets>${more}</workbook>`;

/** A workbook of one sheet as its XML is given, with other parts beside it: what no writer of workbooks would make. */
export function handMadeWorkbook(sheet: string, parts: Readonly<Record<string, string | Uint8Array>> = {}): Uint8Array {
  const all = {
    "[Content_Types].xml":
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/></Types>',
    "xl/workbook.xml": workbookXml(),
    "xl/_rels/workbook.xml.rels":
      '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
    "xl/worksheets/sheet1.xml": sheet,
    ...parts,
  };
  const bytes = (part: string | Uint8Array): Uint8Array => (typeof part === "string" ? strToU8(part) : part);
  return zipSync(Object.fromEntries(Object.entries(all).map(([name, part]) => [name, bytes(part)])), { level: 9 });
}
