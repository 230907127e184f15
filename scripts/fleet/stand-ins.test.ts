import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { buildSeeds, JUDGES_FROM, judgeSeeds, kindOf, writeStandIn, yearsOf } from "../../simulators/stand-ins";
import { diceOf } from "../../simulators/stand-ins/dice";
import { fateOf } from "../../simulators/stand-ins/fate";
import { makeSky, STEP_MS, sunAt } from "../../simulators/stand-ins/sky";
import { walk } from "../../simulators/stand-ins/walk";
import { claimsOf } from "./claims";
import { judged } from "./judge";
import { readPlant } from "./plant";
import { coverageTable, heldTable, reliabilityTable } from "./summary";
import { truthOf } from "./truth";

const work = mkdtempSync(path.join(os.tmpdir(), "stand-ins-test-"));
afterAll(() => rmSync(work, { recursive: true, force: true }));
const total = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);

describe("stand-in plants", () => {
  it("that build and that judge are never the same, and are of every kind", () => {
    const [build, judge] = [buildSeeds(500), judgeSeeds(500)];
    expect(build.some((seed) => judge.includes(seed))).toBe(false);
    expect(Math.min(...judge)).toBe(JUDGES_FROM);
    expect(new Set(build.map(kindOf)).size).toBe(13);
    expect(new Set(judge.map(kindOf)).size).toBe(13);
  });

  it("have laws of their own by their number, within what is published", () => {
    const fates = buildSeeds(60).map(fateOf);
    expect(fateOf(7)).toEqual(fateOf(7));
    expect(new Set(fates.map(({ laws }) => laws.u0)).size).toBe(60);
    for (const { laws, kind, planes } of fates) {
      expect(laws.agesPerYear).toBeLessThanOrEqual(0.012);
      expect(laws.u0 > 23 && laws.u0 < 32 && laws.weakAt200 > 0 && laws.weakAt200 < 0.06).toBe(true);
      expect(planes.some((plane) => plane.realBearingDeg !== plane.bearingDeg)).toBe(kind === "turned roof");
    }
  });

  it("stand under a sun that is where it is: solstice noon and equinox dawn", () => {
    const noon = sunAt(Date.UTC(2021, 5, 21, 12, 2), 45, 0);
    expect(noon.heightDeg).toBeCloseTo(90 - 45 + 23.436, 1);
    expect(Math.abs(noon.bearingDeg - 180)).toBeLessThan(1);
    const dawn = sunAt(Date.UTC(2021, 2, 20, 6, 7), 30, 0);
    expect(Math.abs(dawn.heightDeg)).toBeLessThan(0.6);
    expect(Math.abs(dawn.bearingDeg - 90)).toBeLessThan(1);
  });

  it("and under a sky whose diffuse share is near the published one, hour by hour. Source: Erbs, Klein & Duffie, 1982", () => {
    const fate = fateOf(12);
    const sky = makeSky(fate.region, fate.at, fate.startMs, 365, diceOf(12, "sky"));
    const erbs = (k: number): number =>
      k <= 0.22 ? 1 - 0.09 * k : k <= 0.8 ? 0.9511 - 0.1604 * k + 4.388 * k ** 2 - 16.638 * k ** 3 + 12.336 * k ** 4 : 0.165;
    let [ours, theirs, hours, yearKwh] = [0, 0, 0, 0];
    for (let i = 0; i < sky.count; i += 4) {
      const quarter = [i, i + 1, i + 2, i + 3];
      const of = (k: number): number => sky.beamWm2[k]! * Math.max(0, Math.sin((sky.heightDeg[k]! * Math.PI) / 180)) + sky.diffuseWm2[k]!;
      const global = quarter.reduce((sum, k) => sum + of(k), 0);
      const diffuse = quarter.reduce((sum, k) => sum + sky.diffuseWm2[k]!, 0);
      const open = quarter.reduce((sum, k) => sum + sky.beyondAirWm2[k]! * Math.max(0, Math.sin((sky.heightDeg[k]! * Math.PI) / 180)), 0);
      yearKwh += global / 4000;
      if (sky.heightDeg[i]! < 25 || !(global > 0)) continue;
      ours += diffuse;
      theirs += erbs(global / open) * global;
      hours++;
    }
    expect(hours).toBeGreaterThan(1000);
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.12);
    expect(yearKwh > 900 && yearKwh < 1700).toBe(true);
  });

  it("lose energy stage by stage, none twice: what is made and every loss after the inverter come to its open output", () => {
    const fate = fateOf(11);
    const sky = makeSky(fate.region, fate.at, fate.startMs, 120, diceOf(11, "sky"));
    const { deliveredKwh, madeKwh, lostKwh, gainedKwh } = walk(fate, sky);
    expect(total(madeKwh) * (1 + fate.meter.gain)).toBeCloseTo(total(deliveredKwh), 6);
    for (const lost of Object.values(lostKwh).slice(0, -1)) expect(lost.every((kwh) => kwh >= -1e-12)).toBe(true);
    // Without dirt the meter gets less than the light that dirt takes at nameplate: later stages lose a part of it.
    expect(total(gainedKwh.soiling)).toBeLessThan(total(lostKwh.soiling));
    expect(total(gainedKwh.soiling)).toBeGreaterThan(0);
    expect(sky.count * STEP_MS).toBe(120 * 86_400_000);
  });

  it("are written with a truth that the judge can read, and the same again", async () => {
    const seed = JUDGES_FROM;
    const folder = writeStandIn(seed, work);
    const file = (name: string): string => readFileSync(path.join(folder, name), "utf8");
    const first = file("production.csv");
    expect(kindOf(seed)).toBe("days");
    expect(first.startsWith("date,kwh\n")).toBe(true);
    writeStandIn(seed, work);
    expect(file("production.csv")).toBe(first);
    const [truth, read] = [truthOf(folder), await readPlant(folder, work)];
    const rows = judged("stand-in", read, truth);
    const claims = claimsOf(read, truth);
    expect(yearsOf(seed)).toBeGreaterThan(2.9);
    expect(rows.length).toBeGreaterThan(9);
    // A small part of the long check: what a plant that judges is read like must not fall.
    expect(rows.filter(({ holds }) => holds).length / rows.length).toBeGreaterThan(0.7);
    const plants = [{ seed, kind: "days", rows, claims }];
    expect(heldTable({ build: [], judge: plants })).toContain("| all | none there |");
    expect(coverageTable({ build: [], judge: plants })).toContain("| ageing | none there | ");
    expect(reliabilityTable({ build: [], judge: plants }).split("\n")).toHaveLength(7);
  }, 60_000);
});
