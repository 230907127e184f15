import { describe, expect, it } from "vitest";
import type { AttributionView } from "@/contracts/attribution";
import { carriedBy } from "./carried";

const view = {
  ageing: { perYearFrac: 0.006, low: 0.004, high: 0.008, recent: { fromMonth: "2022-01" }, methods: [1], filters: [1], fan: [1], years: 4 },
  parts: [1],
  findings: [{ kind: "outage" }],
} as unknown as AttributionView;

describe("what readings carry of a search", () => {
  it.each(["intervals", "days", "months"] as const)("%s carry all of it", (energy) => {
    expect(carriedBy(view, energy)).toBe(view);
  });

  it.each(["counter", "bills", "none"] as const)("%s carry no rate of ageing, nor that of a part", (energy) => {
    const { ageing, parts, findings } = carriedBy(view, energy);
    expect([ageing.perYearFrac, ageing.low, ageing.high, ageing.recent]).toEqual([null, null, null, null]);
    expect([ageing.methods, ageing.filters, ageing.fan, parts]).toEqual([[], [], [], []]);
    expect([ageing.years, findings.length]).toEqual([4, 1]);
  });
});
