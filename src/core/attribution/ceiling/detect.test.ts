import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { gatherMeters, gatherPartMeters } from "@/usecases/ledger/gather";
import { type MeterSeries, meteredOnto } from "../../ledger";
import { seededUniform } from "../../statistics";
import { prepareWeather, runPrepared } from "../../yield";
import { type AttributionFrame, attributionFrame } from "..";
import { flatCurve, loadCurve, retainedAt } from "../level/detect";
import { clearDays } from "../plane/clear-days";
import { toHours, toSteps } from "../record/hours";
import { backAgain } from "../strings/detect";
import { ceilingEvidence } from "./detect";
import { cutFracSeen, insideHours, swingInside } from "./inside-hours";

const plant = site({ place: { latitudeDeg: 40, longitudeDeg: 0, elevationM: 100, timeZone: "UTC" } });
const DAYS = 120;
const axis = hours("2022-04-01T00:00Z", DAYS * 24);

const meterOf = (values: Float64Array, stepMinutes = 60): MeterSeries => ({
  meterId: "main",
  quantity: "energy_kwh",
  axis: { startUtcMs: axis.startUtcMs, stepMinutes, count: values.length },
  values,
});

function basisOf(share: (i: number) => number, clearness?: (i: number) => number): AttributionFrame {
  const clear = clearWeather(axis, plant.place);
  const weather = clearness ? { ...clear, ghiWm2: clear.ghiWm2!.map((ghi, i) => ghi * clearness(i)) } : clear;
  const prepared = prepareWeather(plant.place, weather);
  const healthy = attributionFrame(plant, prepared, meteredOnto(axis, [], plant)).openKwh;
  const values = healthy.map((kwh, i) => (kwh || 0) * share(i));
  return attributionFrame(plant, prepared, meteredOnto(axis, [meterOf(values)], plant));
}

describe("a ceiling in the readings", () => {
  const uniform = seededUniform(5);
  const bell = Float64Array.from({ length: 4 * 24 * 90 }, (_, i) => {
    const hour = (i / 4) % 24;
    return Math.max(0, Math.sin(((hour - 6) / 12) * Math.PI)) * (0.6 + 0.5 * uniform()) * 1.5;
  });

  it("is the power on which most of the top lies", () => {
    const held = bell.map((kwh) => Math.min(1.1, kwh));
    const found = ceilingEvidence([meterOf(held, 15)])!;
    expect(found.powerW).toBeCloseTo(4400, -1);
    expect(Math.abs(found.heldSteps / held.filter((kwh) => kwh > 1.1 * 0.994).length - 1)).toBeLessThan(0.03);
  });

  it("is none where the top thins out, nor with meters of unlike steps, nor with too few readings", () => {
    expect(ceilingEvidence([meterOf(bell, 15)])).toBeNull();
    expect(ceilingEvidence([meterOf(bell, 15), meterOf(bell, 30)])).toBeNull();
    expect(ceilingEvidence([meterOf(bell.subarray(0, 500), 15)])).toBeNull();
    expect(ceilingEvidence([])).toBeNull();
  });

  it("adds meters of one step up before it looks", () => {
    const half = bell.map((kwh) => Math.min(1.1, kwh) / 2);
    expect(ceilingEvidence([meterOf(half, 15), meterOf(half, 15)])!.powerW).toBeCloseTo(4400, -1);
  });
});

