import { peakBands, plan } from "@test/tariff-builder";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Exact, reRunRange, type SavingInput } from "..";
import { PLACEMENTS, slicesOfTotals } from "../tariff";
import { isRange, methodTotal, planTest, savingsOf } from ".";

const twoPeaks = [
  {
    name: "winter",
    months: [1, 2, 3, 10, 11, 12],
    bands: [
      { name: "winter peak", days: "weekdays" as const, hours: [[17, 20]] as [number, number][], tiers: [{ perKwh: "0.45" }] },
      { name: "off-peak", tiers: [{ perKwh: "0.12" }] },
    ],
  },
  {
    name: "summer",
    months: [4, 5, 6, 7, 8, 9],
    bands: [
      { name: "summer peak", days: "weekdays" as const, hours: [[14, 20]] as [number, number][], tiers: [{ perKwh: "0.30" }] },
      { name: "off-peak", tiers: [{ perKwh: "0.12" }] },
    ],
  },
];
const sumKwh = (slices: ReturnType<typeof slicesOfTotals>): number =>
  slices.kind === "slices" ? slices.slices.flatMap(({ importKwh }) => importKwh).reduce((a, b) => a + b, 0) : Number.NaN;

describe("energy of a printed bill", () => {
  const march = { from: "2024-03-01", to: "2024-03-31", importKwh: 300, exportKwh: 0 };
  const own = plan({ seasons: peakBands("0.30", "0.10") });

  it("under a band of another name is named, not dropped", () => {
    const printed = { ...march, importByBandKwh: { peak: 40, night: 260 } };
    expect(slicesOfTotals([own], printed)).toEqual({ kind: "bands-needed", bands: ["peak", "off-peak"], given: ["peak", "night"] });
    expect(PLACEMENTS.map((placement) => slicesOfTotals([own], printed, placement))).toMatchObject([
      { slices: [{ importKwh: [40, 260] }] },
      { slices: [{ importKwh: [300, 0] }] },
    ]);
  });

  it("may miss its bands by their rounding, not by more", () => {
    const given = (banded: number) => slicesOfTotals([own], { ...march, importByBandKwh: { peak: 40, "off-peak": banded } }).kind;
    expect([given(260), given(257.1), given(256.9)]).toEqual(["slices", "slices", "bands-needed"]);
  });

  it("is not taken for rounding where no band is printed, however little it is", () => {
    const little = { ...march, importKwh: 3, importByBandKwh: {} };
    expect(slicesOfTotals([own], little).kind).toBe("bands-needed");
    expect(PLACEMENTS.map((placement) => slicesOfTotals([own], little, placement))).toMatchObject([
      { slices: [{ importKwh: [0, 3] }] },
      { slices: [{ importKwh: [3, 0] }] },
    ]);
  });

  it("across two seasons stays whole: each season's own band lies in its own days", () => {
    const crossing = slicesOfTotals([plan({ seasons: twoPeaks })], {
      ...{ from: "2024-03-17", to: "2024-04-15", importKwh: 300, exportKwh: 0 },
      importByBandKwh: { "winter peak": 60, "summer peak": 30, "off-peak": 210 },
    });
    expect(crossing).toMatchObject({ slices: [{ importKwh: [60, 105] }, { importKwh: [30, 105] }] });
  });

  it("is all charged, whatever is left out of a bill", () => {
    const band = fc.double({ min: 0, max: 400, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ "winter peak": band, "summer peak": band, "off-peak": band }),
        fc.subarray(["winter peak", "summer peak", "off-peak"]),
        (use, kept) => {
          const importKwh = Object.values(use).reduce((a, b) => a + b, 0);
          const importByBandKwh = Object.fromEntries(Object.entries(use).filter(([name]) => kept.includes(name)));
          for (const placement of PLACEMENTS) {
            const slices = slicesOfTotals(
              [plan({ seasons: twoPeaks })],
              { from: "2024-03-17", to: "2024-04-15", importKwh, importByBandKwh, exportKwh: 0 },
              placement,
            );
            // Rounding of printed bands may be left.
            expect(Math.abs(sumKwh(slices) - importKwh)).toBeLessThanOrEqual(2 * 2 * 1.5 + 1e-6);
          }
        },
      ),
      { seed: 23, numRuns: 400 },
    );
  });
});

