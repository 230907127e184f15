import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { type ImportEvent, type ImportOptions, importOptionsSchema } from "@/contracts/imports";
import { UPLOAD_LIMIT_BYTES } from "@/contracts/uploads";
import { newVariantSchema } from "@/contracts/what-if";
import { type Book, createBook, saveSite } from "@/usecases/books";
import { coverageOf, previewImport, runImport, setBatchUndone } from "@/usecases/imports";
import { Refusal } from "@/usecases/refusal";
import { keepVariant, removeVariant } from "@/usecases/variants";
import { finishDemo, type Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { allBooks, emptyShelf, freshServices } from "./services";

let services: Services;
let book: Book;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  await emptyShelf(services);
  book = await createBook(services.books, siteInput());
});
afterAll(() => services.close());

const options = (parts: Partial<ImportOptions> = {}): ImportOptions => importOptionsSchema.parse(parts);

async function stage(text: string, fileName = "meter.csv", announcedBytes: number | null = null): Promise<string> {
  async function* body() {
    yield new TextEncoder().encode(text);
  }
  return (await services.staging.put({ bookId: book.id, fileName, announcedBytes, body: body() })).id;
}

async function bring(text: string, fileName?: string, signal = new AbortController().signal): Promise<ImportEvent> {
  const events: ImportEvent[] = [];
  for await (const event of runImport(services, book, await stage(text, fileName), options(), signal)) events.push(event);
  return events.at(-1)!;
}

const day = (date: string, kwh: (hour: number) => number | string): string =>
  Array.from({ length: 24 }, (_, hour) => `${date}T${String(hour).padStart(2, "0")}:00Z,${kwh(hour)}`).join("\n");
const csv = (...days: string[]): string => `time,energy_kwh\n${days.join("\n")}\n`;
const count = async (table: string): Promise<number> =>
  Number(((await services.sequelize.query(`select count(*) from ${table}`))[0][0] as { count: string }).count);
const production = async (): Promise<number[]> => [...((await services.readings.seriesOf(book.id, "production"))[0]?.values ?? [])];

describe("an import", () => {
  it("keeps one row a series and day, and gives every value back to the last bit", async () => {
    const noisy = (hour: number) => 0.1 + hour / 3;
    const event = await bring(
      csv(
        day("2023-06-01", noisy),
        day("2023-06-03", (hour) => (hour === 5 ? "" : noisy(hour))),
      ),
    );
    expect(event).toMatchObject({ kind: "done", pages: 2, batch: { rowCount: 48, valueCount: 47, stepMinutes: 60 } });
    expect(await count("day_pages")).toBe(2);
    const values = await production();
    expect(values).toHaveLength(72);
    expect(values[23]).toBe(noisy(23));
    expect([values[30], values[53]]).toEqual([Number.NaN, Number.NaN]);
  });

  it("of the same file again changes nothing", async () => {
    const text = csv(day("2023-06-01", () => 1));
    await bring(text);
    await expect(bring(text)).rejects.toMatchObject({ code: "file-refused", problems: [{ code: "already-imported" }] });
    expect([await count("import_batches"), await count("day_pages")]).toEqual([1, 1]);
  });

  it("of the same values under another form changes nothing either", async () => {
    await bring(
      csv(
        day("2023-06-01", () => 1),
        day("2023-06-02", () => 2),
      ),
    );
    expect(await bring(csv(day("2023-06-02", () => 2)), "again.csv")).toEqual({ kind: "nothing-new" });
    expect(await count("import_batches")).toBe(1);
  });

  it("lies over an earlier one, and can be undone whole in any order", async () => {
    const first = await bring(csv(day("2023-06-01", () => 1)));
    await bring(csv(day("2023-06-01", (hour) => (hour < 12 ? 7 : ""))), "correction.csv");
    expect([(await production())[0], (await production())[12]]).toEqual([7, 1]);
    if (first.kind !== "done") throw new Error("not stored");
    await setBatchUndone(services.imports, book, first.batch.id, true);
    expect([(await production())[0], (await production())[12]]).toEqual([7, Number.NaN]);
    await setBatchUndone(services.imports, book, first.batch.id, false);
    expect((await production())[12]).toBe(1);
  });

  it("that is cancelled stores nothing", async () => {
    const stop = new AbortController();
    stop.abort();
    await expect(bring(csv(day("2023-06-01", () => 1)), "meter.csv", stop.signal)).rejects.toMatchObject({ code: "cancelled" });
    expect([await count("import_batches"), await count("day_pages"), await count("series")]).toEqual([0, 0, 0]);
  });

  it("with one bad row in thousands stores nothing in part", async () => {
    const days = Array.from({ length: 27 }, (_, i) =>
      day(`2023-02-${String(i + 1).padStart(2, "0")}`, (hour) => (i === 26 && hour === 23 ? "oops" : 1)),
    );
    await expect(bring(csv(...days))).rejects.toMatchObject({
      code: "file-refused",
      problems: [{ places: [{ row: 649, column: "energy_kwh", value: "oops" }] }],
    });
    expect([await count("import_batches"), await count("day_pages")]).toEqual([0, 0]);
  });

  it("of a promise stands until it is undone", async () => {
    const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
    const event = await bring(`month,kwh\n${months.map((month, i) => `${month},${100 + i}`).join("\n")}`, "promise.csv");
    expect(await services.readings.promiseOf(book.id)).toEqual(months.map((_, i) => 100 + i));
    if (event.kind === "done") await setBatchUndone(services.imports, book, event.batch.id, true);
    expect(await services.readings.promiseOf(book.id)).toBeNull();
  });

  it("raises the book's version, so that no stale ledger is shown", async () => {
    await bring(csv(day("2023-06-01", () => 1)));
    expect((await services.books.bySlug(book.slug))!.version).toBe(book.version + 1);
  });
});

