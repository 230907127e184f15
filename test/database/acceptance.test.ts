import { ledgerOfShare } from "@test/open-ledger";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { acceptanceQuestionSchema, type KeptTest } from "@/contracts/acceptance";
import { keepTest, measuredTest, removeTest, repeatTest, type TestPorts } from "@/usecases/acceptance";
import { type Book, createBook, saveSite } from "@/usecases/books";
import type { Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { emptyShelf, freshServices } from "./services";

let services: Services;
let book: Book;
let meteredFrac = 0.96;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  await emptyShelf(services);
  book = await createBook(services.books, siteInput());
  meteredFrac = 0.96;
});
afterAll(() => services.close());

const ports = (): TestPorts => ({
  ...{ tests: services.tests, entries: services.entries, imports: services.imports },
  measure: async ({ site }, asked) =>
    measuredTest(ledgerOfShare({ site, start: "2024-01-01T00:00:00Z", days: 120, meteredFrac: () => meteredFrac }), asked),
});
const question = acceptanceQuestionSchema.parse({ kind: "capacity", averageMinutes: 60, leastWm2: 200 });
const keep = (name: string): Promise<KeptTest> => keepTest(ports(), book, { name, question });

describe("kept tests", () => {
  it("stand with their figures and give the same again", async () => {
    const kept = await keep("handover");
    expect(kept.report).toMatchObject({ kind: "capacity" });
    expect(kept.frozen).toMatchObject({ siteVersion: 1, files: [] });
    expect(await services.tests.of(book.id)).toEqual([kept]);
    expect(await repeatTest(ports(), book, kept.id)).toMatchObject({ isSame: true, areReadingsSame: true, isSiteSame: true });
  });

  it("are held against what was kept: another site is said and not used, other readings are told", async () => {
    const kept = await keep("handover");
    await saveSite(services.books, book.slug, book.version, { ...book.site, arrays: [{ ...book.site.arrays[0]!, tiltDeg: 60 }] });
    const changed = (await services.books.bySlug(book.slug))!;
    expect(await repeatTest(ports(), changed, kept.id)).toMatchObject({ isSiteSame: false });
    meteredFrac = 0.9;
    expect(await repeatTest(ports(), book, kept.id)).toMatchObject({ isSame: false, areReadingsSame: false, isSiteSame: true });
    // What was kept stays as it was.
    expect((await services.tests.of(book.id))[0]).toEqual(kept);
  });

  it("are not written over, are taken away one by one, and go with their book", async () => {
    const kept = await keep("handover");
    await expect(keep("handover")).rejects.toMatchObject({ reason: "test-named-already" });
    await keep("second year");
    await removeTest(ports(), book, kept.id);
    await expect(removeTest(ports(), book, kept.id)).rejects.toMatchObject({ code: "test-not-found" });
    await expect(repeatTest(ports(), book, kept.id)).rejects.toMatchObject({ code: "test-not-found" });
    await services.books.remove(book.id);
    const [rows] = await services.sequelize.query("select count(*)::int as count from kept_tests");
    expect(rows).toEqual([{ count: 0 }]);
  });
});