const month = (parts: Partial<SavingInput> = {}): SavingInput => ({
  ...{ key: "2024-03", days: 31, billedDays: 31, importKwh: 200, importByBandKwh: { peak: 80, "off-peak": 120 } },
  ...{ exportKwh: 100, productionKwh: 250, amount: new Exact("36.00"), isEstimated: false, isFilled: false, selfByBandKwh: {} },
  ...parts,
});
const terms = { plans: [plan({ seasons: peakBands("0.30", "0.10") })], currency: "EUR", before: [], flatPerKwh: null };

describe("what the sun covered", () => {
  it("without a band is worth between the cheapest and the dearest, never nothing", () => {
    // 150 kWh used on the spot: 15.00 at 0.10, 45.00 at 0.30.
    const [saving] = savingsOf([month()], terms);
    expect([saving!.reRun, saving!.reRunRange!.map(String)]).toEqual([null, ["15", "45"]]);
  });

  it("in its bands is worth one figure between the two", () => {
    const [saving] = savingsOf([month({ selfByBandKwh: { peak: 50, "off-peak": 100 } })], terms);
    expect([String(saving!.reRun), saving!.reRunRange!.map(String)]).toEqual(["25", ["25", "25"]]);
  });

  it("is never claimed outside what its bands would say, however the use lay", () => {
    const kwh = fc.integer({ min: 0, max: 300 });
    fc.assert(
      fc.property(kwh, kwh, kwh, kwh, (peak, off, selfPeak, selfOff) => {
        const whole = {
          importKwh: peak + off,
          importByBandKwh: { peak, "off-peak": off },
          exportKwh: 50,
          productionKwh: 50 + selfPeak + selfOff,
        };
        const [known] = savingsOf([month({ ...whole, selfByBandKwh: { peak: selfPeak, "off-peak": selfOff } })], terms);
        for (const left of [{}, { importByBandKwh: {} }, { importByBandKwh: { peak } }, { importByBandKwh: { peak, night: off } }]) {
          const range = reRunRange(savingsOf([month({ ...whole, ...left })], terms))!;
          // Bands that are printed rounded leave their rounding in the dearest band.
          expect(range.low.toNumber()).toBeLessThanOrEqual(known!.reRun!.toNumber() + 0.3 * 3 + 1e-9);
          expect(range.high.toNumber()).toBeGreaterThanOrEqual(known!.reRun!.toNumber() - 0.3 * 3 - 1e-9);
        }
      }),
      { seed: 7, numRuns: 300 },
    );
  });

  it("has no sum where one month of it is a range, not even of the other months", () => {
    const savings = savingsOf([month({ selfByBandKwh: { peak: 50, "off-peak": 100 } }), month({ key: "2024-04", days: 30 })], terms);
    expect(savings.map(isRange)).toEqual([false, true]);
    expect([methodTotal(savings, "reRun"), methodTotal(savings.slice(0, 1), "reRun")?.toFixed(2)]).toEqual([null, "25.00"]);
  });

  it("counts no month that no bill was printed for", () => {
    const savings = savingsOf([month(), month({ key: "2024-04", days: 30, isEstimated: true })], terms);
    expect(reRunRange(savings)).toMatchObject({ months: 1 });
    expect(String(reRunRange(savings)!.high)).toBe("45");
  });
});

describe("a plan that is run again over printed bills", () => {
  const tested = (...amounts: string[]) =>
    planTest(
      savingsOf(
        amounts.map((amount, k) => month({ key: `2024-0${k + 1}`, days: 30, amount: new Exact(amount) })),
        terms,
      ),
    );

  it("is trusted within two per cent each and half a per cent in all", () => {
    // 80 at 0.30 and 120 at 0.10 are 36.00.
    expect(tested("36.00", "36.00")).toMatchObject({ exact: 2, isTrusted: true, worst: null });
    expect(tested("36.70", "35.30")).toMatchObject({ exact: 0, isTrusted: true, beyond: [] });
    expect(tested("36.80", "35.20")).toMatchObject({ isTrusted: false, beyond: ["2024-01", "2024-02"] });
  });

  it("isn't where all bills are off the same way, each by little", () => {
    expect(tested("36.17", "36.17")).toMatchObject({ isTrusted: true });
    expect(tested("36.20", "36.20")).toMatchObject({ isTrusted: false, beyond: [] });
  });

  it("isn't tested by bills that it can't charge, nor by months that were never billed", () => {
    expect(planTest(savingsOf([month({ importByBandKwh: { day: 200 } })], terms))).toBeNull();
    expect(planTest(savingsOf([month({ isEstimated: true })], terms))).toBeNull();
  });
});
