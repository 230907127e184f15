import type { ImportKind, ImportOptions } from "@/contracts/imports";
import type { MappingQuestion } from "@/contracts/mapping";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { mostEnergyKwh } from "@/core/ledger";
import type { Site } from "@/core/site";
import { looksLikeEspi } from "@/formats/espi";
import { isMeansHeader } from "@/formats/monthly-means";
import { readPromise } from "@/formats/promise-csv";
import {
  doubtfulValues,
  kindOfHeader,
  moduleOfFile,
  mostOfModuleKwh,
  type PagedSeries,
  readSeries,
  type SeriesFile,
  type SeriesOptions,
} from "@/formats/tabular/series";
import { readMonthAlone } from "@/formats/tabular/tables";
import { type Bytes, decodeText, peek, UnreadableText } from "@/formats/tabular/text";
import { checkEnergy } from "./check-energy";
import { checkWeather } from "./check-weather";
import { espiSeries } from "./espi-file";
import { type ReadClock, readClock, readLabels } from "./file-clock";
import type { MeteredPages } from "./join-pages";
import { type MeteredSparse, meteredSparse } from "./metered-sparse";
import { asModuleEnergies } from "./module-files";
import { epwYear, meansYear, type YearOfHours } from "./year-of-hours";

/** A file read whole against a site: what it holds, and every finding. */
export interface Inspection {
  readonly kind: ImportKind | null;
  readonly form: "series" | "epw" | "means" | "espi";
  /** Of a typical year or of monthly means: the year they are put in. */
  readonly year: number | null;
  readonly file: SeriesFile | null;
  readonly series: readonly MeteredPages[];
  readonly sparse: MeteredSparse;
  readonly monthlyKwh: readonly number[] | null;
  readonly energyKwh: number | null;
  readonly problems: readonly Problem[];
  readonly questions: readonly MappingQuestion[];
  /** The options with what was found out put in. */
  readonly options: ImportOptions;
}

const HOUR_MINUTES = 60;

const NO_SPARSE: MeteredSparse = { spans: [], counters: [] };

export interface InspectTerms {
  /** Files of single modules name their module. */
  readonly fileName?: string;
  /** Told the rows read so far; throws to stop. */
  readonly onProgress?: (rows: number) => void;
}

/** Reads a file without storing anything. `open` is called for the form, for the whole, and again where the clock had to be found out. */
export async function inspectFile(open: () => Bytes, site: Site, options: ImportOptions, terms: InspectTerms = {}): Promise<Inspection> {
  const form = await formOf(open());
  if (form === "promise") {
    const { monthlyKwh, problems } = await readPromise(open());
    return {
      kind: "promise",
      form: "series",
      year: null,
      file: null,
      series: [],
      sparse: NO_SPARSE,
      monthlyKwh,
      energyKwh: null,
      problems,
      questions: [],
      options,
    };
  }
  if (form === "epw") return inspected(form, await epwYear(open(), site, options), site, options);
  if (form === "means") return inspected(form, await meansYear(open(), site, options), site, options);
  if (form === "espi") {
    const { questions, ...read } = await espiSeries(open(), options.answers["reading-type"] ?? null);
    return inspected(form, read, site, options, new ProblemLog(), questions);
  }
  return readTable(open, site, options, terms);
}

async function readTable(
  open: () => Bytes,
  site: Site,
  options: ImportOptions,
  { fileName = "", onProgress }: InspectTerms,
): Promise<Inspection> {
  const log = new ProblemLog();
  const read = async (clock: ReadClock): Promise<SeriesFile> => readSeries(open(), seriesOptions(site, options, clock, onProgress));
  const told: ReadClock = { zone: options.zone, labels: options.labels ?? "start" };
  let file = await read(told);
  let clock = told;
  const unzoned = file.problems.some((problem) => problem.code === "zone-needed");
  if (unzoned && file.problems.every((problem) => problem.severity !== "error" || problem.code === "zone-needed")) {
    clock = readClock(await read({ ...told, zone: "UTC+00:00" }), site, options, log);
    if (clock.zone !== null) file = await read(clock);
  }
  if (!unzoned && options.labels === null && !hasErrors(file)) {
    clock = { ...told, labels: readLabels(file, site, log) };
    if (clock.labels !== told.labels) file = await read(clock);
  }
  const of = hasErrors(file) ? null : moduleOfFile(file, fileName, site, { answers: options.answers, isMapped: options.mapping !== null });
  const questions = [...(options.mapping ? [] : (file.proposal?.questions ?? [])), ...(of?.question ? [of.question] : [])];
  for (const question of questions) ask(question, log);
  const own = of?.moduleId ? asModule(file, of.moduleId) : file;
  if (own !== file && HOUR_MINUTES % (file.stepMinutes ?? 0) !== 0)
    log.add("modules-need-hours", "error", {}, { minutes: file.stepMinutes ?? 0 });
  return inspected("series", { file: own, year: null }, site, { ...options, ...clock }, log, questions);
}

