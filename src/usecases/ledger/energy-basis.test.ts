import { expect, it } from "vitest";
import { energyBasisOf } from "./energy-basis";

const DAY = 86_400_000;
const held = (...meters: string[]) => meters.map((meterId) => ({ quantity: "energy_kwh", meterId }));
const spans = (days: number, count = 5) =>
  Array.from({ length: count }, (_, k) => ({ meterId: "main", fromUtcMs: k * days * DAY, toUtcMs: (k + 1) * days * DAY, kwh: 1 }));
const counters = [0, 1].map((k) => ({ meterId: "main", atUtcMs: k * DAY, kwh: k }));

it.each([
  ["readings of a meter", held("main"), [], [], "intervals"],
  ["readings beside months", held("main"), spans(30), [], "intervals"],
  ["weather alone", held(""), [], [], "none"],
  ["days as spans", [], spans(1), [], "days"],
  ["months", [], spans(30), [], "months"],
  ["a counter read twice", [], [], counters, "counter"],
  ["a counter read once", [], [], counters.slice(0, 1), "none"],
] as const)("%s are what they are", async (_, series, sparse, counted, kind) => {
  const readings = { heldOf: async () => series, sparseOf: async () => ({ spans: sparse, counters: counted }) };
  expect(await energyBasisOf(readings, "b", [])).toBe(kind);
});

it("bills that print production are the last of them", async () => {
  const nothing = { heldOf: async () => [], sparseOf: async () => ({ spans: [], counters: [] }) };
  expect(await energyBasisOf(nothing, "b", [{ productionKwh: null }, { productionKwh: 0 }])).toBe("bills");
  expect(await energyBasisOf(nothing, "b", [{ productionKwh: null }])).toBe("none");
});
