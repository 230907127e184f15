import type { ImportKind, ImportOptions } from "@/contracts/imports";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { energyKwh, type ProductionQuantity } from "@/core/readings";
import { mostEnergyKwh } from "@/core/reconcile";
import { total } from "@/core/series";
import type { Site } from "@/core/site";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import { isMeansHeader } from "@/formats/monthly-means";
import { readPromise } from "@/formats/promise-csv";
import { kindOfHeader, type PagedSeries, readSeries, type SeriesFile } from "@/formats/series-csv";
import { type Bytes, decodeText, peek, UnreadableText } from "@/formats/text";
import { checkWeather } from "./check-weather";
import { joinPages, type MeteredPages } from "./join-pages";
import { epwYear, meansYear, type YearOfHours } from "./year-of-hours";

/** A file read whole against a site: what it holds, and every finding. */
export interface Inspection {
  readonly kind: ImportKind | null;
  readonly form: "series" | "epw" | "means";
  /** Of a typical year or of monthly means: the year they are put in. */
  readonly year: number | null;
  readonly file: SeriesFile | null;
  readonly series: readonly MeteredPages[];
  readonly monthlyKwh: readonly number[] | null;
  readonly energyKwh: number | null;
  readonly problems: readonly Problem[];
}

/** Reads a file without storing anything. `open` is called twice: for the header, then for the whole. */
export async function inspectFile(
  open: () => Bytes,
  site: Site,
  options: ImportOptions,
  onProgress?: (rows: number) => void,
): Promise<Inspection> {
  const form = await formOf(open());
  if (form === "promise") {
    const { monthlyKwh, problems } = await readPromise(open());
    return { kind: "promise", form: "series", year: null, file: null, series: [], monthlyKwh, energyKwh: null, problems };
  }
  if (form === "epw") return inspected(form, await epwYear(open(), site, options), site, options);
  if (form === "means") return inspected(form, await meansYear(open(), site, options), site, options);
  const file = await readSeries(open(), {
    zone: options.zone,
    labels: options.labels,
    conflicts: options.conflicts,
    ...(onProgress ? { onProgress } : {}),
  });
  return inspected("series", { file, year: null }, site, options);
}

/** Sets what was read against the site: meters, energies, the sky. */
function inspected(form: Inspection["form"], { file, year }: YearOfHours, site: Site, options: ImportOptions): Inspection {
  const log = new ProblemLog();
  const series = file.series.map((pages) => ({ ...pages, meterId: file.kind === "production" ? meterFor(pages, site, options, log) : "" }));
  const energy = file.kind === "production" ? checkEnergy(series, site, log) : null;
  if (file.kind === "weather") checkWeather(series, site, log);
  const problems = [...file.problems, ...log.list()].sort(errorsFirst);
  return { kind: file.kind, form, year, file, series, monthlyKwh: null, energyKwh: energy, problems };
}

const errorsFirst = (a: Problem, b: Problem): number => Number(b.severity === "error") - Number(a.severity === "error");

type Form = Inspection["form"] | "promise";

async function formOf(bytes: Bytes): Promise<Form> {
  try {
    const { head } = await peek(decodeText(bytes), 2048);
    const line = head.split(/\r?\n/, 1)[0] ?? "";
    if (/^LOCATION,/i.test(line)) return "epw";
    if (
      isMeansHeader(
        line
          .toLowerCase()
          .split(/[,;\t]/)
          .map((cell) => cell.replaceAll('"', "").trim()),
      )
    )
      return "means";
    return kindOfHeader(line) === "promise" ? "promise" : "series";
  } catch (error) {
    if (error instanceof UnreadableText) return "series";
    throw error;
  }
}

/** The meter of a production column: as the column names it, as chosen, or the site's first AC meter. */
function meterFor(pages: PagedSeries, site: Site, options: ImportOptions, log: ProblemLog): string {
  const named = pages.meterId ?? options.meterId;
  if (named !== null) {
    if (!site.meters.some((meter) => meter.id === named)) {
      log.add(
        "unknown-meter",
        "error",
        { column: pages.quantity },
        { meter: named, known: site.meters.map((meter) => meter.id).join(", ") },
      );
    }
    return named;
  }
  return (site.meters.find((meter) => meter.point === "ac") ?? site.meters[0])?.id ?? "main";
}

function checkEnergy(series: readonly MeteredPages[], site: Site, log: ProblemLog): number {
  let sum = 0;
  for (const pages of series) {
    const most = mostEnergyKwh(site, pages.stepMinutes);
    for (const { startUtcMs, values } of stretches(pages)) {
      const energies = energyKwh(values, pages.quantity as ProductionQuantity, pages.stepMinutes);
      sum += total(energies, "skip");
      for (let i = 0; i < energies.length; i++) {
        const kwh = energies[i]!;
        if (!(kwh > most)) continue;
        const at = new Date(startUtcMs + i * pages.stepMinutes * MINUTE_MS).toISOString().slice(0, 16);
        log.add(
          "implausible-energy",
          "notice",
          { column: `${pages.quantity} at ${at}Z`, value: String(Math.round(kwh * 1000) / 1000) },
          { mostKwh: Math.round(most * 100) / 100, minutes: pages.stepMinutes },
        );
      }
    }
  }
  return sum;
}

/** Values to be turned into energy together: a counter needs its next reading across midnight, anything else goes day by day. */
function stretches(pages: MeteredPages): { startUtcMs: number; values: Float64Array }[] {
  if (pages.quantity === "counter_kwh") {
    const joined = joinPages(pages);
    return joined ? [{ startUtcMs: joined.axis.startUtcMs, values: joined.values }] : [];
  }
  return [...pages.days].map(([day, values]) => ({ startUtcMs: day * DAY_MS + pages.phaseMinutes * MINUTE_MS, values }));
}

/** Whole UTC days that a series has pages for. */
export const pageCount = (series: readonly PagedSeries[]): number => series.reduce((sum, pages) => sum + pages.days.size, 0);
