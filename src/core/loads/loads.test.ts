import { describe, expect, it } from "vitest";
import { type Appliance, type BatteryTerms, loadDoubts, loadReport } from ".";

const always = Array.from({ length: 12 }, () => true);
const appliance = (parts: Partial<Appliance> = {}): Appliance => ({
  name: "pump",
  watts: 600,
  count: 1,
  hoursPerDay: 4,
  months: always,
  ...parts,
});
const battery = (parts: Partial<BatteryTerms> = {}): BatteryTerms => ({
  capacityKwh: 10,
  voltageV: 48,
  usableFrac: 0.5,
  roundTripFrac: 0.8,
  chargerMaxA: null,
  ...parts,
});
/** Light from 8 to 16 h, at this power. */
const day = (kw: number): number[] => Array.from({ length: 24 }, (_, h) => (h >= 8 && h < 16 ? kw : 0));
const year = (kw: number): number[][] => Array.from({ length: 12 }, () => day(kw));
const report = (parts: Partial<Parameters<typeof loadReport>[0]> = {}) =>
  loadReport({ appliances: [appliance()], battery: battery(), madeKwByHour: year(1), arrayW: 2400, ...parts });

describe("use against what the array makes", () => {
  it("counts each appliance by its number, hours and months", () => {
    const summer = always.map((_, m) => m >= 5 && m < 8);
    const { months, loadW } = report({
      appliances: [appliance(), appliance({ watts: 100, count: 3, hoursPerDay: 10, months: summer })],
    });
    expect(months.map(({ month }) => month)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(months[0]!.useKwhPerDay).toBeCloseTo(2.4, 12);
    expect(months[6]!.useKwhPerDay).toBeCloseTo(2.4 + 3, 12);
    expect(loadW).toBe(900);
  });

  it("sends the night's use through the battery, with its loss", () => {
    const [month] = report().months;
    expect(month!.madeKwhPerDay).toBe(8);
    // 0.1 kW around the clock: 0.8 kWh straight from the sun, 1.6 kWh by way of the battery.
    expect(month!.coverFrac).toBeCloseTo(8 / (0.8 + 1.6 / 0.8), 12);
  });

  it("a surplus is what lies above the steady load, from its first hour to the end of its last", () => {
    expect(report().months[0]).toMatchObject({ surplusHours: 8, surplusFromTo: [8, 16] });
    // The steady load is 0.125 kW: as much is no surplus.
    const steady = { appliances: [appliance({ watts: 750 })] };
    expect(report({ ...steady, madeKwByHour: year(0.125) }).months[0]).toMatchObject({ surplusHours: 0, surplusFromTo: null });
    expect(report({ ...steady, madeKwByHour: year(0.126) }).months[0]!.surplusHours).toBe(8);
    expect(report({ appliances: [], madeKwByHour: year(0) }).months[0]!.surplusHours).toBe(0);
  });

  it("the worst month is the one covered least, and sets the days without sun", () => {
    const made = year(1);
    made[11] = day(0.2);
    const { worst, usableKwh, autonomyDays } = report({ madeKwByHour: made });
    expect(worst.month).toBe(12);
    expect(usableKwh).toBe(5);
    expect(autonomyDays).toBeCloseTo(5 / 2.4, 12);
  });

  it("with nothing used nothing is short", () => {
    const { autonomyDays, months } = report({ appliances: [] });
    expect(autonomyDays).toBe(Number.POSITIVE_INFINITY);
    expect(months[0]!.coverFrac).toBe(Number.POSITIVE_INFINITY);
  });

  it("the array's full power makes the charge current, against charger and capacity", () => {
    expect(report()).toMatchObject({ chargeA: 50, chargerShort: false });
    expect(report().chargeRate).toBeCloseTo(50 / (10_000 / 48), 12);
    expect(report({ battery: battery({ chargerMaxA: 49.4 }) }).chargerShort).toBe(true);
    expect(report({ battery: battery({ chargerMaxA: 49.6 }) }).chargerShort).toBe(false);
    expect(report({ battery: battery({ chargerMaxA: 50 }) }).chargerShort).toBe(false);
    expect(report({ battery: battery({ voltageV: 0 }) })).toMatchObject({ chargeA: 0, chargeRate: 0 });
  });
});

describe("figures that look like another unit", () => {
  const doubtsOf = (parts: Partial<Appliance>, bank: Partial<BatteryTerms> = {}) =>
    loadDoubts([appliance(parts)], battery(bank)).map(({ doubt }) => doubt);

  it.each([
    [1.2, ["kilowatts-as-watts"]],
    [4.99, ["kilowatts-as-watts"]],
    [5.01, []],
    [5, []],
    [-0.5, []],
    [3, []],
    [12_000, []],
    [12_001, ["kilowatt-hours-as-watts"]],
  ])("%s W", (watts, doubts) => {
    expect(doubtsOf({ watts })).toEqual(doubts);
  });

  it.each([
    [24, []],
    [24.1, ["more-than-a-day"]],
  ])("%s hours a day", (hoursPerDay, doubts) => {
    expect(doubtsOf({ hoursPerDay })).toEqual(doubts);
  });

  it.each([
    [80, 48, []],
    [81, 48, ["battery-in-ampere-hours"]],
    [81, 60, ["battery-in-ampere-hours"]],
    [81, 61, []],
  ])("a bank of %s kWh at %s V", (capacityKwh, voltageV, doubts) => {
    expect(doubtsOf({}, { capacityKwh, voltageV })).toEqual(doubts);
  });

  it("nothing used is said once, with whose figure it is", () => {
    expect(doubtsOf({ watts: 0 })).toEqual(["nothing-used"]);
    expect(doubtsOf({ count: 0 })).toEqual(["nothing-used"]);
    expect(loadDoubts([appliance()], battery({ capacityKwh: 200 }))).toEqual([
      { doubt: "battery-in-ampere-hours", name: "battery", value: 200 },
    ]);
    expect(loadDoubts([appliance({ name: "boiler", watts: 20_000 })], battery())).toEqual([
      { doubt: "kilowatt-hours-as-watts", name: "boiler", value: 20_000 },
    ]);
    expect(loadDoubts([appliance({ name: "kettle", watts: 1.8 })], battery())).toEqual([
      { doubt: "kilowatts-as-watts", name: "kettle", value: 1.8 },
    ]);
    expect(loadDoubts([appliance({ hoursPerDay: 0 }), appliance()], battery())).toEqual([]);
  });
});
