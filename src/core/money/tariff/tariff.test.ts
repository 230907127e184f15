import { billFor, billOfHours, oneBand, peakBands, plan } from "@test/tariff-builder";
import { describe, expect, it } from "vitest";
import { planFaultWords } from "@/wording/money";
import { comparePlans, planFaults, priceYear } from "..";
import { bandAt, billsInTurn, planDay, slicesOfTotals } from ".";

const ALL = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
const total = (bill: { total: { toFixed(digits: number): string } }): string => bill.total.toFixed(2);

describe("a bill by hand", () => {
  it("is kWh by price", () => expect(total(billFor(plan(), { importKwh: 350 }))).toBe("70.00"));
  it("adds the fixed charge of a month", () => expect(total(billFor(plan({ fixedPerMonth: "11.75" }), { importKwh: 100 }))).toBe("31.75"));
  it("prorates the fixed charge of a broken month by its days", () => {
    expect(total(billFor(plan({ fixedPerMonth: "31.00" }), { from: "2024-03-01", to: "2024-03-10", importKwh: 0 }))).toBe("10.00");
  });
  it("counts a month and a half across a month's end", () => {
    // All of April, and 1 to 15 May of 31: 30 + 30 * 15 / 31 = 44.516…
    expect(total(billFor(plan({ fixedPerMonth: "30.00" }), { from: "2024-04-01", to: "2024-05-15", importKwh: 0 }))).toBe("44.52");
  });
  it("charges by the day, 29 days in February of a leap year", () => {
    expect(total(billFor(plan({ fixedPerDay: "0.50" }), { from: "2024-02-01", to: "2024-02-29", importKwh: 0 }))).toBe("14.50");
    expect(total(billFor(plan({ fixedPerDay: "0.50" }), { from: "2023-02-01", to: "2023-02-28", importKwh: 0 }))).toBe("14.00");
  });
  it("charges bands apart", () =>
    expect(total(billFor(plan({ seasons: peakBands("0.312", "0.151") }), { bands: { peak: 210, "off-peak": 488 } }))).toBe("139.21"));
  it("rounds whole kWh first, the sum last", () => {
    // 100.4 is charged as 100, 50.6 as 51: 100 * 0.3333 + 51 * 0.1111 = 38.9961
    expect(total(billFor(plan({ seasons: peakBands("0.3333", "0.1111") }), { bands: { peak: 100.4, "off-peak": 50.6 } }))).toBe("39.00");
  });
  it("keeps fractions of kWh where the plan does", () => {
    expect(total(billFor(plan({ wholeKwh: false }), { importKwh: 10.04 }))).toBe("2.01");
  });
  it("rounds half a cent away from nothing", () => {
    expect(total(billFor(plan({ seasons: oneBand("0.005") }), { importKwh: 1 }))).toBe("0.01");
    expect(
      total(billFor(plan({ seasons: oneBand("0"), credit: { kind: "feed-in", perKwh: "0.005" } }), { importKwh: 0, exportKwh: 1 })),
    ).toBe("-0.01");
  });
  it("climbs tiers", () => {
    const tiers = [{ upToKwh: 300, perKwh: "0.10" }, { upToKwh: 500, perKwh: "0.20" }, { perKwh: "0.30" }];
    const own = plan({ seasons: [{ name: "year", months: ALL, bands: [{ name: "all day", tiers }] }] });
    expect(total(billFor(own, { importKwh: 300 }))).toBe("30.00");
    expect(total(billFor(own, { importKwh: 620 }))).toBe("106.00");
  });
  it("prorates tiers of a broken month", () => {
    const own = plan({
      seasons: [{ name: "year", months: ALL, bands: [{ name: "all day", tiers: [{ upToKwh: 310, perKwh: "0.10" }, { perKwh: "0.20" }] }] }],
    });
    // Ten days of 31: the first 100 kWh are cheap.
    expect(total(billFor(own, { from: "2024-03-01", to: "2024-03-10", importKwh: 150 }))).toBe("20.00");
  });
  it("lifts a small bill to the minimum", () => {
    expect(total(billFor(plan({ minimumPerMonth: "15.00" }), { importKwh: 20 }))).toBe("15.00");
    expect(total(billFor(plan({ minimumPerMonth: "15.00" }), { importKwh: 200 }))).toBe("40.00");
  });
  it("adds levies by the kWh and taxes on all charges", () => {
    const own = plan({ fixedPerMonth: "10.00", levies: [{ name: "levy", perKwh: "0.02" }], taxes: [{ name: "tax", frac: 0.19 }] });
    expect(total(billFor(own, { importKwh: 100 }))).toBe("38.08");
  });
  it("does not tax the export credit", () => {
    const own = plan({ taxes: [{ name: "tax", frac: 0.1 }], credit: { kind: "feed-in", perKwh: "0.05" } });
    expect(total(billFor(own, { importKwh: 100, exportKwh: 100 }))).toBe("17.00");
  });
  it("pays out a negative bill of a feed-in", () => {
    expect(total(billFor(plan({ credit: { kind: "feed-in", perKwh: "0.08" } }), { importKwh: 10, exportKwh: 500 }))).toBe("-38.00");
  });
  it("rises at each anniversary of its start", () => {
    const own = plan({ from: "2020-07-01", risePerYearFrac: 0.05 });
    expect(total(billFor(own, { from: "2021-06-01", to: "2021-06-30", importKwh: 100 }))).toBe("20.00");
    expect(total(billFor(own, { from: "2021-07-01", to: "2021-07-31", importKwh: 100 }))).toBe("21.00");
    expect(total(billFor(own, { from: "2022-07-01", to: "2022-07-31", importKwh: 100 }))).toBe("22.05");
  });
  it("changes plan on the day: a bill across it takes each plan's days", () => {
    const old = plan({ id: "old", to: "2024-03-10", fixedPerDay: "1.00", seasons: oneBand("0.10") });
    const next = plan({ id: "new", from: "2024-03-11", fixedPerDay: "2.00", seasons: oneBand("0.20") });
    // 310 kWh: 100 at 0.10 and 210 at 0.20; 10 days at 1 and 21 at 2.
    expect(total(billFor([old, next], { importKwh: 310 }))).toBe("104.00");
  });
  it("changes season inside a bill by days", () => {
    const seasons = [
      { name: "winter", months: [1, 2, 3, 10, 11, 12], bands: [{ name: "all day", tiers: [{ perKwh: "0.30" }] }] },
      { name: "summer", months: [4, 5, 6, 7, 8, 9], bands: [{ name: "all day", tiers: [{ perKwh: "0.20" }] }] },
    ];
    expect(total(billFor(plan({ seasons }), { from: "2024-03-17", to: "2024-04-15", importKwh: 300 }))).toBe("75.00");
  });
  it("asks for the bands when a printed bill has none", () => {
    const slices = slicesOfTotals([plan({ seasons: peakBands("0.3", "0.1") })], {
      from: "2024-03-01",
      to: "2024-03-31",
      importKwh: 100,
      importByBandKwh: {},
      exportKwh: 0,
    });
    expect(slices).toEqual({ kind: "bands-needed", bands: ["peak", "off-peak"], given: [] });
  });
  it("has no answer for days without a plan", () => {
    expect(
      slicesOfTotals([plan({ from: "2024-04-01" })], {
        from: "2024-03-01",
        to: "2024-03-31",
        importKwh: 1,
        importByBandKwh: {},
        exportKwh: 0,
      }).kind,
    ).toBe("no-plan");
  });
});

