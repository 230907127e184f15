import { plainPayback } from "@test/payback-builder";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import type { BillsReport } from "@/contracts/money";
import { type PaybackTerms, payback, paybackSpread, USUAL_DOUBTS } from "@/core/money";
import {
  billedMonthWorking,
  billedYearWorking,
  discountedWorking,
  firstYearWorking,
  levelisedWorking,
  type MoneyContext,
  naiveWorking,
  returnWorking,
  risingWorking,
  runRateWorking,
  simpleWorking,
  spreadWorking,
  worthWorking,
  yearWorking,
} from "./money-workings";
import type { Working } from "./working";

const house = site({ currency: "EUR", money: { tariff: { importPerKwh: "0.20", exportPerKwh: "0.05" } } });

function context(terms: Partial<PaybackTerms> = {}, parts: Partial<MoneyContext> = {}): MoneyContext {
  const all = { ...plainPayback, ...terms };
  return {
    site: house,
    energy: { basis: "metered", firstYearKwh: all.firstYearKwh, monthsUsed: 60 },
    payback: payback(all),
    terms: all,
    isAgeingRead: true,
    ...parts,
  };
}

/** A figure as a reader types it into a calculator. */
const figure = (text: string): number =>
  Number(
    text
      .replaceAll(/[^\d.,−-]/g, "")
      .replaceAll(/[\s,]/g, "")
      .replaceAll("−", "-"),
  );
const inputOf = (working: Working, name: string): number => {
  const input = working.inputs.find((each) => each.name === name);
  expect(input, `${working.title} has no input ${name}`).toBeDefined();
  return figure(input!.value);
};
const usual: Partial<PaybackTerms> = {
  priceRisePerYearFrac: 0.03,
  ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
  discountFrac: 0.02,
  interestTaxFrac: 0.25,
};

describe("workings of the payback", () => {
  it("hold the figures that make the simple one: cost over energy times worth", () => {
    const working = simpleWorking(context());
    const again = inputOf(working, "Net cost") / (inputOf(working, "Energy of the first year") * inputOf(working, "Worth of a kWh"));
    expect(figure(working.value)).toBeCloseTo(again, 2);
    expect(figure(working.value)).toBe(10);
  });

  it("say never where nothing is earned, and what does not come within the horizon", () => {
    const idle = context({ importPerKwh: "0.00" });
    expect(simpleWorking(idle).value).toBe("never");
    expect(risingWorking(idle)).toMatchObject({ value: "not within the horizon", unit: "" });
    expect(discountedWorking(context({ horizonYears: 5, discountFrac: 0.1 })).value).toBe("not within the horizon");
  });

  it("lead from year to year: balance before and the year's own figures make the balance after", () => {
    const full = context(usual);
    for (const k of [0, 1, 7, 24]) {
      const working = yearWorking(full, k);
      const again =
        inputOf(working, "Balance before") +
        inputOf(working, "Energy") * inputOf(working, "Worth") -
        inputOf(working, "Upkeep") -
        inputOf(working, "Once");
      // Energy is shown in whole kWh, the worth of one in its last digits.
      expect(Math.abs(figure(working.value) - again)).toBeLessThan(0.35);
    }
    expect(inputOf(yearWorking(full, 0), "Balance before")).toBe(-10_000);
    expect(inputOf(yearWorking(full, 8), "Balance before")).toBeCloseTo(figure(yearWorking(full, 7).value), 1);
  });

  it("add the year's flows up to the present value and find none above it at the rate of return", () => {
    const full = context(usual);
    const rate = inputOf(worthWorking(full), "Discount rate d") / 100;
    const flows = full.payback.years.map(({ balance }, k) =>
      k === 0 ? Number(balance) + 10_000 : Number(balance) - Number(full.payback.years[k - 1]!.balance),
    );
    const worthAt = (r: number): number => flows.reduce((sum, flow, k) => sum + flow / (1 + r) ** (k + 1), -10_000);
    expect(Math.abs(figure(worthWorking(full).value) - worthAt(rate))).toBeLessThan(0.5);
    expect(Math.abs(worthAt(figure(returnWorking(full).value) / 100))).toBeLessThan(2);
    expect(returnWorking(full).unit).toBe("% a year");
  });

  it("say why there is no rate of return", () => {
    const idle = returnWorking(context({ importPerKwh: "0.00" }));
    expect(idle.value).toBe("none");
    expect(idle.assumptions[0]!.length).toBeGreaterThan(20);
  });

  it("say where ageing comes from, and what is paid once and each year", () => {
    const running = {
      ...house,
      money: {
        ...house.money,
        running: {
          ...house.money.running,
          perYear: [{ what: "insurance", amount: "60", risePerYearFrac: 0.02 }],
          later: [{ what: "inverter", amount: "1800", afterYears: 12 }],
        },
      },
    };
    const told = risingWorking(context({ ...usual, later: running.money.running.later }, { site: running }));
    const from = (working: Working, name: string): string => working.inputs.find((each) => each.name === name)!.from;
    const value = (working: Working, name: string): string => working.inputs.find((each) => each.name === name)!.value;
    expect(value(told, "Upkeep")).toBe("insurance 60");
    expect(value(told, "Once")).toBe("inverter 1800 after 12 years");
    expect(from(told, "Ageing")).toContain("read");
    expect(from(risingWorking(context(usual, { isAgeingRead: false })), "Ageing")).toContain("the book's");
    expect(value(risingWorking(context()), "Once")).toBe("none");
  });

  it("give the levelised cost as costs over energy where nothing is discounted and nothing ages", () => {
    const working = levelisedWorking(context({ discountFrac: 0 }));
    expect(figure(working.value)).toBeCloseTo(10_000 / (25 * 5000), 3);
    expect(working.unit).toBe("EUR a kWh");
  });

  it("say what the first year's energy was made of", () => {
    expect(firstYearWorking(context()).formula).toContain("calendar months");
    const promised = { basis: "promise", firstYearKwh: 5000, monthsUsed: 12 } as MoneyContext["energy"];
    expect(firstYearWorking(context({}, { energy: promised })).formula).toBe("Σ twelve promised months");
    expect(inputOf(firstYearWorking(context()), "Months used")).toBe(60);
  });

  it("tell how the doubt was drawn, and how many draws pay back", () => {
    const spread = paybackSpread({ ...plainPayback, ...usual }, USUAL_DOUBTS, { draws: 200, seed: 3 });
    const working = spreadWorking(spread);
    expect(working.formula).toContain("200 draws (seed 3)");
    const [low, high] = working.value.replace(" years", "").split(" to ").map(Number) as [number, number];
    expect(low).toBeLessThan(payback({ ...plainPayback, ...usual }).risingYears!);
    expect(high).toBeGreaterThan(payback({ ...plainPayback, ...usual }).risingYears!);
    expect(spreadWorking({ ...spread, high: Number.POSITIVE_INFINITY }).value).toContain("beyond the horizon");
    const never = { ...spread, low: Number.POSITIVE_INFINITY, high: Number.POSITIVE_INFINITY };
    expect(spreadWorking(never).value).toBe("not within the horizon");
  });
});

