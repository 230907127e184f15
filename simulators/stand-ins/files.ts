import { diceOf } from "./dice";
import { DAY_MS, type Fate } from "./fate";
import { type Sky, STEP_MS } from "./sky";
import type { Walked } from "./walk";

const HOUR_MS = 3_600_000;
/** An hour's rain that washes the glass over the sensor. */
const WASHES_A_DOME_MM = 6;
const pad = (value: number): string => String(value).padStart(2, "0");

/** A local clock: "2021-03-28T02:15:00+01:00" and its parts. */
export class Clock {
  constructor(private readonly zone: Fate["zone"]) {}
  private shift = { hour: Number.NaN, minutes: 0 };
  offset(utcMs: number): number {
    const hour = Math.floor(utcMs / HOUR_MS);
    if (hour !== this.shift.hour) this.shift = { hour, minutes: this.zone.offset(utcMs) };
    return this.shift.minutes;
  }
  wall(utcMs: number, offset = this.offset(utcMs)): string {
    const at = new Date(utcMs + offset * 60_000);
    return `${at.getUTCFullYear()}-${pad(at.getUTCMonth() + 1)}-${pad(at.getUTCDate())} ${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}`;
  }
  iso(utcMs: number): string {
    const offset = this.offset(utcMs);
    return `${this.wall(utcMs, offset).replace(" ", "T")}:00${offset < 0 ? "-" : "+"}${pad(Math.floor(Math.abs(offset) / 60))}:${pad(Math.abs(offset) % 60)}`;
  }
  day(utcMs: number): string {
    return this.wall(utcMs).slice(0, 10);
  }
}

/** The weather file of the mast, or of a coarse grid. Drift and domes as by Lorenz et al., 2021, and ISO 9060; grid cells as by Urraca et al., 2018. */
export function weatherFile(fate: Fate, sky: Sky): string {
  const dice = diceOf(fate.seed, "weather file");
  const clock = new Clock(fate.zone);
  const { sensor } = fate;
  const isGrid = sensor.rough > 0;
  const lines = [isGrid ? "timestamp,ghi_w_m2,temp_air_c,wind_m_s" : "timestamp,ghi_w_m2,temp_air_c,wind_m_s,rain_mm,snow_depth_cm"];
  let [silentUntil, roughly, washed] = [0, 0, fate.sensor.domes.map(() => false)];
  for (let i = 0; i < sky.count; i += 4) {
    const utcMs = fate.startMs + i * STEP_MS;
    if (utcMs >= silentUntil && dice.chance(1 / 3500)) silentUntil = utcMs + dice.one([2, 3, 5, 14, 26, 49]) * HOUR_MS;
    const noise = dice.normal();
    roughly = 0.75 * roughly + 0.66 * dice.normal();
    if (utcMs < silentUntil) continue;
    const mean = (of: Float32Array): number => (of[i]! + of[i + 1]! + of[i + 2]! + of[i + 3]!) / 4;
    let [global, rain] = [0, 0];
    for (let k = i; k < i + 4; k++) {
      const up = Math.sin((sky.heightDeg[k]! * Math.PI) / 180);
      if (up > 0) global += (sky.beamWm2[k]! * up * Math.min(1, 0.955 + 0.3 * up) + sky.diffuseWm2[k]!) / 4;
      rain += sky.rainMm[k]!;
    }
    const years = (utcMs - fate.startMs) / (365.25 * DAY_MS);
    washed = sensor.domes.map((dome, d) => washed[d]! || (rain > WASHES_A_DOME_MM && utcMs > dome.from + 10 * DAY_MS));
    const dome = sensor.domes.reduce(
      (lost, own, d) =>
        utcMs < own.from || utcMs >= own.to || washed[d]
          ? lost
          : Math.max(lost, own.deepest * Math.min(1, (utcMs - own.from) / (0.6 * (own.to - own.from)))),
      0,
    );
    const season = 1 + sensor.seasonal * Math.cos((years + 0.3) * 2 * Math.PI);
    const read =
      global *
      (1 + sensor.gain) *
      (1 + sensor.perYear * years) *
      (1 - dome) *
      season *
      (1 + sensor.noise * noise) *
      (isGrid ? Math.max(0.1, 1 + sensor.rough * roughly) : 1);
    const cells = [
      clock.iso(utcMs),
      String(Math.max(0, Math.round(read))),
      (mean(sky.airC) + sensor.tempBiasC).toFixed(1),
      mean(sky.windMs).toFixed(1),
    ];
    if (!isGrid) cells.push(rain.toFixed(1), sky.snowCm[i]!.toFixed(0));
    lines.push(cells.join(","));
  }
  return `${lines.join("\n")}\n`;
}