describe("export over the year", () => {
  const month = (key: string, importKwh: number, exportKwh: number) => {
    const days = new Date(Date.UTC(Number(key.slice(0, 4)), Number(key.slice(5)), 0)).getUTCDate();
    return (own: ReturnType<typeof plan>) => {
      const slices = slicesOfTotals([own], { from: `${key}-01`, to: `${key}-${days}`, importKwh, importByBandKwh: {}, exportKwh });
      return slices.kind === "slices" ? slices.slices : [];
    };
  };
  it("net metering pays with kWh, this month's first, then the bank's", () => {
    const own = plan({ credit: { kind: "net-metering", trueUpMonth: 3 } });
    const bills = billsInTurn([month("2024-06", 100, 300)(own), month("2024-07", 150, 50)(own), month("2024-08", 200, 0)(own)], "EUR");
    // Bank: 200, then 100, then 0 and 100 bought.
    expect(bills.map(total)).toEqual(["0.00", "0.00", "20.00"]);
  });
  it("the true-up pays what is left in the bank, and empties it", () => {
    const own = plan({ credit: { kind: "net-metering", trueUpMonth: 3, trueUpPerKwh: "0.03" } });
    const bills = billsInTurn([month("2024-03", 100, 400)(own), month("2024-04", 50, 0)(own)], "EUR");
    expect(bills.map(total)).toEqual(["-9.00", "10.00"]);
  });
  it("a bank without a price is lost at the true-up", () => {
    const own = plan({ credit: { kind: "net-metering", trueUpMonth: 3 } });
    expect(billsInTurn([month("2024-03", 100, 400)(own), month("2024-04", 50, 0)(own)], "EUR").map(total)).toEqual(["0.00", "10.00"]);
  });
  it("net billing carries a negative bill to the true-up month, which pays it out", () => {
    const own = plan({ fixedPerMonth: "5.00", credit: { kind: "net-billing", perKwh: "0.10", trueUpMonth: 8 } });
    const bills = billsInTurn([month("2024-06", 0, 250)(own), month("2024-07", 25, 0)(own), month("2024-08", 0, 100)(own)], "EUR");
    // -20 waits; 10 - 20 = -10 waits; -5 - 10 is paid out.
    expect(bills.map(total)).toEqual(["0.00", "0.00", "-15.00"]);
  });
  it("net billing without a true-up pays each negative bill out", () => {
    const own = plan({ credit: { kind: "net-billing", perKwh: "0.079" } });
    expect(total(billFor(own, { importKwh: 0, exportKwh: 100 }))).toBe("-7.90");
  });
});

