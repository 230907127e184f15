import { type Problem, ProblemLog } from "@/contracts/problems";
import { MEAN_MONTH_DAYS, type MonthlyMeans } from "@/core/weather";
import { MONTH_NAMES, monthOf } from "../promise-csv";
import { type Bytes, decodeText, peek, records, sniffDialect, UnreadableText } from "../tabular/text";

export interface MeansFile {
  readonly means: MonthlyMeans | null;
  readonly hasAir: boolean;
  readonly problems: readonly Problem[];
}

/** Whether a header is that of monthly means: a month with its irradiation. */
export const isMeansHeader = (headers: readonly string[]): boolean =>
  headers.includes("month") && (headers.includes("ghi_kwh_m2") || headers.includes("ghi_kwh_m2_day"));

/** Reads twelve monthly means: `month` with `ghi_kwh_m2` (sum of the month) or `ghi_kwh_m2_day` (mean of a day), and `air_temperature_c` where it is known. */
export async function readMeans(bytes: Bytes): Promise<MeansFile> {
  const log = new ProblemLog();
  const rows = new Map<number, { ghiKwhM2: number; airTempC: number }>();
  let hasAir = false;
  try {
    const { head, whole } = await peek(decodeText(bytes), 4096);
    const dialect = sniffDialect(head);
    const number = (text: string): number =>
      text.trim() === "" ? Number.NaN : Number(dialect.decimal === "," ? text.replace(",", ".") : text);
    let headers: string[] = [];
    for await (const block of records(whole, dialect.delimiter)) {
      block.rows.forEach((cells, k) => {
        const row = block.firstRow + k;
        if (row === 1) {
          headers = cells.map((cell) => cell.trim().toLowerCase());
          hasAir = headers.includes("air_temperature_c");
        } else if (cells.some((cell) => cell.trim() !== "")) take(cells, row);
      });
    }
    function take(cells: readonly string[], row: number): void {
      const name = cells[headers.indexOf("month")] ?? "";
      const month = monthOf(name);
      if (month === null || rows.has(month)) {
        log.add("bad-month", "error", { row, column: "month", value: name });
        return;
      }
      const daily = headers.indexOf("ghi_kwh_m2_day");
      const column = daily >= 0 ? daily : headers.indexOf("ghi_kwh_m2");
      const text = cells[column] ?? "";
      const ghi = number(text) * (daily >= 0 ? MEAN_MONTH_DAYS[month]! : 1);
      if (!(ghi >= 0 && ghi < 500)) log.add("not-a-number", "error", { row, column: headers[column] ?? "", value: text });
      const airText = hasAir ? (cells[headers.indexOf("air_temperature_c")] ?? "") : "";
      const air = hasAir ? number(airText) : Number.NaN;
      if (hasAir && !(air > -80 && air < 50)) log.add("not-a-number", "error", { row, column: "air_temperature_c", value: airText });
      rows.set(month, { ghiKwhM2: ghi, airTempC: air });
    }
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    log.add(error.code, "error");
  }
  const missing = MONTH_NAMES.filter((_, month) => !rows.has(month));
  if (!log.hasErrors && missing.length > 0) log.add("months-missing", "error", {}, { months: missing.join(", ") });
  if (log.hasErrors) return { means: null, hasAir, problems: log.list() };
  const twelve = MONTH_NAMES.map((_, month) => rows.get(month)!);
  return { means: { ghiKwhM2: twelve.map((r) => r.ghiKwhM2), airTempC: twelve.map((r) => r.airTempC) }, hasAir, problems: log.list() };
}
