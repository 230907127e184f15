import { expect, it } from "vitest";
import { meaningOf } from "./column-words";

it.each([
  ["Module temperature (°C)", "module_temperature_c", 1],
  ["Temp. Modul 1 [°C]", "module_temperature_c", 1],
  ["Panel temp (°F)", "module_temperature_c", 5 / 9],
  ["T_bom", "module_temperature_c", 1],
  ["Ambient temperature (°C)", "air_temperature_c", 1],
  ["Air temp (F)", "air_temperature_c", 5 / 9],
])("a column “%s” holds %s", (header, quantity, factor) => {
  expect(meaningOf(header, 60)).toMatchObject({ quantity, factor });
});

it.each(["Inverter temp (°C)", "Heat sink temperature", "Module voltage (V)", "Cell temperature (°C)"])(
  "a column “%s” is none of ours",
  (header) => {
    expect(meaningOf(header, 60)).toBeNull();
  },
);
