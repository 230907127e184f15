import { describe, expect, it } from "vitest";
import { isOffGrid, mostChargingW } from "./off-grid";

const battery = { kind: null, capacityKwh: 1.44, voltageV: 12 };

describe("a charge controller and its battery", () => {
  it("let in the current at the voltage of a battery that is charged: 14.4 V of 12 V", () => {
    expect(mostChargingW({ maxA: 30 }, battery)).toBeCloseTo(432, 9);
    expect(mostChargingW({ maxA: 30 }, { ...battery, voltageV: 48 })).toBeCloseTo(1728, 9);
  });

  it("have no limit that is known while current or voltage is not", () => {
    expect(mostChargingW({ maxA: null }, battery)).toBeNull();
    expect(mostChargingW({ maxA: 30 }, { ...battery, voltageV: null })).toBeNull();
    expect(mostChargingW({ maxA: 30 }, null)).toBeNull();
    expect(mostChargingW(null, battery)).toBeNull();
  });

  it("stand off the grid where no inverter does", () => {
    expect(isOffGrid({ chargeController: { maxA: null }, inverters: [] })).toBe(true);
    expect(isOffGrid({ chargeController: { maxA: null }, inverters: [{}] })).toBe(false);
    expect(isOffGrid({ chargeController: null, inverters: [] })).toBe(false);
  });
});
