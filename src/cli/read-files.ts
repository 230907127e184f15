import { createReadStream, existsSync } from "node:fs";
import { readdir, readFile, stat } from "node:fs/promises";
import path from "node:path";
import type { Decision, Examination } from "@/contracts/examination";
import type { FieldEntry } from "@/contracts/field-book";
import { importOptionsSchema } from "@/contracts/imports";
import { tableMappingSchema } from "@/contracts/mapping";
import type { Problem } from "@/contracts/problems";
import type { SiteDocument } from "@/contracts/site";
import type { ModuleColumn } from "@/core/neighbours";
import type { CounterAt, MeteredSpan } from "@/core/readings";
import { cleaningDates, readEvents } from "@/formats/events-csv";
import { parseSiteText } from "@/formats/site-json";
import { type Inspection, inspectFile, joinPages } from "@/usecases/imports";
import { type OpenLedger, openLedger, type StoredSeries } from "@/usecases/ledger";
import { cleanSeries, cleanSparse, examineBook, expectedOf, weatherStrip } from "@/usecases/quality";
import { say } from "@/wording/cli";
import { inPlainText } from "@/wording/problems";
import { type CliOptions, needed, oneOf } from "./arguments";
import { CliRefusal } from "./refuse";

function existing(file: string): string {
  if (!existsSync(file)) throw new CliRefusal(say.thereIsNoSuchFileCheck(file));
  return file;
}

function refuse(file: string, problems: readonly Problem[], hint = ""): void {
  const errors = problems.filter((problem) => problem.severity === "error");
  if (errors.length > 0) throw new CliRefusal(`${errors.map((problem) => `${file}: ${inPlainText(problem)}`).join("\n")}${hint}`);
}

export async function readSiteFile(options: CliOptions): Promise<SiteDocument> {
  const file = existing(needed(options.site, "site", "a *.site.json file"));
  const reading = parseSiteText(await readFile(file, "utf8"));
  if (reading.ok) return reading.document;
  refuse(file, reading.problems);
  throw new CliRefusal(say.cantBeRead(file));
}

const QUANTITIES: Readonly<Record<string, string>> = {
  kWh: "energy_kwh",
  Wh: "energy_wh",
  W: "power_w",
  kW: "power_kw",
  counter: "counter_kwh",
  "W/m2": "ghi_w_m2",
};

/** The option that answers each question of a foreign table. */
const OPTION_OF: Readonly<Record<string, (kind: string) => string>> = {
  "date-order": (kind) => say.datesDmyOrMdy(kind),
  quantity: (kind) => `--${kind}-unit ${Object.keys(QUANTITIES).join(", ")}`,
  "reading-type": () => say.readingTypeByItsPlace,
  "one-value": () => "--one-value yes",
  columns: () => "--columns plant, modules",
  "year-names": () => say.fiscalYearsStartOrEnd,
};

function answersOf(kind: "weather" | "production", options: CliOptions): Record<string, string> {
  const answers: Record<string, string> = {};
  const unit = options[`${kind}-unit`];
  if (unit !== undefined) answers.quantity = QUANTITIES[oneOf(unit, Object.keys(QUANTITIES), "kWh", `${kind}-unit`)]!;
  if (kind === "production" && options["reading-type"] !== undefined) answers["reading-type"] = options["reading-type"];
  if (kind === "production" && options["one-value"] !== undefined)
    answers["one-value"] = oneOf(options["one-value"], ["yes"], "yes", "one-value");
  if (kind === "production" && options.columns !== undefined)
    answers.columns = oneOf(options.columns, ["plant", "modules"], "plant", "columns");
  const dates = options[`${kind}-dates`];
  if (dates !== undefined) answers["date-order"] = oneOf(dates, ["dmy", "mdy"], "dmy", `${kind}-dates`);
  const years = options["fiscal-years"];
  if (years !== undefined) answers["year-names"] = oneOf(years, ["start", "end"], "start", "fiscal-years");
  return answers;
}

