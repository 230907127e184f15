// Longer than a file should be, on purpose: the steps of an import stand in the order in which they happen.
import type { Batch, BatchOrigin, ImportEvent, ImportOptions, ImportPreview } from "@/contracts/imports";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { DAY_MS } from "@/core/units";
import type { Book } from "../books";
import type { ReadingStore, StoredSeries } from "../ledger";
import { Refusal } from "../refusal";
import { fingerprintOf, isForeign } from "./fingerprint";
import { type Inspection, inspectFile, pageCount } from "./inspect";
import { joinPages, type MeteredPages } from "./join-pages";
import { pictureOf } from "./picture";
import type { ImportStore, MappingStore, NewBatch, StagedFile, Staging } from "./ports";
import { recent } from "./recent";

export interface ImportPorts {
  readonly staging: Staging;
  readonly imports: ImportStore;
  readonly readings: ReadingStore;
  readonly mappings: MappingStore;
  readonly now: () => number;
}

const UNITS: Readonly<Record<string, string>> = {
  ghi_w_m2: "W/m²",
  dni_w_m2: "W/m²",
  dhi_w_m2: "W/m²",
  poa_w_m2: "W/m²",
  air_temperature_c: "°C",
  wind_speed_m_s: "m/s",
  rain_mm: "mm",
  snow_depth_cm: "cm",
  albedo: "share",
  module_temperature_c: "°C",
  energy_kwh: "kWh",
  power_w: "W",
  counter_kwh: "kWh",
};

/** Tells what a staged file would bring to a book, without storing anything. `onProgress` is told the rows read so far, and throws to stop. */
export async function previewImport(
  ports: ImportPorts,
  book: Book,
  uploadId: string,
  options: ImportOptions,
  onProgress?: (rows: number) => void,
): Promise<ImportPreview> {
  const staged = await stagedFile(ports.staging, book, uploadId);
  const found = await inspectStaged(ports, book, staged, options, onProgress);
  const repeated = found.kind && (await ports.imports.standingBatch(book.id, found.kind, staged.sha256, yearOf(found)));
  return previewOf(staged, found, book, repeated ? [alreadyThere(repeated)] : []);
}

/** Inspects a staged file by what was confirmed for its header before, where nothing else was chosen; the result is kept for the import that follows. */
async function inspectStaged(
  ports: ImportPorts,
  book: Book,
  staged: StagedFile,
  options: ImportOptions,
  onProgress?: (rows: number) => void,
): Promise<Inspection> {
  const uploadId = staged.id;
  const open = (): ReturnType<Staging["open"]> => ports.staging.open(uploadId);
  const existing = recent.find(uploadId, book, options);
  if (existing) return existing;
  const terms = { fileName: staged.fileName, ...(onProgress ? { onProgress } : {}) };
  let found = await inspectFile(open, book.site, options, terms);
  const chosen = options.mapping !== null || Object.keys(options.answers).length > 0;
  const remembered = chosen || !isForeign(found) ? null : await ports.mappings.find(fingerprintOf(found));
  if (remembered) {
    const { mapping, zone, labels } = remembered.reading;
    found = await inspectFile(
      open,
      book.site,
      { ...options, mapping, zone: options.zone ?? zone, labels: options.labels ?? labels },
      terms,
    );
    const log = new ProblemLog();
    log.add("mapping-remembered", "notice", {}, { on: remembered.confirmedAt.toISOString().slice(0, 10) });
    found = { ...found, problems: [...found.problems, ...log.list()] };
  }
  found = withFuture(found, ports.now());
  recent.keep(uploadId, book, options, found);
  return found;
}

/** Readings of tomorrow are a wrong clock or a wrong order of day and month. */
function withFuture(found: Inspection, now: number): Inspection {
  const last = found.file?.lastUtcMs ?? null;
  if (last === null || last <= now + DAY_MS || found.form === "epw" || found.form === "means") return found;
  const log = new ProblemLog();
  log.add("future-times", "error", {}, { last: new Date(last).toISOString().slice(0, 10) });
  return { ...found, problems: [...log.list(), ...found.problems] };
}

/** The same means, or the same typical year, may be put into another year. */
const yearOf = ({ options }: Inspection): number | null => options.year;

