import { sniffNumbers, toNumber } from "@/core/readings";
import { inUnit, unitOf } from "@/core/typed";
import { MEAN_MONTH_DAYS } from "@/core/weather";
import { MONTHS_LONG, readersUnit } from "@/wording/format";
import { gridCsv } from "./grid-state";

/** Units in which twelve figures of sunshine are found, and what one is in kWh/m² of a day or of a month. */
export const SUN_UNITS = {
  "kwh-day": { factor: 1, of: "day" },
  "kwh-month": { factor: 1, of: "month" },
  "mj-day": { factor: 1 / 3.6, of: "day" },
  "mj-month": { factor: 1 / 3.6, of: "month" },
  "w-mean": { factor: 0.024, of: "day" },
} as const;
export type SunUnit = keyof typeof SUN_UNITS;

/** An empty table of twelve months: name, sun, air. */
export const TWELVE_MONTHS: readonly (readonly string[])[] = MONTHS_LONG.map((month) => [month, "", ""]);

/** What is typed, as the reader of monthly means takes it; a cell that is no number goes along as it is, to be refused by its row. */
export function sunshineCsv(cells: readonly (readonly string[])[], unit: SunUnit): string {
  const { factor, of } = SUN_UNITS[unit];
  const sun = column(cells, 1, (value) => value * factor);
  const degree = unitOf(readersUnit("°C"))!;
  const air = column(cells, 2, (value) => inUnit(value, degree, unitOf("°C")!));
  const hasAir = air.some((cell) => cell !== "");
  const header = ["month", of === "day" ? "ghi_kwh_m2_day" : "ghi_kwh_m2", ...(hasAir ? ["air_temperature_c"] : [])];
  return gridCsv(
    header,
    cells.map(([month = ""], k) => (sun[k] === "" && air[k] === "" ? [] : [month, sun[k]!, ...(hasAir ? [air[k]!] : [])])),
  );
}

function column(cells: readonly (readonly string[])[], k: number, convert: (value: number) => number): string[] {
  const written = cells.map((row) => (row[k] ?? "").trim());
  const grammar = sniffNumbers(written);
  return written.map((cell) => {
    const value = toNumber(cell, grammar);
    return Number.isNaN(value) ? cell : String(Number(convert(value).toFixed(4)));
  });
}

/** Light of the months so far, kWh/m²; null where a cell holds no number. */
export function sunSoFar(cells: readonly (readonly string[])[], unit: SunUnit): (number | null)[] {
  const { factor, of } = SUN_UNITS[unit];
  let sum = 0;
  return column(cells, 1, (value) => value * factor).map((cell, k) => {
    if (cell === "" || Number.isNaN(Number(cell))) return null;
    sum += Number(cell) * (of === "day" ? (MEAN_MONTH_DAYS[k] ?? 30) : 1);
    return sum;
  });
}

/** Cells for twelve means of a place, in kWh/m² a day and the reader's degrees; what is not known stays empty. */
export function cellsOfMeans({
  ghiKwhM2,
  airTempC,
}: {
  readonly ghiKwhM2: readonly (number | null)[];
  readonly airTempC: readonly number[] | null;
}): string[][] {
  const degree = unitOf(readersUnit("°C"))!;
  return MONTHS_LONG.map((month, k) => [
    month,
    ghiKwhM2[k] == null ? "" : (ghiKwhM2[k] / MEAN_MONTH_DAYS[k]!).toFixed(2),
    airTempC ? inUnit(airTempC[k]!, unitOf("°C")!, degree).toFixed(1) : "",
  ]);
}
