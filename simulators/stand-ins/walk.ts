import { DAY_MS, type Fate, type Plane } from "./fate";
import { type Sky, STEP_MS } from "./sky";

const RAD = Math.PI / 180;
const HOURS = STEP_MS / 3_600_000;
/** Causes whose absence is reckoned too: what the meter would have got without that one alone. */
export const ASKED = ["soiling", "snow", "shading"] as const;
type Asked = (typeof ASKED)[number];

/** Energy of every quarter of an hour, kWh, along the way from light to meter. */
export interface Walked {
  readonly deliveredKwh: Float64Array;
  readonly madeKwh: Float64Array;
  readonly lostKwh: Readonly<Record<Stage, Float64Array>>;
  readonly gainedKwh: Readonly<Record<Asked, Float64Array>>;
  readonly outageKwh: readonly number[];
}
export const STAGES = [
  "shading",
  "snow",
  "soiling",
  "clipping",
  "ceiling",
  "derating",
  "outage",
  "curtailment",
  "night_draw",
  "metering_offset",
] as const;
type Stage = (typeof STAGES)[number];

/** Light on a plane: beam on it, the sky's and the ground's diffuse part. Source: Reindl, Beckman & Duffie, 1990, Evaluation of hourly tilted surface radiation models. */
function lightOn(plane: Plane, sky: Sky, i: number, fate: Fate): { beam: number; diffuse: number; cosine: number } {
  const height = sky.heightDeg[i]! * RAD;
  if (height <= 0) return { beam: 0, diffuse: 0, cosine: 0 };
  const tilt = plane.realTiltDeg * RAD;
  const cosine = Math.max(
    0,
    Math.sin(height) * Math.cos(tilt) + Math.cos(height) * Math.sin(tilt) * Math.cos((sky.bearingDeg[i]! - plane.realBearingDeg) * RAD),
  );
  const [beam, diffuse] = [sky.beamWm2[i]!, sky.diffuseWm2[i]!];
  const around = fate.laws.aroundSun * (beam / sky.beyondAirWm2[i]!);
  const global = beam * Math.sin(height) + diffuse;
  const brightRim = 1 + Math.sqrt((beam * Math.sin(height)) / Math.max(1, global)) * Math.sin(tilt / 2) ** 3;
  return {
    cosine,
    beam: beam * cosine + (diffuse * around * cosine) / Math.max(0.087, Math.sin(height)),
    diffuse: diffuse * (1 - around) * ((1 + Math.cos(tilt)) / 2) * brightRim + fate.laws.albedo * global * ((1 - Math.cos(tilt)) / 2),
  };
}

/** Dirt and snow on the modules, share of the light lost, each quarter of an hour. */
export function covers(fate: Fate, sky: Sky): { dirt: Float32Array; snow: Float32Array } {
  const { laws } = fate;
  const [dirt, snow] = [new Float32Array(sky.count), new Float32Array(sky.count)];
  const cleaned = new Set(fate.cleanings.map(({ ms }) => Math.floor((ms - fate.startMs) / DAY_MS)));
  let [lies, cover, rained] = [0.3 * laws.dirtMost * (laws.dirtPerDay > 0.0003 ? 0.3 : 0.05), 0, 0];
  for (let i = 0; i < sky.count; i++) {
    const day = Math.floor((i * STEP_MS) / DAY_MS);
    if ((i * STEP_MS) % DAY_MS === 0) {
      if (rained >= laws.washMm) lies *= 1 - laws.washes;
      else if (rained < 0.3) lies += laws.dirtPerDay * Math.max(0, 1 - lies / laws.dirtMost);
      if (cleaned.has(day)) lies = 0;
      rained = 0;
    }
    rained += sky.rainMm[i]!;
    dirt[i] = lies;
    if (sky.freshCm[i]! > 0) cover = Math.min(1, cover + sky.freshCm[i]! * 1.2);
    else if (cover > 0) {
      const warms = sky.airC[i]! + (sky.beamWm2[i]! * Math.max(0, Math.sin(sky.heightDeg[i]! * RAD)) + sky.diffuseWm2[i]!) / 45;
      if (warms > 0)
        cover = Math.max(
          0,
          cover - laws.slidesPerHour * (0.3 + Math.sin(fate.planes[0]!.realTiltDeg * RAD)) * Math.min(3, warms / 6) * HOURS,
        );
    }
    snow[i] = 0.97 * cover;
  }
  return { dirt, snow };
}