function alreadyThere(batch: Batch): Problem {
  const log = new ProblemLog();
  log.add("already-imported", "error", {}, { name: batch.fileName, on: batch.createdAt.slice(0, 10) });
  return log.list()[0]!;
}

function previewOf(staged: StagedFile, found: Inspection, book: Book, more: readonly Problem[]): ImportPreview {
  const { file } = found;
  const picture = pictureOf(found, book.site.place.timeZone);
  return {
    uploadId: staged.id,
    fileName: staged.fileName,
    byteCount: staged.byteCount,
    kind: found.kind,
    form: found.form,
    year: found.year,
    columns: (file?.columns ?? []).map(({ header, quantity, meterId }) => ({ header, quantity, unit: UNITS[quantity] ?? "", meterId })),
    ignored: [...(file?.ignored ?? [])],
    delimiter: file?.dialect?.delimiter ?? null,
    decimal: file?.proposal?.mapping.decimal ?? file?.dialect?.decimal ?? null,
    stepMinutes: file?.stepMinutes ?? null,
    hasOffsets: file?.hasOffsets ?? false,
    rowCount: file?.rowCount ?? 12,
    valueCount: file?.valueCount ?? 12,
    firstUtcMs: file?.firstUtcMs ?? null,
    lastUtcMs: file?.lastUtcMs ?? null,
    energyKwh: found.energyKwh,
    promiseKwh: found.monthlyKwh ? [...found.monthlyKwh] : null,
    spanCount: found.sparse.spans.length,
    counterCount: found.sparse.counters.length,
    proposal: file?.proposal ?? null,
    questions: [...found.questions],
    ...picture,
    problems: [...more, ...found.problems],
    options: found.options,
  };
}

/** How often the reader says how far it is. */
const PROGRESS_ROWS = 20_000;

/**
 * Reads a staged file again and stores it as one batch in one transaction; yields progress. The signal stops it at any moment
 * with nothing stored. A file with errors is refused whole; one that brings nothing new changes nothing.
 */
export async function* runImport(
  ports: ImportPorts,
  book: Book,
  uploadId: string,
  options: ImportOptions,
  signal: AbortSignal,
): AsyncGenerator<ImportEvent> {
  const staged = await stagedFile(ports.staging, book, uploadId);
  const steps: number[] = [];
  let wake = (): void => {};
  const onProgress = (rows: number): void => {
    throwIfCancelled(signal);
    if (rows - (steps.at(-1) ?? 0) < PROGRESS_ROWS) return;
    steps.push(rows);
    wake();
  };
  let finished = false;
  yield { kind: "reading", rows: 0 };
  const reading = inspectStaged(ports, book, staged, options, onProgress).finally(() => {
    finished = true;
    wake();
  });
  reading.catch(() => {});
  let readRows = 0;
  while (!finished) {
    await new Promise<void>((resolve) => {
      wake = resolve;
      if (finished || readRows < steps.length) resolve();
    });
    for (; readRows < steps.length; readRows++) yield { kind: "reading", rows: steps[readRows]! };
  }
  const found = await reading;
  refuseErrors(found, await ports.imports.standingBatch(book.id, found.kind ?? "weather", staged.sha256, yearOf(found)));
  yield { kind: "storing" };
  yield await storeFound(ports, book, staged, found, signal);
  if (isForeign(found) && found.file?.proposal) {
    await ports.mappings.keep(fingerprintOf(found), {
      mapping: found.file.proposal.mapping,
      zone: found.options.zone,
      labels: found.options.labels ?? "start",
    });
  }
  recent.drop(uploadId);
  await ports.staging.drop(uploadId);
}

function refuseErrors(found: Inspection, repeated: Batch | null): void {
  const problems = [...(repeated ? [alreadyThere(repeated)] : []), ...found.problems];
  if (problems.some((problem) => problem.severity === "error")) throw new Refusal("file-refused", "file-refused", {}, problems);
}

