import { clearWeather, hours } from "@test/clear-weather";
import { plainPayback as plain } from "@test/payback-builder";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { monthBins } from "../../time";
import { prepareWeather, runPrepared, yieldLines } from "../../yield";
import {
  CASE_TEMPLATES,
  type CaseSide,
  type CaseTerms,
  decide,
  Exact,
  loanOrCash,
  payback,
  paybackSpread,
  tornado,
  USUAL_DOUBTS,
} from "..";

const side = (name: string, monthKwh: number, parts: Partial<CaseSide<string>> = {}): CaseSide<string> => ({
  name,
  monthsKwh: new Array<number>(12).fill(monthKwh),
  sums: [],
  perYear: [],
  ageingPerYearFrac: 0,
  endsAfterYears: null,
  ...parts,
});
const terms: CaseTerms = { currency: "EUR", perKwh: "0.20", rises: new Array<number>(10).fill(1), discountFrac: 0, horizonYears: 10 };

describe("a decision", () => {
  it("is extra energy at its worth against extra cost, by hand", () => {
    const decision = decide(side("as is", 100), side("better", 110, { sums: [{ what: "work", afterYears: 0, amount: "100.00" }] }), terms);
    // 120 kWh a year more are 24 a year; 240 in ten years against 100.
    expect(decision).toMatchObject({
      extraKwh: 120,
      firstYearValue: "24.00",
      extraCost: "100.00",
      netPresentValue: "140.00",
      isWorthIt: true,
    });
    expect(decision.paybackYears).toBeCloseTo(100 / 24, 9);
  });
  it("turns just at the price and at the cost that it names", () => {
    const base = side("as is", 100);
    const variant = side("better", 110, {
      sums: [{ what: "work", afterYears: 0, amount: "100.00" }],
      perYear: [{ what: "service", amount: "3.00", risePerYearFrac: 0.02 }],
    });
    const priced = { ...terms, rises: Array.from({ length: 10 }, (_, k) => 1.03 ** k), discountFrac: 0.04 };
    const { flipPerKwh, flipSide, flipCost } = decide(base, variant, priced);
    expect(flipSide).toBe("above");
    expect(Math.abs(Number(decide(base, variant, { ...priced, perKwh: flipPerKwh! }).netPresentValue))).toBeLessThan(0.1);
    const atCost = side("better", 110, { ...variant, name: "better", sums: [{ what: "work", afterYears: 0, amount: flipCost }] });
    expect(Math.abs(Number(decide(base, { ...atCost, monthsKwh: variant.monthsKwh }, priced).netPresentValue))).toBeLessThan(0.011);
  });
  it("a way that saves money and loses energy is worth it below a price", () => {
    const decision = decide(
      side("as is", 100, { perYear: [{ what: "upkeep", amount: "50.00", risePerYearFrac: 0 }] }),
      side("let it be", 90),
      terms,
    );
    expect(decision).toMatchObject({ flipSide: "below", isWorthIt: true, extraKwh: -120 });
    expect(Number(decision.flipPerKwh)).toBeCloseTo(50 / 120, 4);
  });
  it("a side that ends gives nothing after it, part of a year in part", () => {
    const decision = decide(side("none", 0), side("old", 100, { endsAfterYears: 2.5 }), terms);
    expect(Number(decision.netPresentValue)).toBeCloseTo(1200 * 0.2 * 2.5, 6);
  });
});

