import { plan } from "@test/tariff-builder";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Exact, reRunRange, type SavingInput, sumOf } from "..";
import { billsInTurn, daysInMonth, PLACEMENTS, type Plan, planOn, slicesOfTotals } from "../tariff";
import { methodTotal, type SavingMonth, savingsOf } from ".";

/** Households that are drawn; `npm run households` draws ten thousand. */
const HOUSEHOLDS = Number(process.env.HOUSEHOLDS ?? 100);
const MONTHS = 12;
const BANDS = ["peak", "shoulder", "off-peak"] as const;
const EVERY_MONTH = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

const cents = fc.integer({ min: 4, max: 60 }).map((value) => (value / 100).toFixed(2));
/** One price, or two or three that rise or fall with the month's kWh. */
const tiers = fc.oneof(
  cents.map((perKwh) => [{ perKwh }]),
  fc.tuple(fc.integer({ min: 20, max: 200 }), cents, cents).map(([upToKwh, first, rest]) => [{ upToKwh, perKwh: first }, { perKwh: rest }]),
);
const season = (name: string, months: readonly number[], bandCount: number) =>
  fc.tuple(...BANDS.map(() => tiers)).map((prices) => ({
    name,
    months: [...months],
    bands: BANDS.slice(3 - bandCount).map((band, k) => ({
      name: band,
      days: "all" as const,
      hours: band === "peak" ? [[17, 20]] : band === "shoulder" ? [[9, 17]] : [],
      tiers: prices[k]!,
    })),
  }));
const seasons = fc.integer({ min: 1, max: 3 }).chain((bandCount) =>
  fc.oneof(
    season("year", EVERY_MONTH, bandCount).map((own) => [own]),
    fc.tuple(season("winter", [1, 2, 3, 10, 11, 12], bandCount), season("summer", [4, 5, 6, 7, 8, 9], bandCount)).map((own) => [...own]),
  ),
);
const plans = fc
  .record({
    seasons,
    later: fc.option(seasons),
    minimumPerMonth: fc.option(fc.constantFrom("8.00", "25.00"), { nil: null }),
    fixedPerMonth: fc.constantFrom("0", "7.50"),
    tax: fc.constantFrom(0, 0.2),
    credit: fc.constantFrom("none", "net-billing", "feed-in", "net-metering"),
  })
  .map(({ later, tax, credit, ...parts }): Plan[] => {
    const common = {
      ...parts,
      wholeKwh: false,
      taxes: tax > 0 ? [{ name: "tax", frac: tax }] : [],
      credit: { kind: credit, perKwh: credit === "none" ? null : "0.07", trueUpMonth: credit === "net-metering" ? 3 : null },
    };
    const first = plan({ ...common, id: "a", from: "2020-01-01", to: later ? "2023-06-30" : null });
    return later ? [first, plan({ ...common, seasons: later, id: "b", from: "2023-07-01" })] : [first];
  });

const kwh = fc.integer({ min: 0, max: 180 });
const use = fc.record({ bought: fc.tuple(kwh, kwh, kwh), self: fc.tuple(kwh, kwh, kwh), exportKwh: kwh });

/** What can be left out of a month. */
const LEFT_OUT = ["nothing", "hours", "bands", "one band", "other names", "export", "bill"] as const;
const leftOut = fc.array(fc.constantFrom(...LEFT_OUT), { minLength: MONTHS, maxLength: MONTHS });
const household = fc.record({ plans, uses: fc.array(use, { minLength: MONTHS, maxLength: MONTHS }), leftOut });

interface Known extends SavingInput {
  readonly exportKwh: number;
}

/** The months as somebody knows them who knows all, each with the bill that the plan prints for it. */
function monthsOf(own: Plan[], uses: readonly { bought: readonly number[]; self: readonly number[]; exportKwh: number }[]): Known[] {
  const bare = uses.map(({ bought, self, exportKwh }, k) => {
    const key = `2023-${String(k + 1).padStart(2, "0")}`;
    const names = planOn(own, `${key}-15`)!.seasons[0]!.bands.map(({ name }) => name);
    const by = (values: readonly number[]) => Object.fromEntries(names.map((name, at) => [name, values[at]!]));
    const sum = (values: readonly number[]) => names.reduce((total, _, at) => total + values[at]!, 0);
    const days = daysInMonth(`${key}-01`);
    return {
      ...{ key, days, billedDays: days, isEstimated: false, isFilled: false, exportKwh },
      ...{ importKwh: sum(bought), importByBandKwh: by(bought), selfByBandKwh: by(self), productionKwh: exportKwh + sum(self) },
    };
  });
  const slices = bare.map(({ key, days, importKwh, importByBandKwh, exportKwh }) => {
    const sliced = slicesOfTotals(own, { from: `${key}-01`, to: `${key}-${days}`, importKwh, importByBandKwh, exportKwh });
    if (sliced.kind !== "slices") throw new Error(sliced.kind);
    return sliced.slices;
  });
  return billsInTurn(slices, "EUR").map((bill, k) => ({ ...bare[k]!, amount: bill.total }));
}

