import { type CapacityColumns, capacityTest, USUAL_TERMS } from "@/core/capacity";
import { normalFrom, seededUniform } from "@/core/statistics";
import { bestMs } from "./best-ms";

export interface CapacityFigures {
  readonly steps: number;
  /** A year of five-minute readings: intervals, filters, both fits, their errors. */
  readonly testMs: number;
}

const STEP = 5;
const A_DAY = 1440 / STEP;
const STEPS = 365 * A_DAY;

/** A capacity test over a year of five-minute readings, a plant of a hundred kilowatts under changing skies. */
export function measureCapacity(): CapacityFigures {
  const random = seededUniform(7);
  const sky = Array.from({ length: 365 }, () => 0.4 + 0.65 * random());
  const day = (i: number): number => Math.floor(i / A_DAY);
  const of = (value: (i: number) => number): Float64Array => Float64Array.from({ length: STEPS }, (_, i) => value(i));
  const poaWm2 = of((i) => Math.max(0, Math.sin((((i % A_DAY) / A_DAY) * 24 - 6) * (Math.PI / 12))) * 1000 * sky[day(i)]!);
  const airTempC = of((i) => 14 + 10 * Math.sin(day(i) / 58) + 5 * Math.sin(i / 45));
  const windSpeedMs = of((i) => 3 + 2 * Math.sin(i / 31));
  const expectedKw = of((i) => poaWm2[i]! * (0.104 - 5e-6 * poaWm2[i]! - 3e-4 * airTempC[i]! + 1e-4 * windSpeedMs[i]!));
  const columns: CapacityColumns = {
    axis: { startUtcMs: Date.UTC(2025, 0, 1), stepMinutes: STEP, count: STEPS },
    ...{ poaWm2, airTempC, windSpeedMs, expectedKw },
    meteredKw: expectedKw.map((kw) => kw * (0.97 + 0.01 * normalFrom(random))),
    held: new Uint8Array(STEPS),
  };
  return { steps: STEPS, testMs: bestMs(() => capacityTest(columns, USUAL_TERMS, 95, "Europe/Madrid")) };
}