describe("the templates, on a simulated year", () => {
  const own = site({
    inverters: [{ id: "i", arrays: ["a"], acRatedW: 5000, ratedEfficiencyFrac: 0.97 }],
    obstacles: [{ id: "elm", kind: "tree", name: "Elm", heightM: 14, widthM: 9, baseM: 2, eastM: 0, northM: -12 }],
    models: { snow: "sliding" },
    money: { costs: [{ on: "2020-01-01", amount: "9000.00" }], tariff: { importPerKwh: "0.25" } },
  });
  const weather = clearWeather(hours("2022-12-31T23:00:00Z", 365 * 24), own.place);
  const prepared = prepareWeather(own.place, weather);
  const bins = monthBins(weather.axis, own.place.timeZone);
  const facts = { ageYears: 4, ageingPerYearFrac: 0.005, soiling: { ratePerDayFrac: 0.001, cleaningRainMm: 5 } };
  const simulate = async (changed: typeof own, options = {}) =>
    yieldLines(runPrepared(changed, prepared, bins, options)).map((line) => line.expectedKwh);
  const sidesOf = async (id: string) => {
    const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
    const figures = Object.fromEntries(template.inputsFor(own, facts)!.map((input) => [input.key, input.value]));
    return template.sides(own, figures, simulate as never, facts, async (changed, options) => [await simulate(changed as never, options)]);
  };
  const kwh = ({ monthsKwh }: CaseSide): number => monthsKwh.reduce((a, b) => a + b, 0);

  it("felling brings more than trimming, trimming more than nothing", async () => {
    const [stand, trimmed, felled] = (await sidesOf("tree")).map(kwh) as [number, number, number];
    expect(stand).toBeLessThan(trimmed);
    expect(trimmed).toBeLessThan(felled);
  });
  it("each cleaning brings something, and less than the one before", async () => {
    const years = (await sidesOf("cleaning")).map(kwh);
    const gains = years.slice(1).map((value, k) => value - years[k]!);
    expect(gains.every((gain) => gain > 0)).toBe(true);
    expect(gains[0]!).toBeGreaterThan(gains.at(-1)!);
  });
  it("a larger inverter gives what clipping took", async () => {
    const [held, larger] = (await sidesOf("larger-inverter")).map(kwh) as [number, number];
    expect(larger).toBeGreaterThan(held * 1.005);
  });
  it("more positions of a rack never bring less", async () => {
    const sides = await sidesOf("tilt-positions");
    const [fixed, two, four, twelve] = sides.filter(({ name }) => name.code !== "by-a-motor").map(kwh) as [number, number, number, number];
    expect(two).toBeGreaterThan(fixed);
    expect(four).toBeGreaterThan(two * 0.995);
    expect(twelve).toBeGreaterThan(four * 0.995);
  });
  it("scrapping gives no energy, renewing more than putting back", async () => {
    const [scrap, back, renewed] = await sidesOf("new-roof");
    expect(kwh(scrap!)).toBe(0);
    expect(kwh(renewed!)).toBeGreaterThan(kwh(back!));
    expect(back!.endsAfterYears).toBe(24);
  });
  it("modules that share a string bring less than on an input of their own", async () => {
    const [asIs, apart, mixed] = (await sidesOf("add-modules")).map(kwh) as [number, number, number];
    expect(apart).toBeGreaterThan(mixed);
    expect(apart).toBeGreaterThan(asIs);
  });
  it("every template that fits asks for figures within their bounds, and gives two ways at least", async () => {
    for (const template of CASE_TEMPLATES) {
      const inputs = template.inputsFor(own, facts);
      if (inputs === null) continue;
      expect(
        inputs.filter(({ value, least, most }) => value < least || value > most),
        template.id,
      ).toEqual([]);
      expect((await sidesOf(template.id)).length, template.id).toBeGreaterThan(1);
    }
  });
});

describe("payback with what comes later", () => {
  it("upkeep lengthens it, a replacement sinks it once more", () => {
    const upkeep = payback({ ...plain, perYear: [{ what: "upkeep", amount: "200.00", risePerYearFrac: 0 }] });
    expect(upkeep.risingYears).toBeCloseTo(12.5, 9);
    const sunk = payback({ ...plain, later: [{ what: "inverter", afterYears: 11, amount: "2500.00" }] });
    // Paid after ten years; the twelfth pays 1000 less 2500; back again after 12.5.
    expect([sunk.risingYears, sunk.staysPaidYears]).toEqual([10, 12.5]);
  });
  it("discounting agrees with the annuity's formula", () => {
    const { discountedYears, netPresentValue, levelisedPerKwh } = payback({ ...plain, discountFrac: 0.05 });
    expect(discountedYears!).toBeGreaterThan(14.2);
    expect(discountedYears!).toBeLessThan(14.3);
    const factor = (1 - 1.05 ** -25) / 0.05;
    expect(Number(netPresentValue)).toBeCloseTo(1000 * factor - 10_000, 1);
    expect(Number(levelisedPerKwh)).toBeCloseTo(10_000 / (5000 * factor), 4);
  });
  it("the return is that of an annuity, and a deposit's rate has the tax on top", () => {
    const { returnPerYear, depositFrac } = payback({ ...plain, interestTaxFrac: 0.25 });
    const [rate] = returnPerYear.rates;
    expect((1 - (1 + rate!) ** -25) / rate!).toBeCloseTo(10, 8);
    expect(depositFrac).toBeCloseTo(rate! / 0.75, 12);
  });
  it("has no return where nothing ever comes back", () =>
    expect(payback({ ...plain, importPerKwh: "0" }).returnPerYear).toEqual({ kind: "none", rates: [] }));
});