describe("what a plant keeps by load", () => {
  it("follows a level that bends with the load, and stays within what rating and sensors can explain", () => {
    const plain = basisOf(() => 1);
    const ceilingKwh = Math.max(...plain.openKwh.filter((kwh) => kwh > 0)) * 1.1;
    const bent = basisOf((i) => 0.97 + 0.03 * ((plain.openKwh[i] ?? 0) / ceilingKwh));
    const curve = loadCurve(bent, bent.openKwh, new Uint8Array(axis.count), ceilingKwh, null);
    expect(retainedAt(curve, 0.3)).toBeCloseTo(0.979, 2);
    expect(retainedAt(curve, 0.7)).toBeCloseTo(0.991, 2);
    expect(retainedAt(curve, 0.7)).toBeGreaterThan(retainedAt(curve, 0.3));
    const far = basisOf(() => 0.8);
    expect(loadCurve(far, far.openKwh, new Uint8Array(axis.count), ceilingKwh, null).levelFrac).toBeGreaterThan(0.75);
    expect(Math.min(...loadCurve(far, far.openKwh, new Uint8Array(axis.count), ceilingKwh, null).retained)).toBeGreaterThanOrEqual(
      0.94 * 0.69,
    );
    expect(retainedAt(flatCurve(0.8), 0.5)).toBeCloseTo(0.94, 9);
    expect(retainedAt(flatCurve(0.99), 0.99)).toBeCloseTo(0.99, 9);
  });

  it("leaves days out that another cause holds", () => {
    const frame = basisOf((i) => (Math.floor(i / 24) % 3 === 0 ? 0.5 : 0.98));
    const spoilt = Uint8Array.from({ length: axis.count }, (_, i) => (Math.floor(i / 24) % 3 === 0 ? 1 : 0));
    expect(loadCurve(frame, frame.openKwh, spoilt, 1e3, null).levelFrac).toBeCloseTo(0.98, 6);
  });
});

describe("the swing inside an hour", () => {
  const frame = basisOf(
    () => 0.95,
    (i) => (i % 5 === 0 ? 0.6 : 1),
  );
  const quarters = (swing: number): MeterSeries =>
    meterOf(
      Float64Array.from(
        { length: axis.count * 4 },
        (_, k) => ((frame.meteredKwh[Math.floor(k / 4)] || 0) / 4) * (1 + swing * (k % 2 === 0 ? 1 : -1)),
      ),
      15,
    );
  const most = Math.max(...frame.meteredKwh.filter((kwh) => kwh > 0));

  it("is not told by hourly readings, nor by several meters", () => {
    expect(insideHours(frame, [meterOf(frame.meteredKwh)])).toBeNull();
    expect(insideHours(frame, [quarters(0.1), quarters(0.1)])).toBeNull();
  });

  it("grows with the readings' own, within bounds, and by a fifth for what quarter hours hide", () => {
    const [calm, wild] = [0.02, 0.3].map((swing) => swingInside(frame, insideHours(frame, [quarters(swing)])!, most)!);
    expect(wild!.scale).toBeGreaterThan(2 * calm!.scale);
    expect(wild!.scale).toBeLessThanOrEqual(1.2 * 1.2);
    const noon = 12;
    expect(wild!.readFrac[noon]! / calm!.readFrac[noon]!).toBeCloseTo(wild!.scale / calm!.scale, 9);
    expect(swingInside(frame, insideHours(frame, [quarters(0.1)])!, 1e6)).toBeNull();
  });
});

