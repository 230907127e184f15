import { Decimal } from "decimal.js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Exact, loanSchedule, minorDigits, roundTo } from "..";
import { datedPresentValue, datedRateOfReturn, interestPart, owedAfter, payment, presentValue, rateOfReturn } from ".";

const dec = (value: number | string): Exact => new Exact(value);
const near = (ours: Exact, theirs: Decimal, digits = 9): void =>
  expect(Math.abs(ours.minus(theirs.toString()).toNumber())).toBeLessThan(10 ** -digits);

/** Another route: pays month by month and looks for the payment that leaves nothing, by bisection in decimals. */
function paymentByBisection(rate: string, periods: number, principal: string): Decimal {
  const Wide = Decimal.clone({ precision: 60 });
  let [low, high] = [new Wide(0), new Wide(principal).times(new Wide(rate).plus(1)).plus(1)];
  for (let k = 0; k < 160; k++) {
    const middle = low.plus(high).div(2);
    let owed = new Wide(principal);
    for (let p = 0; p < periods; p++) owed = owed.times(new Wide(rate).plus(1)).minus(middle);
    if (owed.gt(0)) low = middle;
    else high = middle;
  }
  return low;
}

/** Another route to a rate of return: bisection in decimals on the plain sum of powers. */
function rateByBisection(worth: (rate: Decimal) => Decimal, from: string, to: string): Decimal {
  const Wide = Decimal.clone({ precision: 60 });
  let [low, high] = [new Wide(from), new Wide(to)];
  const sign = worth(low).isNegative();
  for (let k = 0; k < 160; k++) {
    const middle = low.plus(high).div(2);
    if (worth(middle).isNegative() === sign) low = middle;
    else high = middle;
  }
  return low;
}

describe("annuities", () => {
  it.each([
    ["0.0065", 240, "18500"],
    ["0.0035", 144, "14000"],
    ["0.015", 36, "5000"],
  ])("a payment at %s over %i periods agrees with bisection in decimals", (rate, periods, principal) => {
    near(payment({ rate: dec(rate), periods, presentValue: dec(principal) }).negated(), paymentByBisection(rate, periods, principal));
  });

  it("agrees with the published example of 10,000 at 8 % over 10 months", () => {
    expect(payment({ rate: dec("0.08").div(12), periods: 10, presentValue: dec(10_000) }).toFixed(2)).toBe("-1037.03");
  });

  it("saves up to a future value: 50,000 in 18 years at 6 %", () => {
    expect(payment({ rate: dec("0.06").div(12), periods: 216, presentValue: dec(0), futureValue: dec(50_000) }).toFixed(2)).toBe("-129.08");
  });

  it("is the principal by the periods without interest", () => {
    expect(payment({ rate: dec(0), periods: 12, presentValue: dec(1200) }).toNumber()).toBe(-100);
  });

  it("interest parts are those of a schedule paid month by month", () => {
    const terms = { rate: dec("0.1").div(12), periods: 36, presentValue: dec(8000) };
    const each = payment(terms).negated();
    let owed = dec(8000);
    for (let k = 1; k <= 36; k++) {
      const interest = owed.times(terms.rate);
      near(interestPart(terms, k).negated(), interest, 20);
      owed = owed.plus(interest).minus(each);
    }
    expect(interestPart(terms, 1).toFixed(2)).toBe("-66.67");
    expect(owed.abs().toNumber()).toBeLessThan(1e-20);
    expect(owedAfter(terms, 36).abs().toNumber()).toBeLessThan(1e-20);
  });

  it("pays no interest first when it pays ahead", () => {
    const terms = { rate: dec("0.01"), periods: 12, presentValue: dec(1000), isAhead: true };
    expect(interestPart(terms, 1).toNumber()).toBe(0);
    near(payment(terms).times("1.01"), payment({ ...terms, isAhead: false }), 20);
  });
});

