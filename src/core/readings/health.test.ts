import { describe, expect, it } from "vitest";
import { checkDisplay, daysOfMonth, healthSide, promisedKwh, USUAL_TOLERANCE } from ".";

describe("a reading beside what it should be", () => {
  it("is fine within the kilowatt-hours or within the share, on either side", () => {
    const within = (read: number, measure: number) => healthSide(read, measure, { kwh: 1, frac: 0.1 }).within;
    expect([within(101, 100), within(110, 100), within(110.1, 100), within(90, 100), within(89.9, 100)]).toEqual([
      true,
      true,
      false,
      true,
      false,
    ]);
    expect([within(3, 2), within(3.1, 2), within(1, 2), within(0.9, 2)]).toEqual([true, false, true, false]);
    expect(USUAL_TOLERANCE).toEqual({ kwh: 1, frac: 0.1 });
  });

  it("says how far it stands, and has no ratio to nothing", () => {
    expect(healthSide(90, 100, USUAL_TOLERANCE)).toMatchObject({ measureKwh: 100, differenceKwh: -10, ratio: 0.9 });
    expect(healthSide(1, 0, USUAL_TOLERANCE).ratio).toBeNaN();
  });
});

describe("what a promise says for some days", () => {
  const monthly = [31, 28, 62, 30, 31, 30, 31, 31, 30, 31, 30, 310];

  it("is each day its share of its own month", () => {
    expect(promisedKwh(monthly, "2023-01-01", "2024-01-01")).toBeCloseTo(
      monthly.reduce((a, b) => a + b, 0),
      9,
    );
    expect(promisedKwh(monthly, "2023-02-20", "2023-03-03")).toBeCloseTo(9 + 2 * 2, 9);
    expect(promisedKwh(monthly, "2023-12-30", "2024-01-02")).toBeCloseTo(2 * 10 + 1, 9);
    expect(promisedKwh(monthly, "2023-05-01", "2023-05-01")).toBe(0);
  });

  it("a leap year's February has a day more", () => {
    expect(promisedKwh(monthly, "2024-02-29", "2024-03-01")).toBeCloseTo(28 / 29, 12);
    expect([2023, 2024, 1900, 2000, 2100].map((year) => daysOfMonth(year, 1))).toEqual([28, 29, 28, 29, 28]);
    expect(daysOfMonth(2024, 0)).toBe(31);
    expect(daysOfMonth(2024, 3)).toBe(30);
  });
});

describe("a display whose figures agree", () => {
  const display = (parts: Partial<Parameters<typeof checkDisplay>[0]> = {}) =>
    checkDisplay({
      dcInputs: [
        { volts: 400, amps: 5 },
        { volts: 400, amps: 5 },
      ],
      acVolts: 230,
      acAmps: 3880 / 230,
      acW: 3880,
      ...parts,
    });
  const ac = (acW: number) => display({ acW, acAmps: acW / 230 }).faults;

  it("is said to be so, with its sums", () => {
    expect(display()).toMatchObject({ dcW: 4000, efficiencyFrac: 0.97, balanceFrac: 1, faults: [] });
    expect(display().acProductW).toBeCloseTo(3880, 9);
  });

  it("gives no more than it takes, and nine tenths of it", () => {
    expect([ac(4000), ac(4001), ac(3520), ac(3519)]).toEqual([[], ["more-ac-than-dc"], [], ["poor-efficiency"]]);
  });

  it("its inputs carry alike, those that carry any", () => {
    const inputs = (...amps: number[]) => display({ dcInputs: amps.map((each) => ({ volts: 4000 / 10, amps: each })) });
    expect(inputs(5.405, 4.595).faults).toEqual([]);
    expect(inputs(5.41, 4.59).faults).toEqual(["inputs-unequal"]);
    expect(inputs(10, 0).balanceFrac).toBeNaN();
    expect(inputs(10, 0).faults).toEqual([]);
  });

  it("volts times amperes are the watts it shows, within six hundredths", () => {
    const amps = (factor: number) => display({ acAmps: (3880 / 230) * factor }).faults;
    expect([amps(1.059), amps(1.061), amps(0.941), amps(0.939)]).toEqual([[], ["ac-disagrees"], [], ["ac-disagrees"]]);
  });

  it("inputs that were not read are left out", () => {
    expect(
      display({
        dcInputs: [
          { volts: 400, amps: 10 },
          { volts: Number.NaN, amps: 3 },
        ],
      }),
    ).toMatchObject({ dcW: 4000, faults: [] });
    expect(display({ dcInputs: [] }).dcW).toBeNaN();
  });
});