describe("what a ceiling cut of an hour", () => {
  const frame = basisOf(() => 1);
  const noon = 12;
  const ceilingKwh = frame.meteredKwh[noon]!;
  const with4 = (shares: readonly number[]) =>
    insideHours(frame, [
      meterOf(
        Float64Array.from({ length: axis.count * 4 }, (_, k) => (shares[k % 4]! * ceilingKwh) / 4),
        15,
      ),
    ])!;
  const expected = frame.meteredKwh.map((kwh) => kwh * 1.1);

  it("is nothing without a reading on it, all above it where every reading was, else what is missing", () => {
    expect(cutFracSeen(frame, with4([0.97, 0.97, 0.9, 0.9]), expected, ceilingKwh)[noon]).toBe(0);
    expect(cutFracSeen(frame, with4([1, 1, 1, 1]), expected, ceilingKwh)[noon]).toBeCloseTo(1 - 1 / 1.1, 9);
    const dim = { ...frame, meteredKwh: frame.meteredKwh.map((kwh) => 0.7 * kwh) };
    expect(cutFracSeen(dim, with4([1, 1, 0.4, 0.4]), expected, ceilingKwh)[noon]).toBeCloseTo(1 - 0.7 / 1.1, 9);
  });

  it("is never less than nothing, and not told of hours that were not read whole or owe nothing", () => {
    expect(
      cutFracSeen(
        frame,
        with4([1, 1, 1, 1]),
        frame.meteredKwh.map((kwh) => 0.9 * kwh),
        ceilingKwh,
      )[noon],
    ).toBe(0);
    const unread = { ...frame, read: new Uint8Array(axis.count) };
    expect(cutFracSeen(unread, with4([1, 1, 1, 1]), expected, ceilingKwh)[noon]).toBeNaN();
    expect(cutFracSeen(frame, with4([1, 1, 1, 1]), expected, ceilingKwh)[0]).toBeNaN();
  });

  it("takes the place of the inverter's law in the chain, hour by hour, and the balance holds", () => {
    const prepared = prepareWeather(plant.place, clearWeather(axis, plant.place));
    const bins = frame.days;
    const cutFrac = new Float64Array(axis.count).fill(Number.NaN);
    const plain = runPrepared(plant, prepared, bins);
    const law = runPrepared(plant, prepared, bins, { causes: { cutFrac } });
    expect([...law.expectedKwh]).toEqual([...plain.expectedKwh]);
    cutFrac[noon] = 0.25;
    const seen = runPrepared(plant, prepared, bins, { causes: { cutFrac } });
    const open = runPrepared(plant, prepared, bins, { without: ["clipping"] });
    expect(seen.expectedKwh[noon]!).toBeCloseTo(0.75 * open.expectedKwh[noon]!, 9);
    const day = bins.binOf[noon]!;
    const taken = Object.values(seen.accountsKwh).reduce((sum, account) => sum + account[day]!, 0);
    expect(seen.referenceKwh[day]! - taken).toBeCloseTo(seen.expectedByBinKwh[day]!, 9);
  });
});

describe("how long a plant was held", () => {
  it("sets the level at the ceiling, with the swing inside the hours taken into account", () => {
    const frame = basisOf(
      () => 1,
      (i) => 0.7 + 0.3 * (((i * 7919) % 97) / 97),
    );
    const ceilingKwh = 0.92 * Math.max(...frame.openKwh.filter((kwh) => kwh > 0));
    const [level, swing] = [0.96, 0.06];
    let held = 0;
    for (const kwh of frame.openKwh)
      for (const side of [-0.875, -0.625, -0.375, -0.125, 0.125, 0.375, 0.625, 0.875])
        if (kwh * level * (1 + Math.sqrt(3) * swing * side) > 0.994 * ceilingKwh) held += 1 / 8;
    const topOf = (hours: number, swingFrac: Float64Array | null): number =>
      retainedAt(loadCurve(frame, frame.openKwh, new Uint8Array(axis.count), ceilingKwh, { hours, swingFrac }), 0.99);
    const told = topOf(held, new Float64Array(axis.count).fill(swing));
    expect(told).toBeCloseTo(level, 2);
    expect(Math.abs(topOf(held, null) - level)).toBeGreaterThan(2 * Math.abs(told - level));
    // Few held hours tell nothing: then the line through the loads before holds.
    expect(topOf(10, null)).toBeCloseTo(1, 2);
  });
});

describe("clear days laid end to end", () => {
  it("holds whole clear days and uses none of a day's dim, held or spoilt hours", () => {
    const frame = basisOf(
      () => 1,
      (i) => (Math.floor(i / 24) % 2 === 0 ? 1.25 : 0.4),
    );
    const spoilt = new Uint8Array(axis.count);
    spoilt.fill(1, 24 * 20, 24 * 30);
    const picked = clearDays(frame, spoilt, 1e3, [{ from: 0, to: axis.count }]);
    expect(picked.days).toBeGreaterThan(20);
    expect(picked.days).toBeLessThanOrEqual(55);
    expect(picked.meteredKwh.length % 24).toBe(0);
    const best = Math.max(...picked.meteredKwh.filter((kwh) => kwh > 0));
    picked.use.forEach((on, i) => {
      if (on === 1) expect(picked.meteredKwh[i]!).toBeGreaterThan(0.2 * best);
    });
  });
});

