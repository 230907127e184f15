import { createReadStream, existsSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { importOptionsSchema } from "@/contracts/imports";
import type { Problem } from "@/contracts/problems";
import type { SiteDocument } from "@/contracts/site";
import { inPlainText } from "@/contracts/wording";
import { cleaningDates, readEvents } from "@/formats/events-csv";
import { parseSiteText } from "@/formats/site-json";
import { inspectFile, joinPages } from "@/usecases/imports";
import { type OpenLedger, openLedger, type StoredSeries } from "@/usecases/ledger";
import { type CliOptions, needed, oneOf } from "./arguments";
import { CliRefusal } from "./refuse";

function existing(file: string): string {
  if (!existsSync(file)) throw new CliRefusal(`${file}: there is no such file. Check the path.`);
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
  throw new CliRefusal(`${file} can't be read.`);
}

/** A weather or production file as the series that the ledger takes, read as the browser's import reads it. */
async function readSeriesFile(
  file: string,
  kind: "weather" | "production",
  site: SiteDocument,
  options: CliOptions,
  notices: string[],
): Promise<StoredSeries[]> {
  const read = importOptionsSchema.safeParse({
    zone: options[`${kind}-zone`] ?? null,
    labels: oneOf(options[`${kind}-labels`], ["start", "end"], "start", `${kind}-labels`),
    year: kind === "weather" && options["weather-year"] !== undefined ? Number(options["weather-year"]) : null,
    conflicts: oneOf(options.conflicts, ["refuse", "first", "last"], "refuse", "conflicts"),
  });
  if (!read.success) throw new CliRefusal(`--${kind}-zone ${options[`${kind}-zone`]}: ${read.error.issues[0]?.message}.`);
  const found = await inspectFile(() => createReadStream(existing(file)), site, read.data);
  const unzoned = found.problems.some((problem) => problem.code === "zone-needed");
  refuse(
    file,
    found.problems,
    unzoned ? `\nSay whose clock wrote the times: --${kind}-zone ${site.place.timeZone}, or a fixed offset such as UTC+01:00.` : "",
  );
  if (found.kind !== kind) throw new CliRefusal(`${file}: this is a ${found.kind ?? "foreign"} file; --${kind} takes a ${kind} file.`);
  notices.push(...found.problems.map((problem) => `${file}: ${inPlainText(problem)}`));
  return found.series.map((pages) => joinPages(pages)).filter((series) => series !== null);
}

async function readPromiseFile(file: string, site: SiteDocument): Promise<readonly number[] | null> {
  const found = await inspectFile(() => createReadStream(existing(file)), site, importOptionsSchema.parse({}));
  refuse(file, found.problems);
  if (!found.monthlyKwh) throw new CliRefusal(`${file}: this is no promise file; expected the columns month and kwh.`);
  return found.monthlyKwh;
}

async function readCleanings(file: string): Promise<string[]> {
  const { events, problems } = await readEvents(createReadStream(existing(file)));
  refuse(file, problems);
  return cleaningDates(events);
}

const MONTH = /^\d{4}-(0[1-9]|1[0-2])/;

function monthOf(value: string | undefined, option: string): string | undefined {
  if (value !== undefined && !MONTH.test(value)) throw new CliRefusal(`--${option} ${value}: write a month as 2023-04, or a date in it.`);
  return value?.slice(0, 7);
}

/** A ledger over files, with what is worth knowing about them. */
export interface FileLedger extends OpenLedger {
  readonly site: SiteDocument;
  readonly notices: readonly string[];
}

/** Opens a ledger over files, by the same use case as the screens. */
export async function ledgerFromFiles(options: CliOptions): Promise<FileLedger> {
  const notices: string[] = [];
  const site = await readSiteFile(options);
  const weather = options.weather === undefined ? [] : await readSeriesFile(options.weather, "weather", site, options, notices);
  const production = options.production === undefined ? [] : await readSeriesFile(options.production, "production", site, options, notices);
  const promise = options.promise === undefined ? null : await readPromiseFile(options.promise, site);
  const cleanings = options.events === undefined ? [] : await readCleanings(options.events);
  const fromMonth = monthOf(options.from, "from");
  const toMonth = monthOf(options.to, "to");
  const ledger = openLedger({
    site,
    weather,
    production,
    promise,
    cleanings,
    ...(fromMonth ? { fromMonth } : {}),
    ...(toMonth ? { toMonth } : {}),
  });
  return { ...ledger, site, notices };
}