/** The month with something of it left out; null where it can tell nothing any more. */
function without(month: Known, what: (typeof LEFT_OUT)[number]): Known | null {
  const [first = "", ...others] = Object.keys(month.importByBandKwh);
  switch (what) {
    case "nothing":
      return month;
    case "hours":
      return { ...month, selfByBandKwh: {} };
    case "bands":
      return { ...month, selfByBandKwh: {}, importByBandKwh: {} };
    case "one band":
      return {
        ...month,
        selfByBandKwh: {},
        importByBandKwh: Object.fromEntries(others.map((name) => [name, month.importByBandKwh[name]!])),
      };
    case "other names":
      return {
        ...month,
        selfByBandKwh: {},
        importByBandKwh: { ...month.importByBandKwh, [first]: 0, "dear hours": month.importByBandKwh[first]! },
      };
    case "export":
      return null;
    case "bill":
      return { ...month, isEstimated: true, amount: month.amount.times(3) };
  }
}

const terms = (own: Plan[]) => ({ plans: own, currency: "EUR", before: [], flatPerKwh: null });
/** Bills are rounded to the cent, with and without the array; and doubles. */
const ROUNDING = 0.02 + 1e-9;

function expectWithin(inner: readonly [Exact, Exact], outer: readonly [Exact, Exact]): void {
  expect(outer[0].toNumber()).toBeLessThanOrEqual(inner[0].toNumber() + ROUNDING);
  expect(outer[1].toNumber()).toBeGreaterThanOrEqual(inner[1].toNumber() - ROUNDING);
}

describe("whatever is left out of a household's bills and plan", () => {
  const parameters = { seed: 1123, numRuns: HOUSEHOLDS };

  it("no saving is claimed outside what all of it would give, and more of it never widens what is claimed", () => {
    fc.assert(
      fc.property(household, ({ plans: own, uses, leftOut: left }) => {
        const whole = monthsOf(own, uses);
        const full = new Map(savingsOf(whole, terms(own)).map((row) => [row.key, row.reRunRange!] as const));
        const partly = whole.flatMap((month, k) => without(month, left[k]!) ?? []);
        const claimed = savingsOf(partly, terms(own));
        for (const row of claimed) if (!row.isEstimated) expectWithin(full.get(row.key)!, row.reRunRange!);
        // One kind of knowledge more, months with the most left out first: each step lies within the one before.
        const steps = ["bands", "hours", "nothing"].map((what) =>
          savingsOf(
            partly.map((month, k) =>
              month.isEstimated ? month : without(whole.find(({ key }) => key === partly[k]!.key)!, what as "bands")!,
            ),
            terms(own),
          ),
        );
        for (const [s, step] of steps.slice(1).entries())
          for (const [k, row] of step.entries()) if (!row.isEstimated) expectWithin(row.reRunRange!, steps[s]![k]!.reRunRange!);
      }),
      parameters,
    );
  });

  it("the sum in a headline is that of the printed bills alone, and no sum where one of them is a range", () => {
    fc.assert(
      fc.property(household, ({ plans: own, uses, leftOut: left }) => {
        const claimed = savingsOf(
          monthsOf(own, uses).flatMap((month, k) => without(month, left[k]!) ?? []),
          terms(own),
        );
        const printed = claimed.filter(({ isEstimated }) => !isEstimated);
        const isOpen = ({ reRun }: SavingMonth): boolean => reRun === null;
        const total = methodTotal(claimed, "reRun");
        if (printed.length === 0 || printed.some(isOpen)) expect(total).toBeNull();
        else expect(String(total)).toBe(String(sumOf(printed.map(({ reRun }) => reRun!))));
        const range = reRunRange(claimed);
        expect(range?.months ?? 0).toBe(printed.length);
        if (range) expect(range.high.gte(range.low)).toBe(true);
      }),
      parameters,
    );
  });

  it("the two ways to place energy hold every way between them, tiers or not", () => {
    fc.assert(
      fc.property(plans, fc.tuple(kwh, kwh, kwh), ([own], parts) => {
        const names = own!.seasons[0]!.bands.map(({ name }) => name);
        const importKwh = names.reduce((sum, _, k) => sum + parts[k]!, 0);
        const charged = (bands: Record<string, number>, placement: (typeof PLACEMENTS)[number] | null): Exact => {
          const sliced = slicesOfTotals(
            [own!],
            { from: "2023-02-01", to: "2023-02-28", importKwh, importByBandKwh: bands, exportKwh: 0 },
            placement,
          );
          if (sliced.kind !== "slices") throw new Error(sliced.kind);
          return billsInTurn([sliced.slices], "EUR")[0]!.total;
        };
        const known = charged(Object.fromEntries(names.map((name, k) => [name, parts[k]!])), null);
        const [least, most] = PLACEMENTS.map((placement) => charged({}, placement));
        expectWithin([known, known], [least!, most!]);
      }),
      parameters,
    );
  });
});
