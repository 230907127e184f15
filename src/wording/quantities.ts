import type { MappedQuantity } from "@/contracts/mapping";

interface QuantityName {
  readonly name: string;
  readonly unit: string;
}

/** What a column holds, by name and unit: never by its header. */
const QUANTITIES: Readonly<Record<MappedQuantity, QuantityName>> = {
  ghi_w_m2: { name: "Global horizontal irradiance", unit: "W/m²" },
  dni_w_m2: { name: "Direct normal irradiance", unit: "W/m²" },
  dhi_w_m2: { name: "Diffuse horizontal irradiance", unit: "W/m²" },
  poa_w_m2: { name: "In-plane irradiance", unit: "W/m²" },
  air_temperature_c: { name: "Air temperature", unit: "°C" },
  wind_speed_m_s: { name: "Wind speed", unit: "m/s" },
  rain_mm: { name: "Rain", unit: "mm" },
  snow_depth_cm: { name: "Snow depth", unit: "cm" },
  albedo: { name: "Albedo", unit: "" },
  module_temperature_c: { name: "Module temperature, at its back", unit: "°C" },
  energy_kwh: { name: "Energy", unit: "kWh" },
  power_w: { name: "Mean power", unit: "W" },
  counter_kwh: { name: "Lifetime counter", unit: "kWh" },
};

/** "Global horizontal irradiance, W/m²", or "main meter, energy, kWh" for what a meter reads. */
export function quantityName(quantity: string, meterId = ""): string {
  const known = QUANTITIES[quantity as MappedQuantity] as QuantityName | undefined;
  if (!known) return quantity;
  const name = meterId === "" ? known.name : `${meterId} meter, ${known.name.toLowerCase()}`;
  return known.unit === "" ? name : `${name}, ${known.unit}`;
}