/** A file of one column as its module's. */
const asModule = (file: SeriesFile, moduleId: string): SeriesFile => ({
  ...file,
  kind: "modules",
  columns: file.columns.map((column) => ({ ...column, meterId: moduleId })),
  series: file.series.map((pages) => ({ ...pages, meterId: moduleId })),
  // Remembered so, the next file of this header is its own module's.
  proposal: file.proposal && { ...file.proposal, mapping: { ...file.proposal.mapping, of: "modules" } },
});

/** Keeps a file out until its question is answered. */
const ask = ({ id, question, evidence, choices }: MappingQuestion, log: ProblemLog): void =>
  log.add("mapping-unsure", "error", {}, { question, evidence, choices: choices.map(({ label }) => label).join(", "), id });

const hasErrors = ({ problems }: SeriesFile): boolean => problems.some(({ severity }) => severity === "error");

function seriesOptions(site: Site, options: ImportOptions, clock: ReadClock, onProgress?: (rows: number) => void): SeriesOptions {
  return {
    ...clock,
    conflicts: options.conflicts,
    mapping: options.mapping,
    siteZone: site.place.timeZone,
    context: { meters: site.meters, commissioned: site.commissioned, plant: plantOf(site), answers: options.answers },
    ...(onProgress ? { onProgress } : {}),
  };
}

const plantOf = (site: Site) => ({
  modules: site.arrays.map(({ count }) => count),
  moduleW: Math.max(...Object.values(site.modules).map(({ pmpW }) => pmpW)),
});

/** Sets what was read against the site: meters, energies, the sky. */
function inspected(
  form: Inspection["form"],
  { file, year }: YearOfHours,
  site: Site,
  options: ImportOptions,
  log = new ProblemLog(),
  asked: readonly MappingQuestion[] = [],
): Inspection {
  const meter = (meterId: string | null, quantity: string): string =>
    file.kind === "production" ? meterFor(meterId, quantity, site, options, log) : file.kind === "modules" ? (meterId ?? "") : "";
  const written = file.series.map((pages) => ({ ...pages, meterId: meter(pages.meterId, pages.quantity) }));
  const series = file.kind === "modules" ? asModuleEnergies(written) : written;
  const sparse = file.sparse ? meteredSparse(file.sparse, (meterId) => meter(meterId, "energy_kwh")) : NO_SPARSE;
  const most = (stepMinutes: number): number =>
    file.kind === "modules" ? mostOfModuleKwh(site, stepMinutes) : mostEnergyKwh(site, stepMinutes);
  const isEnergy = file.kind === "production" || file.kind === "modules";
  const energy = isEnergy ? checkEnergy(written, most, log) + sparse.spans.reduce((sum, span) => sum + span.kwh, 0) : null;
  if (file.kind === "weather") checkWeather(written, site, log);
  const doubtful = isEnergy && !hasErrors(file) ? doubtfulValues(file.series, file.sparse?.spans ?? []) : null;
  if (doubtful && options.answers[doubtful.id] !== "yes") ask(doubtful, log);
  const questions = doubtful ? [...asked, doubtful] : asked;
  const problems = [...file.problems, ...log.list()].sort(errorsFirst);
  return { kind: file.kind, form, year, file, series, sparse, monthlyKwh: null, energyKwh: energy, problems, questions, options };
}

const errorsFirst = (a: Problem, b: Problem): number => Number(b.severity === "error") - Number(a.severity === "error");

type Form = Inspection["form"] | "promise";

async function formOf(bytes: Bytes): Promise<Form> {
  try {
    const { head } = await peek(decodeText(bytes), 2048);
    if (looksLikeEspi(head)) return "espi";
    const line = head.split(/\r?\n/, 1)[0] ?? "";
    if (/^LOCATION,/i.test(line)) return "epw";
    const headers = line.toLowerCase().split(/[,;\t]/);
    if (isMeansHeader(headers.map((cell) => cell.replaceAll('"', "").trim()))) return "means";
    return kindOfHeader(line) === "promise" && !isOfSomeYear(head) ? "promise" : "series";
  } catch (error) {
    if (error instanceof UnreadableText) return "series";
    throw error;
  }
}

/** A promise is of any year: months that name theirs are what was metered then. */
function isOfSomeYear(head: string): boolean {
  const [, first = ""] = head.split(/\r?\n/, 2);
  return first.split(/[,;\t]/).some((cell) => readMonthAlone(cell.replaceAll('"', "").trim()) !== null);
}

/** The meter of a production column: as the column names it, as chosen, or the site's first AC meter. */
function meterFor(meterId: string | null, quantity: string, site: Site, options: ImportOptions, log: ProblemLog): string {
  const named = meterId ?? options.meterId;
  if (named !== null) {
    if (!site.meters.some((meter) => meter.id === named)) {
      log.add("unknown-meter", "error", { column: quantity }, { meter: named, known: site.meters.map((meter) => meter.id).join(", ") });
    }
    return named;
  }
  return (site.meters.find((meter) => meter.point === "ac") ?? site.meters[0])?.id ?? "main";
}

/** Whole UTC days that a series has pages for. */
export const pageCount = (series: readonly Pick<PagedSeries, "days">[]): number => series.reduce((sum, pages) => sum + pages.days.size, 0);