describe("hours by the local clock", () => {
  const own = plan({ seasons: peakBands("1", "0", [[2, 3]]), wholeKwh: false });
  const peakKwh = (from: string, to = from): number =>
    billOfHours(own, from, to, "Europe/Madrid", () => 1).slices.reduce((sum, slice) => sum + slice.importKwh[0]!, 0);

  it("an hour from two to three holds one hour on a plain Monday", () => expect(peakKwh("2024-03-25")).toBe(1));
  it("weekends have no peak", () => expect(peakKwh("2024-03-23", "2024-03-24")).toBe(0));
  it("the day that loses an hour has 23, the day that doubles it 25", () => {
    const all = plan();
    const kwh = (date: string): number => billOfHours(all, date, date, "Europe/Madrid", () => 1).slices[0]!.importKwh[0]!;
    expect([kwh("2024-03-31"), kwh("2024-10-27"), kwh("2024-06-02")]).toEqual([23, 25, 24]);
  });
  it("the doubled hour counts twice in its band, the skipped one not at all", () => {
    const everyDay = plan({
      wholeKwh: false,
      seasons: [
        {
          name: "year",
          months: ALL,
          bands: [
            { name: "peak", days: "all", hours: [[2, 3]], tiers: [{ perKwh: "1" }] },
            { name: "rest", tiers: [{ perKwh: "0" }] },
          ],
        },
      ],
    });
    const bill = (date: string): string => total(billOfHours(everyDay, date, date, "Europe/Madrid", () => 1).bill);
    expect([bill("2024-10-27"), bill("2024-03-31"), bill("2024-05-05")]).toEqual(["2.00", "0.00", "1.00"]);
  });
  it("29 February is a day like others, and a Thursday in 2024", () => {
    expect(planDay(own, "2024-02-29")?.isWeekend).toBe(false);
    expect(peakKwh("2024-02-29")).toBe(1);
  });
  it("holidays count as weekends, every year or once", () => {
    const rested = plan({ seasons: peakBands("1", "0"), holidays: ["12-25", "2024-04-01"] });
    expect(["2024-12-25", "2025-12-25", "2024-04-01", "2025-04-01"].map((date) => planDay(rested, date)!.isWeekend)).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });
  it("splits an hour at the quarter, and runs over midnight", () => {
    const night = plan({
      seasons: [
        {
          name: "year",
          months: ALL,
          bands: [
            { name: "night", hours: [[22.5, 6]], tiers: [{ perKwh: "1" }] },
            { name: "day", tiers: [{ perKwh: "0" }] },
          ],
        },
      ],
      wholeKwh: false,
    });
    expect(total(billOfHours(night, "2024-05-07", "2024-05-07", "Europe/Madrid", () => 1).bill)).toBe("7.50");
    expect(bandAt(planDay(night, "2024-05-07")!, 23.75)).toBe(0);
  });
  it("charges the highest mean power of the demand hours", () => {
    const demand = plan({ demand: { perKw: "4.00", days: "weekdays", hours: [[8, 20]] }, seasons: oneBand("0") });
    const busy = (utcMs: number): number =>
      new Date(utcMs).getUTCHours() === 10 && new Date(utcMs).getUTCDate() === 7 ? 9.5 : new Date(utcMs).getUTCHours() === 2 ? 20 : 1;
    const { bill } = billOfHours(demand, "2024-05-01", "2024-05-31", "UTC", busy);
    expect(total(bill)).toBe("38.00");
  });
  it("shows the price of every hour, levies and taxes in", () => {
    const year = priceYear(
      [plan({ seasons: peakBands("0.30", "0.20"), levies: [{ name: "levy", perKwh: "0.01" }], taxes: [{ name: "tax", frac: 0.1 }] })],
      "2024-01-01",
    );
    expect(year.dates).toHaveLength(366);
    expect([year.perKwh[15]!.toFixed(4), year.perKwh[2]!.toFixed(4), year.bandOf[5 * 24 + 15]]).toEqual([
      "0.3410",
      "0.2310",
      "year, off-peak",
    ]);
  });
});