/** A column mapping from a JSON file, as the import page shows and the documentation describes it. */
async function readMapping(file: string): Promise<unknown> {
  const text = await readFile(existing(file), "utf8");
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (cause) {
    throw new CliRefusal(say.thisIsNoJson2(file, cause instanceof Error ? cause.message : ""));
  }
  const read = tableMappingSchema.safeParse(json);
  if (!read.success) {
    const issue = read.error.issues[0];
    throw new CliRefusal(say.seeDocsFormatsMdColumnMappings(file, issue?.path.join(".") || "the mapping", issue?.message));
  }
  return read.data;
}

const mappingOf = async (kind: "weather" | "production", options: CliOptions): Promise<unknown> => {
  const file = kind === "production" ? options.map : options["weather-map"];
  return file === undefined ? null : await readMapping(file);
};

/** A weather or production file as the series that the ledger takes, read as the browser's import reads it. */
async function readSeriesFile(
  file: string,
  kind: "weather" | "production",
  site: SiteDocument,
  options: CliOptions,
  notices: string[],
  sparse: { spans: MeteredSpan[]; counters: CounterAt[] },
): Promise<StoredSeries[]> {
  const found = await inspectedFile(file, kind, site, options);
  if (found.kind !== kind) throw new CliRefusal(say.thisIsAFileTakesA(file, found.kind ?? "foreign", kind));
  sparse.spans.push(...found.sparse.spans);
  sparse.counters.push(...found.sparse.counters);
  notices.push(...found.problems.map((problem) => `${file}: ${inPlainText(problem)}`));
  return found.series.map((pages) => joinPages(pages)).filter((series) => series !== null);
}

/** A file of series as it is read; refused where it is faulty, or where an option must decide. */
async function inspectedFile(file: string, kind: "weather" | "production", site: SiteDocument, options: CliOptions): Promise<Inspection> {
  const given = options[`${kind}-labels`];
  const read = importOptionsSchema.safeParse({
    zone: options[`${kind}-zone`] ?? null,
    labels: given === undefined ? null : oneOf(given, ["start", "end"], "start", `${kind}-labels`),
    mapping: await mappingOf(kind, options),
    answers: answersOf(kind, options),
    year: kind === "weather" && options["weather-year"] !== undefined ? Number(options["weather-year"]) : null,
    conflicts: oneOf(options.conflicts, ["refuse", "first", "last"], "refuse", "conflicts"),
  });
  if (!read.success) throw new CliRefusal(`--${kind}-zone ${options[`${kind}-zone`]}: ${read.error.issues[0]?.message}.`);
  const found = await inspectFile(() => createReadStream(existing(file)), site, read.data, { fileName: path.basename(file) });
  const unsure = found.problems.find((problem) => problem.code === "mapping-unsure");
  if (unsure)
    throw new CliRefusal(
      `${file}: ${inPlainText(unsure)}\nSay which: ${OPTION_OF[String(unsure.facts.id)]?.(kind) ?? (kind === "weather" ? "--weather-map FILE" : "--map FILE")}.`,
    );
  const unzoned = found.problems.some((problem) => problem.code === "zone-needed");
  refuse(file, found.problems, unzoned ? say.sayWhoseClockWroteTheTimes(kind, site.place.timeZone) : "");
  return found;
}

/** Energies of single modules from a file with a column each, or from a folder with a file each. */
export async function readModules(options: CliOptions, site: SiteDocument, notices: string[]): Promise<ModuleColumn[]> {
  const at = existing(needed(options.readings, "readings", say.fileOrFolderOfModules));
  const files = (await stat(at)).isDirectory() ? (await readdir(at)).sort().map((name) => path.join(at, name)) : [at];
  const columns: ModuleColumn[] = [];
  for (const file of files) {
    const found = await inspectedFile(file, "production", site, { columns: "modules", ...options });
    if (found.kind !== "modules") throw new CliRefusal(say.holdsNoModules(file));
    notices.push(...found.problems.map((problem) => `${file}: ${inPlainText(problem)}`));
    for (const pages of found.series) {
      const joined = joinPages(pages);
      if (joined) columns.push({ id: joined.meterId, axis: joined.axis, kwh: joined.values });
    }
  }
  return columns;
}

