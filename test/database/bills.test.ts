import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { billSchema } from "@/contracts/bills";
import { type Book, createBook } from "@/usecases/books";
import { keepBills } from "@/usecases/money";
import { finishDemo, type Services } from "@/wiring";
import { siteInput } from "../site-builder";
import { freshServices } from "./services";

let services: Services;
let book: Book;

beforeAll(async () => {
  services = await freshServices();
});
beforeEach(async () => {
  for (const old of await services.books.list()) await services.books.remove(old.id);
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
    await keepBills(services.bills, book, [...kept].reverse());
    expect(await services.bills.of(book.id)).toEqual(kept);
  });

  it("with a fault are refused whole: what stood stays", async () => {
    await keepBills(services.bills, book, [bill("2024-01-01", "2024-01-31", "60.00")]);
    const overlapping = [bill("2024-01-01", "2024-01-31", "60.00"), bill("2024-01-31", "2024-02-29", "61.00")];
    await expect(keepBills(services.bills, book, overlapping)).rejects.toMatchObject({
      reason: "bill-fault",
      facts: { fault: "overlap", row: 2, other: 1 },
    });
    expect(await services.bills.of(book.id)).toHaveLength(1);
  });

  it("go with their book", async () => {
    await keepBills(services.bills, book, [bill("2024-01-01", "2024-01-31", "60.00")]);
    await services.books.remove(book.id);
    expect(await services.bills.of(book.id)).toEqual([]);
  });
});

describe("the ferry office's money", () => {
  it("runs every bill again to the cent, and its savings hold what the simulator knows", async () => {
    for (const old of await services.books.list()) await services.books.remove(old.id);
    await finishDemo(services);
    const ferry = (await services.books.list()).find(({ slug }) => slug === "ferry-office")!;
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
