import type { FilledWeather, Weather } from "@/core/weather";
import { packColumns, unpackColumns } from "./columns-wire";

const COLUMNS = [
  "ghiWm2",
  "dniWm2",
  "dhiWm2",
  "poaWm2",
  "airTempC",
  "windSpeedMs",
  "rainMm",
  "snowDepthCm",
  "albedo",
  "moduleTempC",
] as const;
type Column = (typeof COLUMNS)[number];

interface Head {
  readonly startUtcMs: number;
  readonly stepMinutes: number;
  readonly count: number;
  readonly columns: readonly Column[];
}

/** Intervals [from, to) of a weather series on their way to the browser. A year of hours is 210 kB. */
export function packWeather(weather: FilledWeather, from: number, to: number): Uint8Array<ArrayBuffer> {
  const { startUtcMs, stepMinutes } = weather.axis;
  const columns = COLUMNS.filter((name) => weather[name] !== null);
  const head: Head = { startUtcMs: startUtcMs + from * stepMinutes * 60_000, stepMinutes, count: to - from, columns };
  return packColumns(
    head,
    columns.map((name) => weather[name]!.subarray(from, to)),
  );
}

/** The weather of packed bytes. */
export function unpackWeather(bytes: ArrayBuffer): Weather {
  const { head, columns } = unpackColumns(bytes) as { head: Head; columns: Float64Array[] };
  const column = (name: Column): Float64Array | null => columns[head.columns.indexOf(name)] ?? null;
  return {
    axis: { startUtcMs: head.startUtcMs, stepMinutes: head.stepMinutes, count: head.count },
    ghiWm2: column("ghiWm2"),
    dniWm2: column("dniWm2"),
    dhiWm2: column("dhiWm2"),
    poaWm2: column("poaWm2"),
    airTempC: column("airTempC"),
    windSpeedMs: column("windSpeedMs"),
    rainMm: column("rainMm"),
    snowDepthCm: column("snowDepthCm"),
    albedo: column("albedo"),
    moduleTempC: column("moduleTempC"),
  };
}
