import { randomPlant } from "@simulators";
import { beforeEach, describe, expect, it } from "vitest";
import type { Keeping } from "@/contracts/keeping";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
import { auditInWords, driftInWords } from "@/wording/keeping";
import { simulate } from "../../../scripts/accuracy-rows";
import { accountLines, type KeepingStore, keep, ledgerPage, postingRows } from ".";
import type { Trail } from "./ports";

const { report, ledger, site } = simulate({ ...randomPlant(0, false), lastUtc: "2022-06-30T22:00:00Z" });
const book = { id: "b", slug: "b", site, version: 1, isDemo: false };
const MONTH = "2021-06";

let kept: Keeping;
let store: KeepingStore;
beforeEach(() => {
  kept = { transfers: [], accepted: [], closed: [], audit: [] };
  const trail = (month: string, what: Trail): void => {
    kept = { ...kept, audit: [{ at: "2022-01-01T00:00:00.000Z", month, ...what }, ...kept.audit] };
  };
  store = {
    of: async () => kept,
    linesOf: async () => new Map([[book.id, kept]]),
    async move(_book, transfer, what) {
      kept = { ...kept, transfers: [...kept.transfers, { ...transfer, id: kept.transfers.length + 1, madeAt: "" }] };
      trail(transfer.month, what);
    },
    async takeBack(_book, id, month, what) {
      const left = kept.transfers.filter((transfer) => transfer.id !== id);
      const gone = left.length < kept.transfers.length;
      kept = { ...kept, transfers: left };
      if (gone) trail(month, what);
      return gone;
    },
    async accept(_book, month, account, what) {
      kept = { ...kept, accepted: [...kept.accepted, { month, account: account as "snow" }] };
      trail(month, what);
    },
    async close(_book, month, what) {
      kept = { ...kept, closed: [...kept.closed, { ...month, closedAt: "" }] };
      trail(month.month, what);
    },
    async reopen(_book, month, what) {
      kept = { ...kept, closed: kept.closed.filter((closed) => closed.month !== month) };
      trail(month, what);
    },
  };
});
const { found } = report;
const ground = () => ({ ledger, found, keeping: kept });
const page = (parts: Partial<Parameters<typeof ledgerPage>[0]> = {}) =>
  ledgerPage({ ledger, found, keeping: kept, fiscalStart: 1, year: "2021", ...parts });
const planned = ledger.report.months.find(({ key }) => key === MONTH)!;
const inPage = (parts: Parameters<typeof page>[0] = {}): LedgerLine => page(parts).lines.find(({ key }) => key === MONTH)!;

