import { Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import type { BillDocument } from "@/contracts/bills";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { looksLikeEspi, readEspiBills } from "../espi";
import { type Bytes, decodeText, peek, records, sniffDialect, UnreadableText } from "../tabular/text";
import { isZip, sheetRows } from "../xlsx";
import { BrokenXml } from "../xml";
import { type BillRow, joinedRows } from "./joined-rows";

export interface BillsFile {
  readonly bills: readonly BillDocument[];
  readonly problems: readonly Problem[];
}

const ALIASES: Readonly<Record<string, string>> = {
  period_start: "from",
  start: "from",
  period_end: "to",
  end: "to",
  consumption_kwh: "usage_kwh",
  total: "amount",
  cost: "amount",
};
const BAND = /^import_(.+)_kwh$/;
const DATE = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])/;
const MONTH = /^\d{4}-(0[1-9]|1[0-2])$/;

/**
 * Reads bills, one a row: `from, to` (or `month`), `amount`, and any of `import_kwh`, `usage_kwh`, `import_BAND_kwh`, `export_kwh`, `production_kwh`.
 * Without `import_kwh`, usage is what was bought. A bill may also stand in several rows: one a `band`, one a `meter`; `credit` is taken off its amount, and
 * the one that was `issued` last replaces what it corrects. Takes CSV, text copied from a sheet, a workbook, or interval-meter XML with usage summaries.
 */
export async function readBills(bytes: Bytes): Promise<BillsFile> {
  const log = new ProblemLog();
  const found: BillRow[] = [];
  try {
    const whole = await buffer(bytes);
    if (looksLikeEspi(whole.subarray(0, 4096).toString("utf8"))) {
      const bills = await readEspiBills(decodeText(Readable.from([whole])), log);
      return { bills: log.hasErrors ? [] : bills, problems: log.list() };
    }
    const { rows, decimal } = await tableOf(whole, log);
    const headers = (rows[0] ?? []).map(headerOf);
    if (rows.length > 0 && !headers.includes("amount")) log.add("no-value-column", "error", { row: 1 }, { columns: headers.join(", ") });
    else if (!headers.includes("from") && !headers.includes("month"))
      log.add("no-time-column", "error", { row: 1 }, { columns: headers.join(", ") });
    if (!log.hasErrors) {
      for (const [k, cells] of rows.slice(1).entries()) takeRow(cells, k + 2, { headers, decimal, log, found });
    }
    if (!log.hasErrors && found.length === 0) log.add("no-rows", "error");
  } catch (error) {
    if (error instanceof UnreadableText) log.add(error.code, "error");
    else if (error instanceof BrokenXml) log.add("xml-broken", "error", { row: error.line }, { message: error.message });
    else throw error;
  }
  const bills = log.hasErrors ? [] : joinedRows(found, log);
  return { bills: log.hasErrors ? [] : bills, problems: log.list() };
}

async function tableOf(whole: Buffer, log: ProblemLog): Promise<{ rows: string[][]; decimal: "." | "," }> {
  if (isZip(whole)) return { rows: await sheetRows(Readable.from([whole]), log), decimal: "." };
  const { head, whole: text } = await peek(decodeText(Readable.from([whole])), 4096);
  if (head.trim() === "") log.add("empty-file", "error");
  const dialect = sniffDialect(head);
  const rows: string[][] = [];
  for await (const block of records(text, dialect.delimiter)) rows.push(...block.rows.map((cells) => [...cells]));
  return { rows, decimal: dialect.decimal };
}

function headerOf(cell: string): string {
  const plain = cell.trim().toLowerCase().replaceAll(" ", "_");
  return ALIASES[plain] ?? plain;
}

/** "offpeak" and "off_peak" are the band "off-peak". */
const bandName = (text: string): string => (/^off_?peak$/.test(text) ? "off-peak" : text.replaceAll("_", "-"));

interface Reading {
  readonly headers: readonly string[];
  readonly decimal: "." | ",";
  readonly log: ProblemLog;
  readonly found: BillRow[];
}

function takeRow(cells: readonly string[], row: number, { headers, decimal, log, found }: Reading): void {
  if (cells.every((cell) => cell.trim() === "")) return;
  const cell = (name: string): string => (cells[headers.indexOf(name)] ?? "").trim();
  const numeral = (text: string): string =>
    (decimal === "," ? text.replaceAll(".", "").replace(",", ".") : text.replaceAll(",", "")).replace(/[\s\u202f]/g, "");
  const kwh = (column: string): number | null => {
    const text = cell(column);
    if (text === "") return null;
    const value = Number(numeral(text));
    if (!Number.isFinite(value)) log.add("not-a-number", "error", { row, column, value: text });
    return value;
  };
  const period = periodOf(cell("month"), cell("from"), cell("to"));
  if (!period) {
    log.add("bad-time", "error", {
      row,
      column: headers.includes("month") ? "month" : "from",
      value: cell("month") || `${cell("from")} ${cell("to")}`.trim(),
    });
    return;
  }
  const amount = numeral(cell("amount"));
  // Where a bill stands in a row a band or a meter, its amount may stand in one of them alone.
  const isPart = cell("band") !== "" || cell("meter") !== "";
  if (!/^-?\d+(\.\d+)?$/.test(amount) && !(isPart && amount === ""))
    log.add("not-a-number", "error", { row, column: "amount", value: cell("amount") });
  const bands: Record<string, number> = {};
  for (const header of headers) {
    const band = BAND.exec(header)?.[1];
    const value = band === undefined ? null : kwh(header);
    if (band !== undefined && value !== null) bands[bandName(band)] = value;
  }
  const band = cell("band");
  const [bought, usage] = [kwh("import_kwh"), kwh("usage_kwh")];
  // Energy that is not there is not none: the row is refused below.
  const ofBand = band === "" ? null : (bought ?? kwh("kwh") ?? usage);
  if (ofBand !== null) bands[bandName(band.toLowerCase())] = ofBand;
  const banded = Object.keys(bands).length > 0 ? Object.values(bands).reduce((a, b) => a + b, 0) : null;
  const importKwh = bought ?? banded ?? usage;
  if (importKwh === null) {
    log.add("not-a-number", "error", { row, column: "import_kwh", value: "" });
    return;
  }
  const credit = numeral(cell("credit"));
  if (credit !== "" && !/^-?\d+(\.\d+)?$/.test(credit)) log.add("not-a-number", "error", { row, column: "credit", value: cell("credit") });
  const issued = cell("issued");
  if (issued !== "" && !DATE.test(issued)) log.add("bad-time", "error", { row, column: "issued", value: issued });
  found.push({
    ...{ row, band, meter: cell("meter"), issued: issued.slice(0, 10), credit: credit || "0" },
    ...period,
    // Usage beside what was bought is consumption; alone it is what was bought.
    usageKwh: usage !== null && (bought !== null || usage < importKwh - 2) ? usage : null,
    importKwh: bought ?? (usage !== null && banded !== null && Math.abs(usage - banded) <= 2 ? usage : importKwh),
    importByBandKwh: bands,
    exportKwh: kwh("export_kwh"),
    productionKwh: kwh("production_kwh"),
    amount: amount || null,
  });
}

function periodOf(month: string, from: string, to: string): { from: string; to: string } | null {
  if (MONTH.test(month)) {
    const days = new Date(Date.UTC(Number(month.slice(0, 4)), Number(month.slice(5)), 0)).getUTCDate();
    return { from: `${month}-01`, to: `${month}-${days}` };
  }
  return DATE.test(from) && DATE.test(to) ? { from: from.slice(0, 10), to: to.slice(0, 10) } : null;
}
