import type { ImportOptions } from "@/contracts/imports";
import { ProblemLog } from "@/contracts/problems";
import type { Site } from "@/core/site";
import { degToRad, HOUR_MS } from "@/core/units";
import { type MadeWeather, weatherFromMeans } from "@/core/weather";
import { readEpw } from "@/formats/epw";
import { readMeans } from "@/formats/monthly-means";
import { type PagedSeries, place, type SeriesFile } from "@/formats/tabular/series";
import type { Bytes } from "@/formats/tabular/text";

/** A file that stands for a year, read as a series file, and the year it was put in. */
export interface YearOfHours {
  readonly file: SeriesFile;
  readonly year: number | null;
}

/** Weather this far off has another sky, km. */
const NEAR_KM = 60;
const KM_PER_DEGREE = 111.2;

const asSeriesFile = (
  series: readonly PagedSeries[],
  rest: Pick<SeriesFile, "rowCount" | "valueCount" | "firstUtcMs" | "lastUtcMs" | "problems">,
): SeriesFile => ({
  kind: "weather",
  dialect: { delimiter: ",", decimal: "." },
  columns: series.map(({ quantity }, index) => ({ index, header: quantity, quantity, meterId: null })),
  ignored: [],
  stepMinutes: 60,
  hasOffsets: true,
  sparse: null,
  proposal: null,
  series,
  ...rest,
});

/** An hourly EPW year. */
export async function epwYear(bytes: Bytes, site: Site, options: ImportOptions): Promise<YearOfHours> {
  const { series, year, latitudeDeg, longitudeDeg, ...rest } = await readEpw(bytes, { year: options.year });
  const log = new ProblemLog();
  if (latitudeDeg !== null && longitudeDeg !== null) {
    const east = (longitudeDeg - site.place.longitudeDeg) * Math.cos(degToRad(site.place.latitudeDeg));
    const km = Math.round(Math.hypot(latitudeDeg - site.place.latitudeDeg, east) * KM_PER_DEGREE);
    if (km > NEAR_KM) log.add("other-place", "notice", { row: 1 }, { there: `${latitudeDeg}°, ${longitudeDeg}°`, km });
  }
  return { year, file: asSeriesFile(series, { ...rest, problems: [...rest.problems, ...log.list()] }) };
}

/** Hours made from twelve monthly means. */
export async function meansYear(bytes: Bytes, site: Site, options: ImportOptions): Promise<YearOfHours> {
  const { means, hasAir, problems } = await readMeans(bytes);
  const log = new ProblemLog();
  const years = means && options.year !== null ? yearsOf(options.year, options.toYear) : [];
  const made = means ? tryMeans(() => years.map((year) => weatherFromMeans(means, year, site.place)), log) : [];
  if (means && options.year === null) log.add("year-needed", "error");
  const series = made.length > 0 ? pagesOf(made, hasAir) : [];
  const end = made.at(-1)?.axis;
  const last = end ? end.startUtcMs + (end.count - 1) * HOUR_MS : null;
  const file = asSeriesFile(series, {
    rowCount: 12,
    valueCount: made.reduce((sum, { axis }) => sum + axis.count, 0) * series.length,
    firstUtcMs: made[0]?.axis.startUtcMs ?? null,
    lastUtcMs: last,
    problems: [...problems, ...log.list()],
  });
  return { year: options.year, file };
}

const yearsOf = (first: number, last: number | null): number[] =>
  Array.from({ length: Math.max(1, (last ?? first) - first + 1) }, (_, k) => first + k);

function tryMeans(make: () => MadeWeather[], log: ProblemLog): MadeWeather[] {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    log.add("sky-overfull", "error", {}, { message: error.message });
    return [];
  }
}

function pagesOf(years: readonly MadeWeather[], hasAir: boolean): PagedSeries[] {
  const page = (quantity: "ghi_w_m2" | "air_temperature_c", valuesOf: (made: MadeWeather) => Float64Array): PagedSeries => {
    const phaseMinutes = (years[0]!.axis.startUtcMs / 60_000) % 60;
    const series: PagedSeries = { quantity, meterId: null, stepMinutes: 60, phaseMinutes, days: new Map() };
    for (const made of years)
      valuesOf(made).forEach((value, i) => {
        place(series, made.axis.startUtcMs + i * HOUR_MS, value, true);
      });
    return series;
  };
  return [page("ghi_w_m2", ({ ghiWm2 }) => ghiWm2), ...(hasAir ? [page("air_temperature_c", ({ airTempC }) => airTempC)] : [])];
}