async function storeFound(
  ports: ImportPorts,
  book: Book,
  staged: StagedFile,
  found: Inspection,
  signal: AbortSignal,
): Promise<ImportEvent> {
  throwIfCancelled(signal);
  const batch = newBatch(book, staged, found);
  if (found.monthlyKwh) return { kind: "done", batch: await ports.imports.storePromise(batch, found.monthlyKwh), pages: 0 };
  if (found.sparse.spans.length + found.sparse.counters.length > 0) {
    if (await bringsNoSpan(ports.readings, book, found)) return { kind: "nothing-new" };
    return { kind: "done", batch: await ports.imports.storeSparse(batch, found.sparse), pages: 0 };
  }
  const kind = batch.kind === "promise" ? "production" : batch.kind;
  if (bringsNothing(found.series, await ports.readings.seriesOf(book.id, kind))) return { kind: "nothing-new" };
  return { kind: "done", batch: await ports.imports.storeSeries(batch, found.series, signal), pages: pageCount(found.series) };
}

/** A typical year that is put into a real one is no weather of it. */
const originOf = ({ form, options }: Inspection): BatchOrigin =>
  form === "means" ? options.light : form === "epw" && options.year !== null ? "typical-year" : "measured";

const newBatch = (book: Book, staged: StagedFile, found: Inspection): NewBatch => ({
  bookId: book.id,
  origin: originOf(found),
  kind: found.kind ?? "weather",
  fileName: staged.fileName,
  sha256: staged.sha256,
  byteCount: staged.byteCount,
  rowCount: found.file?.rowCount ?? 12,
  valueCount: found.file?.valueCount ?? 12,
  firstUtcMs: found.file?.firstUtcMs ?? null,
  lastUtcMs: found.file?.lastUtcMs ?? null,
  stepMinutes: found.file?.stepMinutes ?? null,
  options: found.options,
  notices: found.problems,
});

async function bringsNoSpan(readings: ReadingStore, book: Book, { sparse }: Inspection): Promise<boolean> {
  const existing = await readings.sparseOf(book.id);
  const spans = new Set(existing.spans.map((span) => `${span.meterId} ${span.fromUtcMs} ${span.toUtcMs} ${span.kwh}`));
  const counters = new Set(existing.counters.map((counter) => `${counter.meterId} ${counter.atUtcMs} ${counter.kwh}`));
  return (
    sparse.spans.every((span) => spans.has(`${span.meterId} ${span.fromUtcMs} ${span.toUtcMs} ${span.kwh}`)) &&
    sparse.counters.every((counter) => counters.has(`${counter.meterId} ${counter.atUtcMs} ${counter.kwh}`))
  );
}

/** Whether every value of the new pages stands in the book already, under whatever file name it came. */
function bringsNothing(series: readonly MeteredPages[], stored: readonly StoredSeries[]): boolean {
  return series.every((pages) => {
    const fresh = joinPages(pages);
    const existing = stored.find(
      (s) => s.quantity === pages.quantity && s.meterId === pages.meterId && s.axis.stepMinutes === pages.stepMinutes,
    );
    if (!fresh || !existing) return !fresh;
    const shift = Math.round((fresh.axis.startUtcMs - existing.axis.startUtcMs) / (pages.stepMinutes * 60_000));
    return fresh.values.every((value, i) => Number.isNaN(value) || existing.values[i + shift] === value);
  });
}

function throwIfCancelled(signal: AbortSignal): void {
  if (signal.aborted) throw new Refusal("cancelled", "import-cancelled");
}

async function stagedFile(staging: Staging, book: Book, uploadId: string): Promise<StagedFile> {
  const staged = await staging.find(uploadId);
  if (staged?.bookId === book.id) return staged;
  throw new Refusal("upload-not-found", "upload-gone", { uploadId });
}

/** Undoes a batch whole, or lets it stand again. */
export async function setBatchUndone(store: ImportStore, book: Book, batchId: number, undone: boolean): Promise<Batch> {
  const existing = (await store.batchesOf(book.id)).find((candidate) => candidate.id === batchId);
  if (!undone && existing && (await store.standingBatch(book.id, existing.kind, existing.sha256))) {
    throw new Refusal("file-refused", "imported-again", { fileName: existing.fileName, batchId });
  }
  const batch = await store.setUndone(book.id, batchId, undone);
  if (!batch) throw new Refusal("batch-not-found", "batch-not-found", { batchId });
  return batch;
}