describe("hours from finer steps", () => {
  it("means weather and sums energy, and lays an hourly column back on the steps", () => {
    const fine = hours("2022-04-01T00:00Z", 48 * 4, 15);
    const weather = clearWeather(fine, plant.place);
    const metered = meteredOnto(fine, [{ ...meterOf(new Float64Array(fine.count).fill(0.25), 15), axis: fine }], plant);
    const hourly = toHours(weather, metered);
    expect(hourly.steps).toBe(4);
    expect(hourly.weather.axis.count).toBe(48);
    expect(hourly.metered.kwh[12]).toBeCloseTo(1, 9);
    expect(hourly.weather.ghiWm2![12]).toBeCloseTo(weather.ghiWm2!.subarray(48, 52).reduce((a, b) => a + b, 0) / 4, 6);
    expect([...toSteps(Float64Array.of(1, 2), 4, 8)]).toEqual([1, 1, 1, 1, 2, 2, 2, 2]);
  });
});

describe("a string that is out", () => {
  const frame = basisOf(() => 1);
  const days = frame.days.keys.length;
  const index = (level: (d: number) => number) => ({
    ratio: Float64Array.from({ length: days }, (_, d) => level(d) + 0.004 * Math.sin(d)),
    weight: new Float64Array(days).fill(1),
    cloud: new Float64Array(days),
  });

  it("is back from the day on which the level is, and not before", () => {
    const back = backAgain(
      frame,
      index((d) => (d < 100 ? 0.75 : 1)),
      { lostFrac: 0.25 },
      90,
      new Set(),
    );
    expect(Math.abs(frame.days.binOf[back!]! - 100)).toBeLessThanOrEqual(1);
    expect(
      backAgain(
        frame,
        index(() => 0.75),
        { lostFrac: 0.25 },
        90,
        new Set(),
      ),
    ).toBeNull();
  });

  it("is not back for two good days, nor where a cleaning lifted the level", () => {
    expect(
      backAgain(
        frame,
        index((d) => (d === 100 || d === 101 ? 1 : 0.75)),
        { lostFrac: 0.25 },
        90,
        new Set(),
      ),
    ).toBeNull();
    expect(
      backAgain(
        frame,
        index((d) => (d < 100 ? 0.75 : 1)),
        { lostFrac: 0.25 },
        90,
        new Set([100]),
      ),
    ).toBeNull();
  });
});

describe("meters of parts", () => {
  const two = site({
    arrays: ["a", "b"].map((id) => ({ id, module: "m", count: 10, tiltDeg: 30, azimuthDeg: 180 })),
    inverters: [{ id: "i", arrays: ["a", "b"], acRatedW: 6000, ratedEfficiencyFrac: 0.97 }],
    meters: [
      { id: "main", point: "ac", arrays: ["a", "b"] },
      { id: "left", point: "dc", arrays: ["a"] },
      { id: "right", point: "ac", arrays: ["b"] },
      { id: "house", point: "net", arrays: ["a"] },
    ],
  });
  const stored = ["main", "left", "right", "house"].map((meterId) => ({
    quantity: "energy_kwh",
    meterId,
    axis,
    values: new Float64Array(axis.count).fill(1),
  }));

  it("are those that count some arrays alone, on DC or AC; the site's sum counts each array once", () => {
    expect(gatherPartMeters(stored, two).map(({ meterId }) => meterId)).toEqual(["left", "right"]);
    expect(gatherMeters(stored, two).map(({ meterId }) => meterId)).toEqual(["main"]);
    expect(gatherPartMeters(stored.slice(0, 1), two)).toEqual([]);
    expect(gatherPartMeters(stored, plant)).toEqual([]);
  });

  it("count the same arrays once, on the AC side where there is one", () => {
    const twice = { ...two, meters: [...two.meters, { id: "left-ac", point: "ac" as const, arrays: ["a"] }] };
    const read = [...stored, { ...stored[0]!, meterId: "left-ac" }];
    expect(gatherPartMeters(read, twice).map(({ meterId }) => meterId)).toEqual(["right", "left-ac"]);
    expect(gatherPartMeters(stored, twice).map(({ meterId }) => meterId)).toEqual(["left", "right"]);
  });
});
