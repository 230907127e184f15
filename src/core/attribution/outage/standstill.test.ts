import { clearWeather, hours } from "@test/clear-weather";
import { site } from "@test/site-builder";
import { describe, expect, it } from "vitest";
import { meteredOnto } from "../../ledger";
import { prepareWeather } from "../../yield";
import { type AttributionFrame, attributionFrame } from "..";
import { dayIndex } from "../record/day-index";
import { monthSnow } from "../snow/by-month";
import { outageEvidence } from "./detect";

const plant = site();
const axis = hours("2023-02-01T00:00Z", 24 * 40);

/** A clear February, of which the meter reads what a test makes of it. */
function basisOf(share: (day: number, hour: number) => number, airTempC = 6, snowDepthCm: Float64Array | null = null): AttributionFrame {
  const weather = { ...clearWeather(axis, plant.place), airTempC: new Float64Array(axis.count).fill(airTempC), snowDepthCm };
  const prepared = prepareWeather(plant.place, weather);
  const none = meteredOnto(axis, [], plant);
  const healthy = attributionFrame(plant, prepared, none).openKwh;
  const values = healthy.map((kwh, i) => (kwh || 0) * share(Math.floor(i / 24), i % 24));
  return attributionFrame(plant, prepared, meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant));
}

const usual = (frame: AttributionFrame): Float64Array => new Float64Array(frame.days.keys.length).fill(1);
const white = new Uint8Array(axis.count).fill(1);
const depth = (of: (i: number) => number): Float64Array => Float64Array.from({ length: axis.count }, (_, i) => of(i));
/** A night in which a foot of snow falls. */
const fallOn = (day: number): Float64Array => depth((i) => (i >= day * 24 + 3 ? 30 : 0));
/** A gauge over lying snow that reads a centimetre more or less from hour to hour. */
const scattering = (sinks = 0.02): Float64Array => depth((i) => Math.round(40 - sinks * i + [0, 1, 0, -1, 1, 0, -1][i % 7]!));

describe("standstill while snow may lie on the modules", () => {
  it("is told by mild bright hours without output and by coming back at once, though it began at night", () => {
    const frame = basisOf((day) => (day >= 10 && day < 14 ? 0 : 1));
    const { outages } = outageEvidence(frame, usual(frame), white);
    expect(outages).toHaveLength(1);
    expect(Math.floor(outages[0]!.from / 24)).toBe(10);
    expect(Math.floor((outages[0]!.to - 1) / 24)).toBe(13);
  });

  it("is none where the output comes back bit by bit, as it does under snow", () => {
    const frame = basisOf((day, hour) => (day >= 10 && day < 14 ? 0 : day === 14 ? Math.max(0, (hour - 6) / 20) : 1), 6, fallOn(10));
    expect(outageEvidence(frame, usual(frame), white).outages).toHaveLength(0);
  });

  it("is none in deep cold, in which snow would have stayed", () => {
    const frame = basisOf((day) => (day >= 10 && day < 14 ? 0 : 1), -12, fallOn(10));
    expect(outageEvidence(frame, usual(frame), white).outages).toHaveLength(0);
  });

  it("is one in deep cold where no snow fell, however much the gauge scatters", () => {
    const frame = basisOf((day) => (day >= 10 && day < 14 ? 0 : 1), -12, scattering());
    const { outages } = outageEvidence(frame, usual(frame), white);
    expect(outages.map(({ from, to }) => [Math.floor(from / 24), Math.floor((to - 1) / 24)])).toEqual([[10, 13]]);
  });

  it("is one that began days before the snow fell, though the snow hides its end", () => {
    const still = (day: number, hour: number): number => (day < 10 || day > 16 ? 1 : day < 16 ? 0 : Math.max(0, (hour - 6) / 20));
    const frame = basisOf(still, -3, fallOn(14));
    const { outages } = outageEvidence(frame, usual(frame), white);
    expect(outages).toHaveLength(1);
    expect(Math.floor(outages[0]!.from / 24)).toBe(10);
  });

  it("is none where a dim plant was not whole before", () => {
    const frame = basisOf((day) => (day >= 10 && day < 14 ? 0 : day === 9 ? 0.4 : 1), -12, scattering());
    expect(outageEvidence(frame, usual(frame), white).outages).toHaveLength(0);
  });
});

