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
  expected: "Irradiance between -20 and 2000 W/m²; the record under broken cloud is near 1900.",
  remedy: "If the file holds kWh/m² or kJ/m², convert it to mean W/m² of the interval.",
};

const metered = (what: string): Limit => ({
  least: 0,
  most: 1e9,
  expected: `${what} can't be negative.`,
  remedy: "If this is a net meter, choose the metering point net; otherwise clear the cells.",
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
    expected: "Air temperature between -90 and 60 °C.",
    remedy: "If the file is in Fahrenheit or Kelvin, convert it to Celsius.",
  },
  wind_speed_m_s: {
    least: 0,
    most: 110,
    expected: "Wind speed between 0 and 110 m/s.",
    remedy: "If the file is in km/h or knots, convert it to m/s.",
  },
  rain_mm: {
    least: 0,
    most: 400,
    expected: "Rain of the interval between 0 and 400 mm.",
    remedy: "If the column is a running sum, write the rain of each interval.",
  },
  snow_depth_cm: { least: 0, most: 1200, expected: "Snow lying between 0 and 1200 cm.", remedy: "Check the unit: centimetres." },
  albedo: { least: 0, most: 1, expected: "Albedo between 0 and 1.", remedy: "Write 20 % as 0.2." },
  energy_kwh: { ...metered("Energy of an interval"), least: -1e6, belowZero: true },
  power_w: { ...metered("Power"), least: -1e9, belowZero: true },
  counter_kwh: metered("A lifetime counter"),
};