describe("workings of the bills", () => {
  const month = {
    key: "2024-05",
    amount: "41.20",
    without: "95.70",
    again: "41.25",
    saved: { "re-run": "54.50" },
    loadKwh: 410,
    importKwh: 150,
    productionKwh: 500,
    exportKwh: 240,
    isEstimated: false,
    isFilled: false,
  } as unknown as BillsReport["months"][number];

  it("hold a month's saving as bill without the array less the bill as printed", () => {
    const working = billedMonthWorking(month, "EUR");
    expect(figure(working.value)).toBeCloseTo(inputOf(working, "Without the array") - inputOf(working, "As printed"), 2);
    expect(inputOf(working, "Use")).toBe(inputOf(working, "Bought") + inputOf(working, "Production") - inputOf(working, "Exported"));
  });

  it("say what was estimated or filled, and leave a dash where nothing is known", () => {
    const guessed = billedMonthWorking(
      { ...month, isEstimated: true, isFilled: true, loadKwh: null, saved: { ...month.saved, "re-run": null } },
      "EUR",
    );
    expect(guessed.value).toBe("–");
    expect(guessed.inputs.map(({ from }) => from)).toEqual(expect.arrayContaining(["estimated: no bill", "filled by the model"]));
    expect(guessed.inputs.find(({ name }) => name === "Use")!.value).toBe("–");
  });

  it("add a year up in words, and call the bare difference of bills no saving", () => {
    const year = {
      key: "2024",
      months: 12,
      amount: "612.00",
      importKwh: 1900,
      productionKwh: 5100,
      exportKwh: null,
      selfUsedKwh: null,
      saved: { "re-run": "640.10" },
    };
    const working = billedYearWorking(year as unknown as BillsReport["years"][number], "EUR");
    expect(inputOf(working, "Bought")).toBe(1900);
    expect(working.inputs.find(({ name }) => name === "Exported")!.value).toBe("–");
    expect(naiveWorking("210.00", "EUR").assumptions[0]).toContain("Not a saving");
  });

  it("give the day of the payback at the rate of the bills, or say that it does not come", () => {
    const rate = {
      method: "re-run",
      savedToDate: "4200.00",
      perYear: "700.00",
      naivePerYear: "655.00",
      perYearLow: "610.00",
      perYearHigh: "790.00",
      years: 8.286,
      paidBackOn: "2029-09-10",
      paidBackFrom: "2028-11-02",
      paidBackBy: "2031-01-20",
      countsFrom: "2021-05-01",
    };
    const own = rate as unknown as BillsReport["runRates"][number];
    expect(runRateWorking(context(usual), own)).toMatchObject({ value: "10 September 2029", unit: "8.29 years" });
    expect(runRateWorking(context(usual), { ...own, paidBackOn: null, years: null })).toMatchObject({
      value: "not within 40 years",
      unit: "",
    });
  });
});