describe("a preview", () => {
  it("tells what would come in and stores nothing", async () => {
    const id = await stage(csv(day("2023-06-01", () => 1.5)));
    const preview = await previewImport(services, book, id, options());
    expect(preview).toMatchObject({
      kind: "production",
      stepMinutes: 60,
      rowCount: 24,
      energyKwh: 36,
      problems: [],
      columns: [{ quantity: "energy_kwh", unit: "kWh" }],
    });
    expect(await count("import_batches")).toBe(0);
  });

  it("notices more energy than the plant can make", async () => {
    const id = await stage(csv(day("2023-06-01", (hour) => (hour === 12 ? 450 : 1))));
    const { problems } = await previewImport(services, book, id, options());
    expect(problems).toMatchObject([{ code: "implausible-energy", severity: "notice", count: 1, places: [{ value: "450" }] }]);
  });

  it("refuses a meter that the site lacks", async () => {
    const id = await stage(csv(day("2023-06-01", () => 1)).replace("energy_kwh", "energy_kwh:barn"));
    expect((await previewImport(services, book, id, options())).problems[0]).toMatchObject({
      code: "unknown-meter",
      facts: { meter: "barn", known: "main" },
    });
  });
});

describe("an upload", () => {
  it("that ends early is refused and forgotten", async () => {
    await expect(stage("time,energy_kwh\n", "cut.csv", 5000)).rejects.toMatchObject({ code: "upload-cut-short" });
  });

  it("of two gigabytes is refused before a byte of it is read", async () => {
    await expect(stage("", "huge.csv", 2_000_000_000)).rejects.toMatchObject({
      code: "upload-too-large",
      reason: "upload-too-large",
    });
    expect(UPLOAD_LIMIT_BYTES).toBeLessThan(2_000_000_000);
  });

  it("of another book is not found", async () => {
    const id = await stage(csv(day("2023-06-01", () => 1)));
    const other = await createBook(services.books, siteInput({ name: "Other" }));
    await expect(previewImport(services, other, id, options())).rejects.toMatchObject({ code: "upload-not-found" });
  });
});

describe("a book", () => {
  it("is saved over the version that was seen, and not over a newer one", async () => {
    const saved = await saveSite(services.books, book.slug, book.version, siteInput({ name: "Renamed" }));
    expect([saved.site.name, saved.version]).toEqual(["Renamed", book.version + 1]);
    await expect(saveSite(services.books, book.slug, book.version, siteInput())).rejects.toMatchObject({ code: "book-changed" });
  });

  it("is refused whole with a bad site", async () => {
    await expect(createBook(services.books, siteInput({ albedo: 3 }))).rejects.toBeInstanceOf(Refusal);
    expect(await allBooks(services)).toHaveLength(1);
  });

  it("of a name that is taken gets an address of its own", async () => {
    expect((await createBook(services.books, siteInput())).slug).toBe(`${book.slug}-2`);
  });

  it("takes all that is in it along when it is removed", async () => {
    await bring(csv(day("2023-06-01", () => 1)));
    await services.books.remove(book.id);
    expect([await count("import_batches"), await count("series"), await count("day_pages")]).toEqual([0, 0, 0]);
  });
});

describe("the database itself", () => {
  const refused = (sql: string) => expect(services.sequelize.query(sql)).rejects.toThrow();

  it("keeps its vocabulary closed", async () => {
    await refused(`insert into series (book_id, quantity, step_minutes) values ('${book.id}', 'zap_w', 60)`);
    await refused(`insert into series (book_id, quantity, step_minutes) values ('${book.id}', 'power_w', 7)`);
    await refused(`insert into books (id, slug, site) values (gen_random_uuid(), 'x', '{}')`);
  });

  it("can be migrated down and up again", async () => {
    const again = await freshServices();
    expect(await allBooks(again)).toEqual([]);
    await again.close();
    book = await createBook(services.books, siteInput());
  });
});

