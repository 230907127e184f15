import { describe, expect, it } from "vitest";
import type { GearStanding, GearYear } from "@/core/gear";
import { bestMend, cableLossKwh, mendOf, optionsFor, type Terms } from "./gear-options";

const stands = (change: Partial<GearStanding> = {}): GearStanding => ({
  place: "metal-shed",
  colour: "dark",
  isShaded: false,
  airing: "closed",
  ...change,
});
const year = (deratedKwh: number, lead = 1): GearYear => ({
  hottestC: 45,
  meanC: 20,
  hotHours: 0,
  frostHours: 0,
  deratedKwh,
  lifeFrac: { lead, lithium: lead },
  monthsHottestC: [],
});
const terms = (change: Partial<Terms> = {}): Terms => ({ price: null, battery: null, cableKwh: 0, ...change });

describe("what could be done about the heat", () => {
  it("is nothing that is done already, and moving comes last", () => {
    const names = (standing: GearStanding) => optionsFor(standing).map(({ standing: next }) => next);
    expect(names(stands())).toHaveLength(7);
    expect(optionsFor(stands()).filter(({ isMoved }) => isMoved)).toHaveLength(2);
    expect(names(stands({ isShaded: true, airing: "fan", colour: "light" }))).toHaveLength(3);
    expect(names(stands({ place: "outside-shade", colour: "light" }))).toHaveLength(2);
  });

  it("pays for its cable, and is worth energy and years of a battery", () => {
    const [, , , , , moved] = optionsFor(stands());
    const battery = { kind: "lead", years: 8, cost: 800 } as const;
    const mend = mendOf(year(50, 0.5), year(10, 1), moved!, terms({ cableKwh: 9, price: 0.2, battery }));
    expect(mend.savedKwh).toBe(31);
    expect(mend.moreYears).toBe(4);
    expect(mend.worth).toBeCloseTo(31 * 0.2 + 800 / 4 - 800 / 8, 9);
  });

  it("has no worth where a price is missing, and no best where nothing helps", () => {
    const options = optionsFor(stands());
    const all = (next: GearYear): GearYear[] => options.map((_, k) => (k === 0 ? year(20, 0.8) : next));
    expect(mendOf(year(20), year(0), options[1]!, terms()).worth).toBeNull();
    expect(bestMend(all(year(20, 0.8)), options, terms())).toBeNull();
    expect(bestMend(all(year(5, 0.8)), options, terms())).toMatchObject({ savedKwh: 15 });
  });

  it("loses in more cable by the square of its current", () => {
    const run = { lengthM: 10, areaMm2: 10, currentA: 10, voltageV: 100 };
    expect(cableLossKwh({ ...run, currentA: 20 }, 600) / cableLossKwh(run, 600)).toBeCloseTo(4, 9);
    expect([cableLossKwh(run, null), cableLossKwh({ ...run, lengthM: 0 }, 600)]).toEqual([0, 0]);
  });
});
