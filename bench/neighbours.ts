import { DEMO_BOOKS, recordModules, simulateWeather, simulateWithTruth } from "@simulators";
import { importOptionsSchema } from "@/contracts/imports";
import { packNeighbours } from "@/contracts/neighbours";
import { siteSchema } from "@/contracts/site";
import { partOfSite } from "@/core/site";
import { migrate } from "@/data/migrate";
import { createBook } from "@/usecases/books";
import { asModuleEnergies, type MeteredPages } from "@/usecases/imports";
import { modulesOf, neighboursOf } from "@/usecases/neighbours";
import { openServices } from "@/wiring";

export interface NeighbourFigures {
  readonly modules: number;
  /** From the database to what the page is made of. */
  readonly openMs: number;
  /** Of it reading. */
  readonly readMs: number;
}

const MODULES = 100;
const STEP = 15;
const PER_DAY = 96;

/** A hundred modules over a year of quarters of an hour: from the database to the odd ones. */
export async function measureNeighbours(): Promise<NeighbourFigures> {
  const demo = DEMO_BOOKS.find(({ modules }) => modules !== undefined)!;
  const document = siteSchema.parse({
    ...demo.site,
    name: `Bench modules ${Date.now()}`,
    arrays: demo.site.arrays.map((array) => (array.id === "classes" ? { ...array, count: MODULES, rows: 10 } : array)),
  });
  const roof = partOfSite(document, ["classes"]);
  const axis = { startUtcMs: Date.UTC(2025, 0, 1), stepMinutes: STEP, count: 365 * PER_DAY };
  const weather = simulateWeather(demo.climate, document.place, axis, demo.seed);
  const { energyKwh } = simulateWithTruth(roof, demo.truth, weather);
  const truth = { ...demo.modules!, swapped: [], from: "2025-01-01T00:00:00Z", to: "2026-01-01T00:00:00Z" };
  const recorded = recordModules(document, truth, { axis, arrayKwh: energyKwh, rainMm: weather.rainMm }, demo.seed);
  const services = openServices({ ...process.env }, { mayMigrate: true });
  await migrate(services.sequelize);
  const book = await createBook(services.books, document);
  const firstDay = axis.startUtcMs / 86_400_000;
  const series = recorded.map(({ id, kwh }): MeteredPages => {
    const days = new Map(Array.from({ length: 365 }, (_, day) => [firstDay + day, kwh.slice(day * PER_DAY, (day + 1) * PER_DAY)] as const));
    return { quantity: "energy_kwh", meterId: id, stepMinutes: STEP, phaseMinutes: 0, days };
  });
  const batch = {
    bookId: book.id,
    origin: "measured" as const,
    kind: "modules" as const,
    fileName: "modules.csv",
    sha256: "0".repeat(64),
    byteCount: 0,
    rowCount: axis.count,
    valueCount: axis.count * MODULES,
    firstUtcMs: axis.startUtcMs,
    lastUtcMs: axis.startUtcMs + (axis.count - 1) * STEP * 60_000,
    stepMinutes: STEP,
    options: importOptionsSchema.parse({}),
    notices: [],
  };
  await services.imports.storeSeries(batch, asModuleEnergies(series), new AbortController().signal);
  const readMs = await bestOf(() => modulesOf(services.readings, book.id));
  const openMs = await bestOf(async () => {
    const report = await neighboursOf((own) => modulesOf(services.readings, own.id), book);
    return packNeighbours(report!);
  });
  await services.close();
  return { modules: MODULES, openMs, readMs };
}

const PASSES = 3;

async function bestOf(work: () => Promise<unknown>): Promise<number> {
  let best = Number.POSITIVE_INFINITY;
  for (let pass = 0; pass < PASSES; pass++) {
    const started = performance.now();
    await work();
    best = Math.min(best, performance.now() - started);
  }
  return best;
}
