import { site as written } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { MODEL_ACCOUNTS } from "@/core/accounts";
import type { LedgerLine, ModelPostings } from "@/core/ledger";
import { indicatorsOf } from "./indicators";

const site = siteSchema.parse(written({ inverters: [] }));

function line(rearKwh: number, parts: Partial<LedgerLine> = {}): LedgerLine {
  const accountsKwh = { ...Object.fromEntries(MODEL_ACCOUNTS.map((account) => [account, 0])), rear: -rearKwh } as ModelPostings;
  return {
    key: "2023-05",
    planeKwhM2: 100,
    referenceKwh: 1000,
    accountsKwh,
    expectedKwh: 850,
    promiseKwh: null,
    meteredKwh: 840,
    dataGapKwh: 0,
    referenceGapKwh: 0,
    unmatchedKwh: 0,
    unexplainedKwh: 10,
    readFrac: 1,
    filledReferenceKwh: 0,
    splitKwh: 0,
    ...parts,
  };
}
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