describe("the demo", () => {
  it("is loaded once into an empty shelf, seven books of five years", async () => {
    await services.books.remove(book.id);
    expect(await finishDemo(services)).toBe(7);
    expect(await finishDemo(services)).toBe(0);
    for (const demo of await allBooks(services)) {
      const { report } = await services.ledgerOf(demo);
      expect(report.years.map((year) => year.key)).toEqual(["2021", "2022", "2023", "2024", "2025"]);
      expect(Math.abs(report.all.unexplainedKwh! / report.all.expectedKwh)).toBeLessThan(0.05);
      const coverage = await coverageOf(services.readings, demo.id, demo.site.place.timeZone);
      const usual = ["air_temperature_c", "energy_kwh", "ghi_w_m2", "rain_mm", "wind_speed_m_s"];
      const snowy = ["alpine-hut", "hill-school"].includes(demo.slug) ? ["snow_depth_cm"] : [];
      const trial = demo.slug === "hill-school" ? ["energy_kwh", "energy_kwh"] : [];
      const existing = await services.readings.heldOf(demo.id);
      expect(existing.map(({ quantity, meterId }) => `${quantity} ${meterId}`)).toEqual(
        expect.arrayContaining(coverage.map(({ quantity, meterId }) => `${quantity} ${meterId}`)),
      );
      expect(coverage.map((series) => series.quantity).sort()).toEqual([...usual, ...snowy, ...trial].sort());
    }
  });
});

describe("a book that an older edition stored", () => {
  const storeSite = (site: object) =>
    services.sequelize.query("update books set site = :site where id = :id", {
      replacements: { id: book.id, site: JSON.stringify(site) },
    });

  it("is read with the defaults of what came later, and saved whole", async () => {
    const { obstacles: _obstacles, horizon: _horizon, arrays, place, ...rest } = book.site;
    const old = {
      ...rest,
      place: { latitudeDeg: place.latitudeDeg, longitudeDeg: place.longitudeDeg, timeZone: place.timeZone },
      arrays: arrays.map(({ rows: _rows, orientation: _orientation, baseHeightM: _base, rack: _rack, ...array }) => array),
    };
    await storeSite(old);
    const read = (await services.books.bySlug(book.slug))!;
    expect(read.site).toMatchObject({ obstacles: [], horizon: [], place: { recordLowC: null, elevationM: 0 } });
    expect(read.site.arrays[0]).toMatchObject({ rows: null, orientation: "portrait", baseHeightM: 0, rack: null });
    const saved = await saveSite(services.books, book.slug, read.version, read.site);
    expect(saved.version).toBe(read.version + 1);
  });

  it("that can't be read is set aside, with what is wrong in it", async () => {
    await storeSite({ ...book.site, arrays: [] });
    await expect(services.books.bySlug(book.slug)).rejects.toMatchObject({
      reason: "set-aside-document",
      problems: expect.arrayContaining([expect.objectContaining({ severity: "error" })]) as unknown,
    });
    await storeSite(book.site);
  });
});

describe("a variant", () => {
  const variant = (name: string, tiltDeg = 20) => newVariantSchema.parse({ name, whatIf: { arrayId: "a", tiltDeg } });

  it("is kept, replaced under its name, and removed", async () => {
    const kept = await keepVariant(services.variants, book, variant("steeper"));
    const again = await keepVariant(services.variants, book, { ...variant("steeper", 35), over: kept.version });
    expect(again.id).toBe(kept.id);
    expect(await services.variants.of(book.id)).toEqual([
      { id: kept.id, version: 2, name: "steeper", whatIf: { arrayId: "a", tiltDeg: 35 } },
    ]);
    await expect(keepVariant(services.variants, book, variant("steeper"))).rejects.toMatchObject({ reason: "variant-changed" });
    await removeVariant(services.variants, book, kept.id);
    await expect(removeVariant(services.variants, book, kept.id)).rejects.toMatchObject({ code: "variant-not-found" });
  });

  it("of an array or a module that the book lacks is refused, and nothing is kept", async () => {
    const other = newVariantSchema.parse({ name: "x", whatIf: { arrayId: "b", tiltDeg: 5 } });
    await expect(keepVariant(services.variants, book, other)).rejects.toMatchObject({ code: "variant-refused" });
    const module = newVariantSchema.parse({ name: "x", whatIf: { module: "unknown" } });
    await expect(keepVariant(services.variants, book, module)).rejects.toMatchObject({ code: "variant-refused" });
    expect(await services.variants.of(book.id)).toEqual([]);
  });

  it("is one of 24 at most, however many are kept at once", async () => {
    const ends = await Promise.allSettled(
      Array.from({ length: 30 }, (_, k) => keepVariant(services.variants, book, variant(`number ${k}`))),
    );
    expect(ends.filter(({ status }) => status === "fulfilled")).toHaveLength(24);
    expect(ends.find((end) => end.status === "rejected")?.reason).toMatchObject({ reason: "too-many-variants" });
  });

  it("does not belong to another book", async () => {
    const kept = await keepVariant(services.variants, book, variant("steeper"));
    const other = await createBook(services.books, siteInput());
    await expect(removeVariant(services.variants, other, kept.id)).rejects.toBeInstanceOf(Refusal);
  });
});

it("a packed page can be read in SQL", async () => {
  await bring(csv(day("2023-05-01", (hour) => (hour === 3 ? "" : hour * 1.25 - 0))));
  const [rows] = await services.sequelize.query("select page_values(readings) as page from day_pages");
  const page = (rows as { page: (number | string)[] }[])[0]!.page;
  expect([page[0], String(page[3]), page[12], page[23]]).toEqual([0, "NaN", 15, 28.75]);
});