async function readPromiseFile(file: string, site: SiteDocument): Promise<readonly number[] | null> {
  const found = await inspectFile(() => createReadStream(existing(file)), site, importOptionsSchema.parse({}));
  refuse(file, found.problems);
  if (!found.monthlyKwh) throw new CliRefusal(say.thisIsNoPromiseFileExpected(file));
  return found.monthlyKwh;
}

async function readEntries(file: string, notices: string[]): Promise<readonly FieldEntry[]> {
  const { events, problems } = await readEvents(createReadStream(existing(file)));
  refuse(file, problems);
  notices.push(...problems.map((problem) => `${file}: ${inPlainText(problem)}`));
  return events;
}

const MONTH = /^\d{4}-(0[1-9]|1[0-2])/;

function monthOf(value: string | undefined, option: string): string | undefined {
  if (value !== undefined && !MONTH.test(value)) throw new CliRefusal(say.writeAMonthAs202304(option, value));
  return value?.slice(0, 7);
}

/** A ledger over files, with what is worth knowing about them. */
export interface FileLedger extends OpenLedger {
  readonly site: SiteDocument;
  readonly notices: readonly string[];
  readonly examination: Examination;
  readonly entries: readonly FieldEntry[];
  /** Every production series with the remedies that were taken, sub-meters among them. */
  readonly production: readonly StoredSeries[];
}

/** What stands ready to be accepted: a remedy, and no doubt worth a person's time. */
const SURE_FRAC = 0.9;

/** Decisions as asked for: remedies of high confidence by default, every one with `--accept all`, `--accept none` none: no analyst sits at a command line. */
function acceptedOf({ findings }: Examination, options: CliOptions): Decision[] {
  const which = oneOf(options.accept, ["none", "sure", "all"], "sure", "accept");
  const taken = findings.filter(
    ({ remedy, confidenceFrac }) => remedy !== null && (which === "all" || (which === "sure" && confidenceFrac >= SURE_FRAC)),
  );
  return taken.map(({ key, remedy }) => ({ findingKey: key, state: "accepted", remedies: [remedy!], note: "" }));
}

/** Opens a ledger over files, by the same use case as the screens. */
export async function ledgerFromFiles(options: CliOptions): Promise<FileLedger> {
  const notices: string[] = [];
  const site = await readSiteFile(options);
  const sparse: { spans: MeteredSpan[]; counters: CounterAt[] } = { spans: [], counters: [] };
  const weather = options.weather === undefined ? [] : await readSeriesFile(options.weather, "weather", site, options, notices, sparse);
  const raw =
    options.production === undefined ? [] : await readSeriesFile(options.production, "production", site, options, notices, sparse);
  const promise = options.promise === undefined ? null : await readPromiseFile(options.promise, site);
  const entries = options.events === undefined ? [] : await readEntries(options.events, notices);
  const cleanings = cleaningDates(entries);
  const fromMonth = monthOf(options.from, "from");
  const toMonth = monthOf(options.to, "to");
  const input = { site, weather, sparse, promise, cleanings, ...(fromMonth ? { fromMonth } : {}), ...(toMonth ? { toMonth } : {}) };
  const untreated = openLedger({ ...input, production: raw });
  const examined = {
    site,
    expected: expectedOf(untreated),
    production: raw,
    weather: weather.map((series) => weatherStrip(series, site)),
    sparse,
  };
  const found = examineBook({ ...examined, decisions: [] });
  const decisions = acceptedOf(found, options);
  if (decisions.length === 0) return { ...untreated, site, notices, examination: found, entries, production: raw };
  const production = cleanSeries(raw, decisions, site);
  const ledger = openLedger({ ...input, production, sparse: cleanSparse(sparse, decisions) });
  const examination = examineBook({ ...examined, decisions });
  return { ...ledger, site, notices, examination, entries, production };
}