describe("a month's postings", () => {
  it("are moved with a reason, and every step stands in the trail", async () => {
    await keep(store, book, ground(), {
      action: "move",
      month: MONTH,
      from: "soiling",
      to: "downtime",
      kwh: 12.5,
      reason: "the pump house dust was a trip",
    });
    expect(auditInWords(kept.audit[0]!)).toMatch(/12\.5 kWh moved from soiling to outage: the pump house/);
    const before = accountLines(ledger.report.months, { found, keeping: { transfers: [], closed: [] } }).months.find(
      ({ key }) => key === MONTH,
    )!;
    expect(inPage().foundKwh.soiling).toBeCloseTo(before.foundKwh.soiling - 12.5, 9);
    expect(inPage().expectedKwh).toBe(planned.expectedKwh);
    await keep(store, book, ground(), { action: "take-back", month: MONTH, id: 1 });
    expect(inPage()).toEqual(before);
  });

  it("are rejected to the unexplained as a whole", async () => {
    await keep(store, book, ground(), { action: "reject", month: MONTH, account: "soiling", reason: "not before the claim" });
    const rows = postingRows(planned, ground());
    expect(rows.find(({ account }) => account === "soiling")!.finalKwh).toBeCloseTo(0, 9);
    const sums = (of: (row: (typeof rows)[number]) => number): number => rows.reduce((sum, row) => sum + of(row), 0);
    expect(sums((row) => row.finalKwh)).toBeCloseTo(
      sums((row) => row.foundKwh),
      9,
    );
  });

  it("keep their figures when the month is closed and the evidence changes, and show the drift", async () => {
    await keep(store, book, ground(), { action: "close", month: MONTH, note: "signed" });
    expect(driftInWords(page().drift)).toEqual([]);
    const changed = found.map((month) => ({ ...month, foundKwh: { ...month.foundKwh, rating: month.foundKwh.rating + 20 } }));
    const before = inPage();
    expect(driftInWords(page({ found: changed }).drift).join()).toMatch(/2021-06 \(expected .?0 kWh, unexplained .20 kWh\)/);
    expect(inPage({ found: changed })).toEqual(before);
    const july = (parts: Parameters<typeof page>[0]) => page(parts).lines.find(({ key }) => key === "2021-07")!;
    expect(july({ found: changed }).unexplainedKwh).not.toBe(july({}).unexplainedKwh);
    expect(july({ found: changed }).expectedKwh).toBe(july({}).expectedKwh);
    const kind = (account: string) => kept.closed[0]!.postings.find((posting) => posting.account === account)!;
    expect(kind("soiling").foundKwh).toBeCloseTo(ledgerPostings(before).soiling, 9);
    expect(kind("soiling").plannedKwh).toBeCloseTo(planned.accountsKwh.soiling, 9);
    expect(kind("unexplained").plannedKwh).toBeNull();
  });

  it("can't be changed while closed, and are reopened with a reason", async () => {
    await keep(store, book, ground(), { action: "close", month: MONTH, note: "" });
    await expect(keep(store, book, ground(), { action: "accept", month: MONTH, account: "snow" })).rejects.toThrow(/month-closed/);
    await keep(store, book, ground(), { action: "reopen", month: MONTH, reason: "the meter was read again" });
    await keep(store, book, ground(), { action: "accept", month: MONTH, account: "snow" });
    expect(kept.audit.map(auditInWords)).toEqual(["snow accepted", "reopened: the meter was read again", "closed"]);
  });

  it("wait while causes are sought anew", async () => {
    const waiting = { ...ground(), found: null };
    await expect(keep(store, book, waiting, { action: "close", month: MONTH, note: "" })).rejects.toThrow(/causes-sought-anew/);
  });

  it("of a month that is not there are refused by its name", async () => {
    await expect(keep(store, book, ground(), { action: "accept", month: "2031-01", account: "snow" })).rejects.toMatchObject({
      code: "month-not-found",
      facts: { month: "2031-01" },
    });
  });
});

describe("a page of the ledger", () => {
  it("cuts years where the owner's year begins", () => {
    expect(
      page({ fiscalStart: 7, year: "FY2022" })
        .lines.map(({ key }) => key)
        .slice(0, 2),
    ).toEqual(["2021-07", "2021-08"]);
    expect(page({ fiscalStart: 7 }).years).toEqual(["FY2021", "FY2022"]);
    expect(page().lines).toHaveLength(12);
  });

  it("sums to the same whole whichever month a year begins in", () => {
    const total = (fiscalStart: number): number => page({ fiscalStart, year: "all" }).sum.meteredKwh!;
    for (const start of [4, 7, 10]) expect(total(start)).toBeCloseTo(total(1), 6);
  });

  it("has all that is missing as unexplained until causes were sought", () => {
    const before = inPage({ found: null });
    expect(before).toEqual(planned);
    expect(inPage()).toMatchObject({ isSought: true, expectedKwh: before.expectedKwh, meteredKwh: before.meteredKwh });
  });

  it("says when a year is asked for that the book does not have, and shows the last", () => {
    expect(page({ year: "1987" })).toMatchObject({ unknownYear: "1987", selected: "2022" });
    expect(page({ year: undefined }).unknownYear).toBeNull();
    expect(page({ year: "all" }).unknownYear).toBeNull();
  });
});