describe("the interval of a payback", () => {
  it("holds the plain answer, and the same seed gives the same answer", () => {
    const spread = paybackSpread(plain, USUAL_DOUBTS);
    expect(spread.low).toBeLessThan(10);
    expect(spread.high).toBeGreaterThan(10);
    expect(paybackSpread(plain, USUAL_DOUBTS)).toEqual(spread);
  });
  it("without doubt it is the plain answer", () => {
    const none = { yieldFrac: 0, weatherFrac: 0, priceRiseFrac: 0, ageingFrac: 0, upkeepFrac: 0 };
    const rising = {
      ...plain,
      priceRisePerYearFrac: 0.03,
      perYear: [{ what: "upkeep", amount: "90.00", risePerYearFrac: 0.02 }],
      ageing: { firstYearFrac: 0.01, perYearFrac: 0.005 },
    };
    expect(paybackSpread(rising, none, { draws: 3 }).middle).toBeCloseTo(payback(rising).risingYears!, 6);
  });
  it("the tornado puts the widest bar first, and cost moves payback by its share", () => {
    const bars = tornado(plain, USUAL_DOUBTS);
    const cost = bars.find(({ term }) => term === "cost")!;
    expect([cost.lowerYears, cost.higherYears]).toEqual([9, 11]);
    const widths = bars.map(({ lowerYears, higherYears }) => Math.abs((lowerYears ?? 25) - (higherYears ?? 25)));
    expect([...widths].sort((a, b) => b - a)).toEqual(widths);
  });
});

describe("loan or cash", () => {
  const outlay = (rate: number, interestReliefFrac = 0) =>
    loanOrCash({
      currency: "EUR",
      loan: { principal: "10000.00", ratePerYearFrac: rate, termYears: 10, fee: "0.00", interestReliefFrac, refinance: null },
      netCost: new Exact(10_000),
      ownMoney: new Exact(0),
      remainingBills: new Array(25).fill(new Exact(500)),
      billsWithout: new Array(25).fill(new Exact(1500)),
      discountFrac: 0,
    });
  it("adds up: payments, bills and the interest between loan and cash", () => {
    const answer = outlay(0.06);
    expect(answer.loanTotal.minus(answer.cashTotal).toFixed(2)).toBe(answer.interestTotal.toFixed(2));
    expect(answer.withoutTotal.toNumber()).toBe(37_500);
    expect(answer.cheaperFromYear).toBe(11);
  });
  it("says what is paid a month once it is refinanced, and from which month", () => {
    const terms = {
      currency: "EUR",
      netCost: new Exact(10_000),
      ownMoney: new Exact(0),
      remainingBills: [],
      billsWithout: [],
      discountFrac: 0,
    };
    const loan = { principal: "10000.00", ratePerYearFrac: 0.06, termYears: 10, fee: "0.00" };
    const refinance = { afterYears: 5, ratePerYearFrac: 0.03, termYears: 5, fee: "0.00" };
    const { refinanced } = loanOrCash({ ...terms, loan: { ...loan, refinance } });
    // The annuity in plain numbers: 111.02 a month, 5,742.60 owed after sixty, 103.19 a month from then on.
    const even = (owed: number, rate: number, months: number) => (owed * rate) / (1 - (1 + rate) ** -months);
    const paid = even(10_000, 0.005, 120);
    const owed = 10_000 * 1.005 ** 60 - (paid * (1.005 ** 60 - 1)) / 0.005;
    expect(refinanced!.afterMonths).toBe(60);
    expect(refinanced!.payment.toNumber()).toBeCloseTo(even(owed, 0.0025, 60), 1);
    expect(loanOrCash({ ...terms, loan: { ...loan, refinance: { ...refinance, afterYears: 10 } } }).refinanced).toBeNull();
  });
  it("takes off what of the interest is set off against tax, and nothing unless that is chosen", () => {
    const plain = outlay(0.06);
    const relieved = outlay(0.06, 0.25);
    expect(plain.loanTotal.minus(relieved.loanTotal).toFixed(2)).toBe(plain.interestTotal.times(0.25).toFixed(2));
  });
  it("stops paying at the rate that it names", () => {
    const { stopsPayingFrac } = outlay(0.06);
    const at = outlay(stopsPayingFrac!);
    expect(at.loanWorth.minus(at.withoutWorth).abs().toNumber()).toBeLessThan(5);
  });
});
