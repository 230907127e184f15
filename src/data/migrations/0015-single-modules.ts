import type { Sequelize } from "sequelize";

/* Raw SQL: a migration describes tables as they were and as they become. Taken back, readings of single modules are no kind any more and go. */
export const singleModules = {
  name: "0015-single-modules",
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("alter type series_quantity add value 'module_kwh'");
    await context.query("alter type import_kind add value 'modules'");
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query("delete from series where quantity = 'module_kwh'");
    await context.query("delete from import_batches where kind = 'modules'");
    await context.query("alter type series_quantity rename to series_quantity_before");
    await context.query(
      `create type series_quantity as enum ('ghi_w_m2', 'dni_w_m2', 'dhi_w_m2', 'poa_w_m2', 'air_temperature_c', 'wind_speed_m_s', 'rain_mm',
       'snow_depth_cm', 'albedo', 'energy_kwh', 'power_w', 'counter_kwh', 'module_temperature_c')`,
    );
    await context.query("alter table series alter column quantity type series_quantity using quantity::text::series_quantity");
    await context.query("drop type series_quantity_before");
    await context.query("alter type import_kind rename to import_kind_before");
    await context.query("create type import_kind as enum ('weather', 'production', 'promise')");
    await context.query("alter table import_batches alter column kind type import_kind using kind::text::import_kind");
    await context.query("drop type import_kind_before");
  },
};