describe("present values and rates of return", () => {
  const flows = [-70_000, 12_000, 15_000, 18_000, 21_000, 26_000].map(dec);

  it("agrees with the published example: 8.66 % after five years, -2.1 % after four", () => {
    const five = rateOfReturn(flows);
    expect(five.kind === "one" && five.rate.times(100).toFixed(2)).toBe("8.66");
    const four = rateOfReturn(flows.slice(0, 5));
    expect(four.kind === "one" && four.rate.times(100).toFixed(1)).toBe("-2.1");
  });

  it("agrees with bisection in decimals to 1e-9", () => {
    const found = rateOfReturn(flows);
    const other = rateByBisection(
      (rate) => flows.reduce<Decimal>((sum, flow, k) => sum.plus(new Decimal(flow.toString()).div(rate.plus(1).pow(k))), new Decimal(0)),
      "0",
      "0.5",
    );
    expect(found.kind).toBe("one");
    if (found.kind === "one") near(found.rate, other, 12);
  });

  it("the present value is the published one, first flow a period ahead", () => {
    const value = presentValue(dec("0.1"), [0, -10_000, 3000, 4200, 6800].map(dec));
    expect(value.toFixed(2)).toBe("1188.44");
  });

  const dated = [
    { on: "2008-01-01", amount: dec(-10_000) },
    { on: "2008-03-01", amount: dec(2750) },
    { on: "2008-10-30", amount: dec(4250) },
    { on: "2009-02-15", amount: dec(3250) },
    { on: "2009-04-01", amount: dec(2750) },
  ];

  it("dated flows give the published 37.34 % and 2,086.65 at 9 %", () => {
    const found = datedRateOfReturn(dated);
    expect(found.kind === "one" && found.rate.times(100).toFixed(4)).toBe("37.3363");
    expect(datedPresentValue(dec("0.09"), dated).toFixed(2)).toBe("2086.65");
  });

  it("dated rates agree with bisection in decimals to 1e-9", () => {
    const found = datedRateOfReturn(dated);
    const days = (on: string): number => (Date.parse(on) - Date.parse("2008-01-01")) / 86_400_000;
    const other = rateByBisection(
      (rate) =>
        dated.reduce<Decimal>(
          (sum, { on, amount }) => sum.plus(new Decimal(amount.toString()).div(rate.plus(1).pow(new Decimal(days(on)).div(365)))),
          new Decimal(0),
        ),
      "0",
      "1",
    );
    if (found.kind === "one") near(found.rate, other, 12);
    expect(found.kind).toBe("one");
  });

  it("says when there is no rate, and when there are several", () => {
    expect(rateOfReturn([-100, -5].map(dec))).toEqual({ kind: "none", because: "only-costs" });
    expect(rateOfReturn([100, 5].map(dec))).toEqual({ kind: "none", because: "only-gains" });
    expect(rateOfReturn([100, -150, 100].map(dec))).toEqual({ kind: "none", because: "no-root" });
    const two = rateOfReturn([-100, 230, -132].map(dec));
    expect(two.kind === "several" && two.rates.map((rate) => rate.toFixed(6))).toEqual(["0.100000", "0.200000"]);
  });

  it("a single outlay and its return hide their own rate", () => {
    fc.assert(
      fc.property(fc.double({ min: -0.5, max: 2, noNaN: true }), fc.integer({ min: 1, max: 30 }), (rate, years) => {
        const found = rateOfReturn([
          dec(-1000),
          ...Array.from({ length: years - 1 }, () => dec(0)),
          dec(1000).times(dec(rate).plus(1).pow(years)),
        ]);
        return found.kind === "one" && Math.abs(found.rate.toNumber() - rate) < 1e-9;
      }),
      { seed: 61, numRuns: 60 },
    );
  });
});

describe("a loan's schedule", () => {
  const loan = { principal: "14000.00", ratePerYearFrac: 0.042, termYears: 12, fee: "180.00", refinance: null };

  it("ends at nothing to the cent, and repays just the principal", () => {
    const months = loanSchedule(loan, "EUR");
    expect(months).toHaveLength(144);
    expect(months.at(-1)!.owed.toNumber()).toBe(0);
    expect(months.reduce((sum, month) => sum.plus(month.repaid), dec(0)).toFixed(2)).toBe("14000.00");
    expect(months[0]!.fee.toFixed(2)).toBe("180.00");
    expect(months[0]!.interest.toFixed(2)).toBe("49.00");
  });

  it("a refinanced loan goes on from what is owed on that date", () => {
    const months = loanSchedule({ ...loan, refinance: { afterYears: 5, ratePerYearFrac: 0.03, termYears: 6, fee: "90.00" } }, "EUR");
    expect(months).toHaveLength(60 + 72);
    expect(months[60]!.interest.toFixed(2)).toBe(roundTo(months[59]!.owed.times("0.03").div(12), "EUR").toFixed(2));
    expect(months[60]!.fee.toFixed(2)).toBe("90.00");
    expect(months.at(-1)!.owed.toNumber()).toBe(0);
  });

  it("rounds by the currency: no yen has sen, a dinar has three digits", () => {
    expect([minorDigits("JPY"), minorDigits("EUR"), minorDigits("KWD")]).toEqual([0, 2, 3]);
    expect(loanSchedule({ ...loan, principal: "1400000" }, "JPY").every(({ paid }) => paid.isInteger())).toBe(true);
    expect(roundTo(dec("0.125"), "EUR").toFixed(2)).toBe("0.13");
  });
});