describe("a plan that began in the middle of a year", () => {
  it("is drawn for the whole year from that day", () => {
    const { dates, perKwh } = priceYear([plan({ from: "2023-07-15" })], "2023-07-15");
    expect([dates[0], dates.at(-1), perKwh.some(Number.isNaN)]).toEqual(["2023-07-15", "2024-07-14", false]);
  });
});

describe("a plan that can't be right", () => {
  const words = (parts: object): string =>
    planFaults(plan(parts), 2)
      .map((fault) => planFaultWords(fault).what)
      .join(" ");
  it("names months without a season and in two", () => {
    const season = (name: string, months: number[]) => ({ ...oneBand("0.2")[0]!, name, months });
    expect(words({ seasons: [season("a", [1, 2, 3, 4, 5, 6]), season("b", [6, 7, 8, 9, 10, 11])] })).toContain(
      "No season holds December. June stands".slice(0, 25),
    );
    expect(words({ seasons: [season("a", ALL), season("b", [6])] })).toContain("June stands in a and in b");
  });
  it("names hours that two bands hold, and hours that none does", () => {
    const bands = [
      { name: "a", hours: [[6, 14]], tiers: [{ perKwh: "0.2" }] },
      { name: "b", hours: [[13.5, 24]], tiers: [{ perKwh: "0.1" }] },
    ];
    const told = words({ seasons: [{ name: "year", months: ALL, bands }] });
    expect(told).toContain("a and b both hold 13:30 on weekdays");
    expect(told).toContain("no band holds 0:00 to 6:00 on weekends");
  });
  it("knows cents from currency, by the currency's digits", () => {
    expect(words({ seasons: oneBand("11") })).toContain("11 a kWh. That looks like cents.");
    expect(planFaultWords(planFaults(plan({ seasons: oneBand("11") }), 2)[0]!).remedy).toContain("0.11");
    expect(planFaults(plan({ seasons: oneBand("31") }), 0)).toEqual([]);
  });
  it("wants rising tiers, the last one open", () => {
    const tiers = [
      { upToKwh: 300, perKwh: "0.1" },
      { upToKwh: 200, perKwh: "0.2" },
    ];
    expect(words({ seasons: [{ name: "year", months: ALL, bands: [{ name: "all day", tiers }] }] })).toContain("must rise");
  });
  it("finds nothing wrong with a right one", () => expect(planFaults(plan({ seasons: peakBands("0.3", "0.1") }), 2)).toEqual([]));
});

describe("plans compared", () => {
  it("puts the cheapest with the array first, and tells the price of a bought kWh with it and without", () => {
    const cheap = plan({ id: "cheap", seasons: peakBands("0.20", "0.20") });
    const sun = plan({ id: "sun", seasons: peakBands("0.50", "0.10") });
    const outcomes = comparePlans([sun, cheap], "EUR", (own, withArray) => [
      slicesOfTotals([own], {
        from: "2024-03-01",
        to: "2024-03-31",
        importKwh: 300,
        importByBandKwh: withArray ? { peak: 200, "off-peak": 100 } : { peak: 210, "off-peak": 390 },
        exportKwh: 0,
      }),
    ]);
    expect(outcomes.map((outcome) => [outcome.plan.id, outcome.withArray.toFixed(2), outcome.withoutArray.toFixed(2)])).toEqual([
      ["cheap", "60.00", "120.00"],
      ["sun", "110.00", "144.00"],
    ]);
    expect(outcomes[1]!.perImportedKwh!.gt(outcomes[1]!.perImportedKwhWithout!)).toBe(true);
  });
});