describe("the daily index", () => {
  it("is the same under clouds and without, where the sky model alone is off under clouds", () => {
    const weather = clearWeather(axis, plant.place);
    const dim = (i: number): number => (Math.floor(i / 24) % 3 === 1 ? 0.55 : 1);
    const cloudy = { ...weather, ghiWm2: weather.ghiWm2!.map((ghi, i) => ghi * dim(i)) };
    const prepared = prepareWeather(plant.place, cloudy);
    const healthy = attributionFrame(plant, prepared, meteredOnto(axis, [], plant)).openKwh;
    const values = healthy.map((kwh, i) => (kwh || 0) * (dim(i) < 1 ? 1.06 : 1));
    const frame = attributionFrame(plant, prepared, meteredOnto(axis, [{ meterId: "main", quantity: "energy_kwh", axis, values }], plant));
    const { ratio } = dayIndex(frame, new Uint8Array(axis.count), 1e9);
    const told = [...ratio.keys()].filter((d) => !Number.isNaN(ratio[d]!));
    const of = (isCloudy: boolean) => told.filter((d) => dim(24 * d) < 1 === isCloudy).map((d) => ratio[d]!);
    expect(of(true).length).toBeGreaterThan(5);
    expect(of(false).length).toBeGreaterThan(10);
    const mean = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
    expect(mean(of(true)) / mean(of(false))).toBeCloseTo(1, 2);
  });
});

describe("snow where only months are known", () => {
  it("is measured against what a month as cold gives, and not against summer", () => {
    const year = hours("2022-04-01T00:00Z", 24 * 365);
    const base = clearWeather(year, plant.place);
    const month = (i: number): number => new Date(year.startUtcMs + i * 3_600_000).getUTCMonth();
    const cold = (i: number): number => 12 - 14 * Math.cos((2 * Math.PI * (month(i) - 0.5)) / 12);
    // Snow falls on the first nights of January alone; the plant gives 3 % more in the cold than the model says.
    const isSnowy = (i: number): boolean => month(i) === 0 && new Date(year.startUtcMs + i * 3_600_000).getUTCDate() < 9;
    const weather = {
      ...base,
      airTempC: Float64Array.from({ length: year.count }, (_, i) => cold(i)),
      snowDepthCm: Float64Array.from({ length: year.count }, (_, i) =>
        isSnowy(i) ? 3 * new Date(year.startUtcMs + i * 3_600_000).getUTCDate() : 0,
      ),
    };
    const prepared = prepareWeather(plant.place, weather);
    const healthy = attributionFrame(plant, prepared, meteredOnto(year, [], plant)).openKwh;
    const truth = healthy.map((kwh, i) => (kwh || 0) * (1 + 0.0015 * (12 - cold(i))));
    const lost = truth.map((kwh, i) => (isSnowy(i) ? 0.8 * kwh : 0));
    const spans = Array.from({ length: 12 }, (_, m) => {
      const own = [...truth.keys()].filter((i) => month(i) === m);
      const at = (i: number): number => year.startUtcMs + i * 3_600_000;
      return {
        meterId: "main",
        fromUtcMs: at(own[0]!),
        toUtcMs: at(own.at(-1)! + 1),
        kwh: own.reduce((sum, i) => sum + truth[i]! - lost[i]!, 0),
      };
    });
    const frame = attributionFrame(plant, prepared, meteredOnto(year, [], plant, { spans, expectedKwh: healthy }));
    const { lostFrac } = monthSnow(frame);
    const read = lostFrac.reduce((sum, frac, i) => sum + frac * (truth[i] || 0), 0);
    const known = lost.reduce((a, b) => a + b, 0);
    expect(known).toBeGreaterThan(10);
    expect(Math.abs(read / known - 1)).toBeLessThan(0.15);
  });
});
