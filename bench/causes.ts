import { spawn } from "node:child_process";
import path from "node:path";
import { randomPlant, simulateWeather, simulateWithTruth } from "@simulators";
import { siteSchema } from "@/contracts/site";
import { attribute, extendAttribution } from "@/usecases/attribution";
import { type OpenLedger, openLedger } from "@/usecases/ledger";
import WORKER_FLAGS from "../scripts/lib/worker-flags.json" with { type: "json" };
import { bestMs } from "./best-ms";

export interface CauseFigures {
  readonly tenYearsMs: number;
  readonly fiveMinutesMs: number;
  /** A day added to ten years of hours: opening the ledger, and bringing the report up to it. */
  readonly newDayOpenMs: number;
  readonly newDayMs: number;
  readonly sites: number;
  readonly oneWorkerS: number;
  readonly twoWorkersS: number;
}

const DRAWS = 1000;

/** A dusty stand-in with everything wrong, over some years, at a step of weather and meter. */
export const benchLedger = (years: number, stepMinutes: number, k = 0): OpenLedger => ledgerLess(years, stepMinutes, k)(0);

/** The same, of which the ledger can be opened with some days less. */
export function ledgerLess(years: number, stepMinutes: number, k = 0): (daysLess: number) => OpenLedger {
  const plant = randomPlant(k);
  const site = siteSchema.parse(plant.site);
  const axis = { startUtcMs: Date.UTC(2014, 0, 1), stepMinutes, count: Math.round((years * 365.25 * 1440) / stepMinutes) };
  const weather = simulateWeather(plant.climate, site.place, axis, plant.seed);
  const { energyKwh } = simulateWithTruth({ ...site, commissioned: "2013-06-01" }, { ...plant.truth, ageingPerYearFrac: 0.006 }, weather);
  return (daysLess) => {
    const count = axis.count - (daysLess * 1440) / stepMinutes;
    const cut = { ...axis, count };
    const series = (quantity: string, values: Float64Array) => ({ quantity, meterId: "", axis: cut, values: values.subarray(0, count) });
    return openLedger({
      site: { ...site, commissioned: "2013-06-01" },
      weather: [
        series("ghi_w_m2", weather.ghiWm2),
        series("air_temperature_c", weather.airTempC),
        series("wind_speed_m_s", weather.windSpeedMs),
        series("rain_mm", weather.rainMm),
      ],
      production: [{ ...series("energy_kwh", energyKwh), meterId: "main" }],
      promise: null,
    });
  };
}

export function seek(ledger: OpenLedger): number {
  const started = performance.now();
  attribute({ ledger, entries: [], draws: DRAWS });
  return performance.now() - started;
}

const SITES = 48;
const PASSES = 3;

/** Causes of ten years by the hour and by five minutes with their redraws, and of many sites on one worker and on two. */
export async function measureCauses(): Promise<CauseFigures> {
  const hoursLess = ledgerLess(10, 60);
  const hours = hoursLess(0);
  const yesterday = attribute({ ledger: hoursLess(1), entries: [], draws: DRAWS })!;
  if (!extendAttribution(yesterday, hours, [])) throw new Error("The new day was not read by the laws of the day before");
  const fine = benchLedger(10, 5);
  const best = (ledger: OpenLedger): number => Math.min(seek(ledger), seek(ledger), seek(ledger));
  const tenYearsMs = best(hours);
  const fiveMinutesMs = best(fine);
  let [oneWorkerS, twoWorkersS] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  // One after the other, and the best of each: what else runs on the machine slows a pass by half.
  for (let pass = 0; pass < PASSES; pass++) {
    oneWorkerS = Math.min(oneWorkerS, await share([[0, SITES]]));
    twoWorkersS = Math.min(
      twoWorkersS,
      await share([
        [0, SITES / 2],
        [SITES / 2, SITES],
      ]),
    );
  }
  const newDayOpenMs = bestMs(() => hoursLess(0));
  const newDayMs = bestMs(() => extendAttribution(yesterday, hours, []));
  return { tenYearsMs, fiveMinutesMs, newDayOpenMs, newDayMs, sites: SITES, oneWorkerS, twoWorkersS };
}

/** Seconds that workers take for their shares, each in a process of its own; what they need to start is left out. */
async function share(parts: readonly (readonly [number, number])[]): Promise<number> {
  const took = await Promise.all(
    parts.map(
      ([from, to]) =>
        new Promise<number>((resolve, reject) => {
          const child = spawn(
            process.execPath,
            [...WORKER_FLAGS, "--import", "tsx", path.join(import.meta.dirname, "causes-share.ts"), String(from), String(to)],
            {
              stdio: ["ignore", "pipe", "inherit"],
            },
          );
          let out = "";
          child.stdout.on("data", (chunk: Buffer) => {
            out += chunk.toString();
          });
          child.on("exit", (code) => (code === 0 ? resolve(Number(out)) : reject(new Error(`share ended with ${code}`))));
        }),
    ),
  );
  return Math.max(...took) / 1000;
}
