import type { Sequelize } from "sequelize";

/* Raw SQL: a migration describes tables as they were and as they become. Taken back, readings of a module's back are no quantity any more and go. */
export const moduleTemperature = {
  name: "0014-module-temperature",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("alter type series_quantity add value 'module_temperature_c'");
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("delete from series where quantity = 'module_temperature_c'");
    await context.query("alter type series_quantity rename to series_quantity_before");
    await context.query(
      `create type series_quantity as enum ('ghi_w_m2', 'dni_w_m2', 'dhi_w_m2', 'poa_w_m2', 'air_temperature_c', 'wind_speed_m_s', 'rain_mm',
       'snow_depth_cm', 'albedo', 'energy_kwh', 'power_w', 'counter_kwh')`,
    );
    await context.query("alter table series alter column quantity type series_quantity using quantity::text::series_quantity");
    await context.query("drop type series_quantity_before");
  },
};
