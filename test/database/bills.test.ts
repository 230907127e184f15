import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { billSchema } from "@/contracts/bills";
import { type Book, createBook } from "@/usecases/books";
import { keepBills } from "@/usecases/money";
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

const bill = (from: string, to: string, amount: string, parts: object = {}) =>
  billSchema.parse({ from, to, importKwh: 300, amount, ...parts });

describe("bills in PostgreSQL", () => {
  it("come back as the numerals that went in, in order of their days", async () => {
    const amounts = ["0.10", "-12.40", "123456789.12345678", "70.005"];
    const months = ["01", "02", "03", "04"];
    const kept = months.map((month, k) =>
      bill(`2024-${month}-01`, `2024-${month}-28`, amounts[k]!, {
        importByBandKwh: { peak: 100.5, "off-peak": 199.5 },
        exportKwh: k === 0 ? null : 12,
      }),
    );
    await keepBills(services.bills, book, [...kept].reverse(), 0);
    expect(await services.bills.of(book.id)).toEqual(kept);
  });

  it("with a fault are refused whole: what stood stays", async () => {
    await keepBills(services.bills, book, [bill("2024-01-01", "2024-01-31", "60.00")], 0);
    const overlapping = [bill("2024-01-01", "2024-01-31", "60.00"), bill("2024-01-31", "2024-02-29", "61.00")];
    await expect(keepBills(services.bills, book, overlapping, 1)).rejects.toMatchObject({
      reason: "bill-fault",
      facts: { fault: "overlap", row: 2, other: 1 },
    });
    expect(await services.bills.of(book.id)).toHaveLength(1);
  });

  it("of two editors that save at once: one is stored whole, the other is told", async () => {
    const own = (from: string, to: string) => keepBills(services.bills, book, [bill(from, to, "60.00")], 0);
    const ends = await Promise.allSettled([
      own("2024-01-01", "2024-01-31"),
      own("2024-01-15", "2024-02-14"),
      own("2024-01-20", "2024-02-20"),
    ]);
    const refused = ends.filter((end) => end.status === "rejected");
    expect(refused).toHaveLength(2);
    for (const { reason } of refused) expect(reason).toMatchObject({ code: "book-changed", reason: "bills-changed" });
    expect(await services.bills.of(book.id)).toHaveLength(1);
    expect(await services.bills.versionOf(book.id)).toBe(1);
  });

  it("that print production are readings of a book without any, and the book's figures follow them", async () => {
    const versionNow = async (): Promise<number> => (await services.books.find(book.slug))!.version;
    const meteredOf = async (): Promise<(number | null)[]> => {
      const { report } = await services.ledgerOf((await services.books.bySlug(book.slug))!);
      return report.months.map(({ meteredKwh }) => meteredKwh && Math.round(meteredKwh));
    };
    const before = await versionNow();
    const printed = (kwh: number | null) => [bill("2024-01-01", "2024-01-31", "60.00", { productionKwh: kwh })];
    await keepBills(services.bills, book, printed(210), 0);
    expect(await versionNow()).toBe(before + 1);
    expect(await meteredOf()).toEqual([210]);
    await keepBills(services.bills, book, printed(220), 1);
    expect(await meteredOf()).toEqual([220]);
    // Another amount is none of the ledger's business.
    await keepBills(services.bills, book, [{ ...printed(220)[0]!, amount: "61.00" }], 2);
    expect(await versionNow()).toBe(before + 2);
    await keepBills(services.bills, book, printed(null), 3);
    expect(await meteredOf()).toEqual([]);
  });

  it("that no form would take are none for the database either", async () => {
    const insert = (from: string, to: string) =>
      services.sequelize.query("insert into bills (book_id, from_day, to_day, import_kwh, amount) values (:book, :from, :to, 1, 1)", {
        replacements: { book: book.id, from, to },
      });
    await insert("2024-01-01", "2024-01-31");
    const broken = (name: string) => ({ parent: { constraint: name } });
    await expect(insert("2024-01-31", "2024-02-28")).rejects.toMatchObject(broken("bills_do_not_overlap"));
    await expect(insert("2025-01-01", "2026-02-05")).rejects.toMatchObject(broken("bills_are_short"));
    await expect(insert("9999-12-01", "9999-12-31")).rejects.toMatchObject(broken("bills_lie_in_our_time"));
    await insert("2024-02-01", "2025-03-06");
  });

  it("go with their book", async () => {
    await keepBills(services.bills, book, [bill("2024-01-01", "2024-01-31", "60.00")], 0);
    await services.books.remove(book.id);
    expect(await services.bills.of(book.id)).toEqual([]);
  });
});

describe("the ferry office's money", () => {
  it("runs every bill again to the cent, and its savings hold what the simulator knows", async () => {
    await emptyShelf(services);
    await finishDemo(services);
    const ferry = (await allBooks(services)).find(({ slug }) => slug === "ferry-office")!;
    const { billsReport, comparison, report } = await services.moneyOf(ferry);
    expect(billsReport!.planTest).toMatchObject({ months: 60, exact: 60 });
    const reRun = billsReport!.methods.find(({ method }) => method === "re-run")!;
    // The simulated's own: the same use charged hour by hour without the array.
    expect(Math.abs(Number(reRun.total) / 7752.42 - 1)).toBeLessThan(0.02);
    expect(comparison!.rows.map(({ id }) => id)).toContain("sun");
    expect(report.payback!.risingYears).toBeGreaterThan(10);
    expect(await services.moneyOf(ferry)).toEqual(await services.moneyOf(ferry));
  });
});