/** How long the real plant's way goes: light, cover, modules, inverter, limits, meter; every stage works on what the one before left over. */
export function walk(fate: Fate, sky: Sky): Walked {
  const { laws } = fate;
  const column = (): Float64Array => new Float64Array(sky.count);
  const lostKwh = Object.fromEntries(STAGES.map((stage) => [stage, column()])) as Record<Stage, Float64Array>;
  const gainedKwh = Object.fromEntries(ASKED.map((cause) => [cause, column()])) as Record<Asked, Float64Array>;
  const [deliveredKwh, madeKwh] = [column(), column()];
  const outageKwh = fate.outages.map(() => 0);
  const { dirt, snow } = covers(fate, sky);
  const toKwh = HOURS / 1000;
  for (let i = 0; i < sky.count; i++) {
    const utcMs = fate.startMs + i * STEP_MS + STEP_MS / 2;
    const out = fate.outages.map((span) => span.from <= utcMs && utcMs < span.to);
    const ageYears = (utcMs - fate.commissionedMs) / (365.25 * DAY_MS);
    const aged = 1 - laws.firstStep * (1 - Math.exp(-ageYears / 0.12)) - laws.agesPerYear * ageYears;
    /** DC power, W, without one of the causes or with all of them; `without` "nothing" takes away parts that are out. */
    const dcOf = (without: Asked | null, isWhole: boolean): number =>
      fate.planes.reduce((sum, plane) => {
        const light = lightOn(plane, sky, i, fate);
        if (light.beam + light.diffuse < 0.5) return sum;
        const nameplateW = plane.strings * plane.perString * fate.moduleW;
        const passes = without === "shading" ? { beam: 1, sky: 1 } : shadeOf(fate, plane, sky, i, utcMs);
        const shaded = light.beam * passes.beam + light.diffuse * passes.sky;
        const afterSnow = shaded * (1 - (without === "snow" ? 0 : snow[i]!));
        const covered = afterSnow * (1 - (without === "soiling" ? 0 : dirt[i]!));
        if (without === null && isWhole) {
          const kwhPerWm2 = (nameplateW / 1000) * toKwh;
          lostKwh.shading[i]! += (light.beam + light.diffuse - shaded) * kwhPerWm2;
          lostKwh.snow[i]! += (shaded - afterSnow) * kwhPerWm2;
          lostKwh.soiling[i]! += (afterSnow - covered) * kwhPerWm2;
        }
        const slanted = light.cosine > 0.05 ? Math.max(0, 1 - laws.slant * (1 / light.cosine - 1)) : 0;
        const beamShare = (light.beam * passes.beam) / Math.max(1e-6, shaded);
        const seen = covered * (beamShare * slanted + (1 - beamShare) * (1 - 1.1 * laws.slant));
        const weak = 1 - laws.weakAt200 * (Math.log(Math.min(1, Math.max(1, seen) / 1000)) / Math.log(0.2)) ** laws.weakPower;
        const cellC = sky.airC[i]! + covered / (laws.u0 + laws.u1 * sky.windMs[i]! * 0.7);
        const parts = isWhole
          ? 1
          : 1 -
            Math.min(
              1,
              fate.outages.reduce(
                (lost, own, k) => lost + (out[k] && own.kind !== "plant" && (own.plane ?? plane.id) === plane.id ? own.share : 0),
                0,
              ),
            );
        const dc =
          (nameplateW / 1000) *
          seen *
          Math.max(0, weak) *
          (1 + fate.gammaPerK * (cellC - 25)) *
          (1 + laws.tolerance) *
          aged *
          (1 - laws.mismatch) *
          parts;
        return sum + dc * (1 - laws.dcWiring * Math.min(1.2, seen / 1000));
      }, 0);
    const inverted = (dc: number): number =>
      Math.max(
        0,
        dc - fate.acRatedW * (dc > 0 ? laws.idle + laws.linear * (dc / fate.acRatedW) + laws.square * (dc / fate.acRatedW) ** 2 : 0),
      );
    const bounds = boundsOf(fate, sky, i, utcMs);
    const limited = (ac: number): number => Math.min(ac, bounds.rated, bounds.ceiling, bounds.derated) * (1 - laws.acWiring);
    const isDown = fate.outages.some((own, k) => out[k] && own.kind === "plant");
    const finished = (dc: number): number => (isDown ? 0 : Math.min(limited(inverted(dc)), bounds.ordered));
    const wholeDc = dcOf(null, true);
    const ac = inverted(wholeDc);
    const [rated, ceiled] = [Math.min(ac, bounds.rated), Math.min(ac, bounds.rated, bounds.ceiling)];
    lostKwh.clipping[i] = (ac - rated) * toKwh;
    lostKwh.ceiling[i] = (rated - ceiled) * toKwh;
    lostKwh.derating[i] = (ceiled - Math.min(ceiled, bounds.derated)) * toKwh;
    const sound = limited(ac);
    const running = isDown ? 0 : out.some(Boolean) ? limited(inverted(dcOf(null, false))) : sound;
    lostKwh.outage[i] = (sound - running) * toKwh;
    for (let k = 0; k < out.length; k++) if (out[k]) outageKwh[k]! += lostKwh.outage[i]! / out.filter(Boolean).length;
    const made = Math.min(running, bounds.ordered);
    lostKwh.curtailment[i] = (running - made) * toKwh;
    const night = wholeDc <= 0 ? fate.nightW : 0;
    lostKwh.night_draw[i] = night * toKwh;
    madeKwh[i] = (made - night) * toKwh;
    const gain = fate.meter.later && utcMs >= fate.meter.later.fromMs ? fate.meter.later.gain : fate.meter.gain;
    deliveredKwh[i] = madeKwh[i]! * (1 + gain);
    lostKwh.metering_offset[i] = madeKwh[i]! - deliveredKwh[i]!;
    for (const cause of ASKED)
      if (lostKwh[cause][i]! > 0)
        gainedKwh[cause][i] = Math.max(
          0,
          (finished(
            dcOf(
              cause,
              out.every((is) => !is),
            ),
          ) -
            made) *
            toKwh,
        );
  }
  return { deliveredKwh, madeKwh, lostKwh, gainedKwh, outageKwh };
}

