import { say } from "@/wording/tables";
import type { Quantity } from "./columns";

export interface Limit {
  readonly least: number;
  readonly most: number;
  readonly expected: string;
  readonly remedy: string;
  /** Whether values below zero are taken and said: the examination tells an inverter's draw at night from a net meter. */
  readonly belowZero?: boolean;
}

const irradiance: Limit = {
  least: -20,
  most: 2000,
  expected: say.irradianceBetween20And2000W,
  remedy: say.ifTheFileHoldsKwhM,
};

const metered = (what: string): Limit => ({
  least: 0,
  most: 1e9,
  expected: say.cantBeNegative(what),
  remedy: say.ifThisIsANetMeter,
});

/** What each quantity can be on earth; beyond it a value is a fault of the file. */
export const LIMITS: Readonly<Record<Quantity, Limit>> = {
  ghi_w_m2: irradiance,
  dni_w_m2: irradiance,
  dhi_w_m2: irradiance,
  poa_w_m2: irradiance,
  air_temperature_c: {
    least: -90,
    most: 60,
    expected: say.airTemperatureBetween90And60,
    remedy: say.ifTheFileIsInFahrenheit,
  },
  wind_speed_m_s: {
    least: 0,
    most: 110,
    expected: say.windSpeedBetween0And110,
    remedy: say.ifTheFileIsInKm,
  },
  rain_mm: {
    least: 0,
    most: 400,
    expected: say.rainOfTheIntervalBetween0,
    remedy: say.ifTheColumnIsARunning,
  },
  snow_depth_cm: { least: 0, most: 1200, expected: say.snowLyingBetween0And1200, remedy: say.checkTheUnitCentimetres },
  albedo: { least: 0, most: 1, expected: say.albedoBetween0And1, remedy: "Write 20 % as 0.2." },
  module_temperature_c: {
    least: -90,
    most: 120,
    expected: say.moduleTemperatureBetween,
    remedy: say.ifTheFileIsInFahrenheit,
  },
  energy_kwh: { ...metered(say.energyOfAnInterval), least: -1e6, belowZero: true },
  power_w: { ...metered("Power"), least: -1e9, belowZero: true },
  counter_kwh: metered(say.aLifetimeCounter),
};