/** What the logger wrote, in the form of this kind of plant. */
export function productionFile(fate: Fate, walked: Walked): string {
  const dice = diceOf(fate.seed, "production file");
  const clock = new Clock(fate.zone);
  const delivered = readBy(fate, walked);
  const sums = (steps: number): number[] =>
    Array.from({ length: Math.floor(delivered.length / steps) }, (_, k) =>
      delivered.subarray(k * steps, (k + 1) * steps).reduce((a, b) => a + b, 0),
    );
  if (fate.kind === "months" || fate.kind === "days") return byCalendar(fate, delivered, clock, dice);
  const steps = ["snowy hours", "shade", "rough weather", "meter swap"].includes(fate.kind) ? 4 : 1;
  const perHour = 4 / steps;
  const scale = Math.max(...fate.planes.map((plane) => plane.strings)) > 8 ? 2 : 4;
  const lines: string[] = [];
  let [silentUntil, held] = [0, 0];
  let catchesUp = false;
  for (const [k, kwh] of sums(steps).entries()) {
    const utcMs = fate.startMs + k * steps * STEP_MS;
    if (utcMs >= silentUntil && dice.chance(steps / 12_000)) {
      silentUntil = utcMs + dice.one([2, 5, 12, 40, 96, 220]) * STEP_MS * steps;
      catchesUp = dice.chance(0.3);
    }
    if (utcMs < silentUntil) {
      held += catchesUp ? kwh : 0;
      continue;
    }
    const all = kwh + held;
    held = 0;
    const isWrongUnit = fate.wrongUnit && fate.wrongUnit.from <= utcMs && utcMs < fate.wrongUnit.to;
    const value = isWrongUnit ? all * 1000 : all;
    if (fate.kind === "dusty quarters") lines.push(`${clock.wall(utcMs)},${value.toFixed(scale)}`);
    else if (fate.kind === "snowy hours") lines.push(`${clock.wall(utcMs + steps * STEP_MS, 60)};${value.toFixed(3).replace(".", ",")}`);
    else if (fate.kind === "turned roof") lines.push(`${wrongWall(fate, clock, utcMs)},${Math.round(kwh * perHour * 1000)}`);
    else if (fate.kind === "held field") lines.push(`${new Date(utcMs).toISOString().replace(".000", "")},${(kwh * perHour).toFixed(2)}`);
    else lines.push(`${clock.iso(utcMs)},${value.toFixed(scale)}`);
    if (fate.kind === "dusty quarters" && dice.chance(1 / 6000)) lines.push(lines.at(-1)!);
  }
  const header =
    { "snowy hours": "Zeit;Ertrag kWh", "turned roof": "time,power_w", "held field": "time_utc,power_kw" }[fate.kind as string] ??
    "timestamp,energy_kwh";
  return `${[header, ...lines].join("\n")}\n`;
}

/** The meter's readings; while the export meter stands in, less what the house took. */
function readBy({ meter, startMs, zone }: Fate, { deliveredKwh, madeKwh }: Walked): Float64Array {
  const { later } = meter;
  if (!later) return deliveredKwh;
  const clock = new Clock(zone);
  return deliveredKwh.map((kwh, i) => {
    const utcMs = startMs + i * STEP_MS;
    if (utcMs < later.standIn.from || utcMs >= later.standIn.to) return kwh;
    const hour = ((utcMs / 3_600_000 + clock.offset(utcMs) / 60) % 24) + 24;
    const use = (later.houseKwhADay / 96) * (0.7 + 0.6 * Math.max(0, Math.cos(((hour - 19) / 24) * 2 * Math.PI)));
    return Math.max(0, madeKwh[i]! - use);
  });
}

/** A clock that knew no summer time until somebody set it right. */
const wrongWall = (fate: Fate, clock: Clock, utcMs: number): string =>
  clock.wall(utcMs, fate.wrongClockUntilMs !== null && utcMs < fate.wrongClockUntilMs ? standardOf(fate) : clock.offset(utcMs));

export const standardOf = ({ zone, startMs }: Fate): number =>
  Math.min(
    zone.offset(Date.UTC(new Date(startMs).getUTCFullYear(), 0, 15)),
    zone.offset(Date.UTC(new Date(startMs).getUTCFullYear(), 6, 15)),
  );

function byCalendar(fate: Fate, delivered: Float64Array, clock: Clock, dice: ReturnType<typeof diceOf>): string {
  const isMonths = fate.kind === "months";
  const sums = new Map<string, number>();
  delivered.forEach((kwh, i) => {
    const key = clock.day(fate.startMs + i * STEP_MS).slice(0, isMonths ? 7 : 10);
    sums.set(key, (sums.get(key) ?? 0) + kwh);
  });
  const keys = [...sums.keys()];
  if (isMonths)
    return `month,kwh\n${keys
      .slice(0, -1)
      .map((key) => `${key},${sums.get(key)!.toFixed(0)}`)
      .join("\n")}\n`;
  const zeros = new Set(Array.from({ length: 4 }, () => dice.whole(20, keys.length - 20)));
  const rows = keys.slice(0, -1).flatMap((key, k) => {
    if (dice.chance(0.004)) return [];
    const [year, month, day] = key.split("-");
    return [`${day}/${month}/${year},${zeros.has(k) ? "0.00" : sums.get(key)!.toFixed(2)}`];
  });
  return `date,kwh\n${rows.join("\n")}\n`;
}
