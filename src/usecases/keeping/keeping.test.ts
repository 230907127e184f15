import { randomPlant } from "@simulators";
import { beforeEach, describe, expect, it } from "vitest";
import type { Keeping } from "@/contracts/keeping";
import { withTransfers } from "@/core/ledger";
import { auditInWords, driftInWords } from "@/wording/keeping";
import { simulate } from "../../../scripts/accuracy-rows";
import { type KeepingStore, keep, ledgerPage, postingRows } from ".";
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
const ground = () => ({ ledger, causes: report, keeping: kept });
const page = (parts: Partial<Parameters<typeof ledgerPage>[0]> = {}) =>
  ledgerPage({ ledger, causes: report, keeping: kept, posting: "evidence", fiscalStart: 1, year: "2021", ...parts });

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
    expect(auditInWords(kept.audit[0]!)).toMatch(/12\.5 kWh moved from soiling to downtime: the pump house/);
    const before = report.months.find(({ key }) => key === MONTH)!;
    const now = page().lines.find(({ key }) => key === MONTH)!;
    expect(now.accountsKwh.soiling).toBeCloseTo(before.accountsKwh.soiling - 12.5, 9);
    await keep(store, book, ground(), { action: "take-back", month: MONTH, id: 1 });
    expect(page().lines.find(({ key }) => key === MONTH)).toEqual(before);
  });

  it("are rejected to the remainder as a whole", async () => {
    await keep(store, book, ground(), { action: "reject", month: MONTH, account: "ageing", reason: "not before the claim" });
    const rows = postingRows(ledger.report.months.find(({ key }) => key === MONTH)!, report.months.find(({ key }) => key === MONTH)!, kept);
    expect(rows.find(({ account }) => account === "ageing")!.finalKwh).toBeCloseTo(0, 9);
    const sums = (of: (row: (typeof rows)[number]) => number): number => rows.reduce((sum, row) => sum + of(row), 0);
    expect(sums((row) => row.finalKwh)).toBeCloseTo(
      sums((row) => row.foundKwh),
      9,
    );
  });

  it("keep their figures when the month is closed and the model changes, and show the drift", async () => {
    await keep(store, book, ground(), { action: "close", month: MONTH, note: "signed" });
    expect(driftInWords(page().drift)).toBe("");
    const changed = { ...report, months: report.months.map((line) => ({ ...line, expectedKwh: line.expectedKwh * 1.02 })) };
    const before = page().lines.find(({ key }) => key === MONTH)!;
    expect(driftInWords(page({ causes: changed }).drift)).toMatch(/2021-06 by \+\d+ kWh/);
    expect(page({ causes: changed }).lines.find(({ key }) => key === MONTH)).toEqual(before);
    expect(page({ causes: changed }).lines.find(({ key }) => key === "2021-07")!.expectedKwh).not.toBe(
      page().lines.find(({ key }) => key === "2021-07")!.expectedKwh,
    );
    expect(kept.closed[0]!.postings.find(({ account }) => account === "soiling")!.foundKwh).toBeCloseTo(
      withTransfers({ soiling: report.months.find(({ key }) => key === MONTH)!.accountsKwh.soiling } as never, []).soiling,
      9,
    );
  });

  it("can't be changed while closed, and are reopened with a reason", async () => {
    await keep(store, book, ground(), { action: "close", month: MONTH, note: "" });
    await expect(keep(store, book, ground(), { action: "accept", month: MONTH, account: "snow" })).rejects.toThrow(/month-closed/);
    await keep(store, book, ground(), { action: "reopen", month: MONTH, reason: "the meter was read again" });
    await keep(store, book, ground(), { action: "accept", month: MONTH, account: "snow" });
    expect(kept.audit.map(auditInWords)).toEqual(["snow accepted", "reopened: the meter was read again", "closed"]);
  });

  it("wait while causes are sought anew", async () => {
    const waiting = { ...ground(), causes: null };
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

  it("is by the book until causes are known", () => {
    expect(page({ causes: null }).posting).toBeNull();
    expect(page({ posting: "budget" }).lines[0]).toEqual(ledger.report.months[0]);
  });
});
