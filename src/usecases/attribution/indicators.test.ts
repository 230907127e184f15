import { ledgerLine } from "@test/ledger-line";
import { site as written } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import type { LedgerLine } from "@/core/ledger";
import { indicatorsOf } from "./indicators";

const site = siteSchema.parse(written({ inverters: [] }));

const line = (rearKwh: number, parts: Partial<LedgerLine> = {}): LedgerLine => {
  const own = ledgerLine({ key: "2023-05", referenceKwh: 1000, expectedKwh: 850, meteredKwh: 840, unexplainedKwh: 10, ...parts });
  return { ...own, accountsKwh: { ...own.accountsKwh, rear: -rearKwh } };
};
const of = (own: LedgerLine) => indicatorsOf([own], [own], new Map(), site)[0]!;

describe("performance ratio of two-sided modules", () => {
  it("stands against the light of both sides, below that of the front alone", () => {
    const { performanceRatio, twoSidedRatio } = of(line(80));
    expect(performanceRatio).toBeCloseTo(0.84, 12);
    expect(twoSidedRatio).toBeCloseTo(840 / 1080, 12);
  });

  it("keeps to the time that was read: a month half read has the ratio of its half", () => {
    expect(of(line(80, { meteredKwh: 420, referenceGapKwh: 500, dataGapKwh: 425 })).twoSidedRatio).toBeCloseTo(840 / 1080, 12);
  });

  it("is none for modules of one side, and none where nothing was read", () => {
    expect(of(line(0)).twoSidedRatio).toBeNull();
    expect(of(line(80, { meteredKwh: null })).twoSidedRatio).toBeNull();
  });
});