function shadeOf(fate: Fate, plane: Plane, sky: Sky, i: number, utcMs: number): { beam: number; sky: number } {
  let [beam, diffuse] = [1, 1];
  for (const thing of fate.obstacles) {
    if (thing.plane !== plane.id || utcMs < thing.fromMs) continue;
    diffuse *= 1 - thing.skyLost;
    const across = ((sky.bearingDeg[i]! - thing.leftDeg + 720) % 360) / (thing.rightDeg - thing.leftDeg);
    if (across < 1 && sky.heightDeg[i]! < thing.topDeg) beam *= thing.passes;
  }
  return { beam, sky: diffuse };
}

function boundsOf(fate: Fate, sky: Sky, i: number, utcMs: number): { rated: number; ceiling: number; derated: number; ordered: number } {
  const ceiling = fate.ceiling && utcMs >= fate.ceiling.fromMs ? fate.ceiling.acW : Infinity;
  const held = fate.limits.filter((span) => span.from <= utcMs && utcMs < span.to).map(({ acW }) => acW);
  let derated = Infinity;
  if (fate.derating) {
    const { fromC, perK, fan } = fate.derating;
    const global = sky.beamWm2[i]! * Math.max(0, Math.sin(sky.heightDeg[i]! * RAD)) + sky.diffuseWm2[i]!;
    const starts = fromC - (fan && fan.from <= utcMs && utcMs < fan.to ? fan.sooner : 0);
    derated = fate.acRatedW * (1 - perK * Math.max(0, sky.airC[i]! + 0.006 * global - starts));
  }
  return { rated: fate.acRatedW, ceiling, derated, ordered: Math.min(Infinity, ...held) };
}
