import type { FeedSettings } from "@/contracts/feeds";

/** A feed of the demo: which book it fills, and from which simulator. Off until somebody starts it, so that the demo stays as it is described. */
export interface DemoFeed {
  readonly book: string;
  readonly simulator: "weather" | "logger" | "meter";
  readonly settings: Omit<FeedSettings, "url"> & { readonly path: string };
}

const common = { sinceParameter: "since", everyMinutes: 15, zone: null, labels: null, enabled: false } as const;

export const DEMO_FEEDS: readonly DemoFeed[] = [
  {
    book: "Packing shed",
    simulator: "weather",
    settings: {
      ...common,
      name: "weather mast",
      kind: "weather",
      path: "/weather.json",
      format: "json",
      meterId: null,
      json: {
        rows: "data.rows",
        time: "at",
        values: ["ghi_w_m2", "air_temperature_c", "wind_speed_m_s", "rain_mm"].map((field) => ({
          field,
          quantity: field as "ghi_w_m2",
          factor: 1,
        })),
      },
    },
  },
  {
    book: "Packing shed",
    simulator: "logger",
    settings: { ...common, name: "inverter logger", kind: "production", path: "/power.csv", format: "csv", meterId: "main", json: null },
  },
  {
    book: "Ferry office",
    simulator: "meter",
    settings: {
      ...common,
      name: "utility meter",
      kind: "production",
      path: "/readings.json",
      format: "json",
      meterId: "main",
      json: { rows: "readings", time: "read_at", values: [{ field: "total_kwh", quantity: "counter_kwh", factor: 1 }] },
    },
  },
];

/** Ports of the simulated plants, from the first on. */
export const SIMULATOR_ORDER = ["weather", "logger", "meter"] as const;
