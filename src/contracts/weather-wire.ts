import type { FilledWeather, Weather } from "@/core/weather";

/**
 * Weather on its way to the browser: a little-endian 32-bit length, a JSON head of that many bytes (padded to 8 with spaces), then the
 * columns it names, each as doubles. A year of hours is 210 kB.
 */
const COLUMNS = ["ghiWm2", "dniWm2", "dhiWm2", "poaWm2", "airTempC", "windSpeedMs", "rainMm", "snowDepthCm", "albedo"] as const;
type Column = (typeof COLUMNS)[number];

interface Head {
  readonly startUtcMs: number;
  readonly stepMinutes: number;
  readonly count: number;
  readonly columns: readonly Column[];
}

/** Intervals [from, to) of a weather series as bytes. */
export function packWeather(weather: FilledWeather, from: number, to: number): Uint8Array<ArrayBuffer> {
  const { startUtcMs, stepMinutes } = weather.axis;
  const columns = COLUMNS.filter((name) => weather[name] !== null);
  const head: Head = { startUtcMs: startUtcMs + from * stepMinutes * 60_000, stepMinutes, count: to - from, columns };
  const plain = new TextEncoder().encode(JSON.stringify(head));
  const headBytes = Math.ceil((4 + plain.length) / 8) * 8;
  const bytes = new Uint8Array(headBytes + columns.length * head.count * 8).fill(0x20, 0, headBytes);
  new DataView(bytes.buffer).setUint32(0, headBytes - 4, true);
  bytes.set(plain, 4);
  columns.forEach((name, k) => {
    new Float64Array(bytes.buffer, headBytes + k * head.count * 8, head.count).set(weather[name]!.subarray(from, to));
  });
  return bytes;
}

/** The weather of packed bytes. */
export function unpackWeather(bytes: ArrayBuffer): Weather {
  const headBytes = new DataView(bytes).getUint32(0, true);
  const head = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes, 4, headBytes))) as Head;
  const column = (name: Column): Float64Array | null => {
    const k = head.columns.indexOf(name);
    return k < 0 ? null : new Float64Array(bytes, 4 + headBytes + k * head.count * 8, head.count);
  };
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
  };
}
