import { describe, expect, it } from "vitest";
import { siteSchema } from "@/contracts/site";
import { randomPlant, simulateWeather } from "../../../simulators";
import { MINUTE_MS } from "../units";
import { labelEvidence } from ".";

const FINE_MINUTES = 5;

/** A year of GHI as a logger of this step writes it, with its labels at either end. */
function written(k: number, stepMinutes: number, labels: "start" | "end") {
  const { climate, site } = randomPlant(k);
  const { place } = siteSchema.parse(site);
  const fine = { startUtcMs: Date.UTC(2023, 0, 1), stepMinutes: FINE_MINUTES, count: (365 * 1440) / FINE_MINUTES };
  const { ghiWm2 } = simulateWeather(climate, place, fine, 0.21 + k / 30);
  const folded = stepMinutes / FINE_MINUTES;
  const values = Float64Array.from({ length: fine.count / folded }, (_, h) => {
    let sum = 0;
    for (let j = 0; j < folded; j++) sum += ghiWm2[h * folded + j]!;
    return sum / folded;
  });
  const startUtcMs = fine.startUtcMs + (labels === "end" ? stepMinutes * MINUTE_MS : 0);
  return { axis: { startUtcMs, stepMinutes, count: values.length }, values, place };
}

describe("which end of an interval a light column's labels mark", () => {
  it.each([60, 30, 15])("is told by mornings against afternoons at %i minutes, in climates of both hemispheres", (step) => {
    for (let k = 0; k < 4; k++) {
      for (const labels of ["start", "end"] as const) {
        const { axis, values, place } = written(k, step, labels);
        const found = labelEvidence(axis, values, place);
        // Four in the middle of Europe have too few clear days in some years; what is said must be right.
        if (found?.isSure) expect(found.labels, `${k} ${labels}`).toBe(labels);
        if (k !== 3) expect(found?.isSure, `${k} ${labels}`).toBe(true);
      }
    }
  });

  it("is never told wrongly where a ridge takes part of every morning, and told for sure only while one reading is still near even", () => {
    const told = (labels: "start" | "end", keptFrac: number) => {
      const { axis, values, place } = written(0, 60, labels);
      const ends = labels === "end" ? -60 : 0;
      const ridged = values.map((value, h) => {
        const solarHour = ((((h * 60 + ends + 30) / 60 + place.longitudeDeg / 15) % 24) + 24) % 24;
        return solarHour < 12 ? value * keptFrac : value;
      });
      return labelEvidence(axis, ridged, place)!;
    };
    for (const labels of ["start", "end"] as const) {
      expect(told(labels, 0.97), labels).toMatchObject({ labels, isSure: true });
      for (const keptFrac of [0.95, 0.9, 0.85, 0.8, 0.7, 0.6]) {
        const found = told(labels, keptFrac);
        if (found.isSure) expect(found.labels, `${labels} ${keptFrac}`).toBe(labels);
      }
    }
    // Less light before noon is what a start label read as an end gives too: the larger the cut, the less the two differ.
    expect([0.85, 0.7].map((keptFrac) => told("start", keptFrac).isSure)).toEqual([true, false]);
  });

  it("is not told without light, or of a few days", () => {
    const { axis, values, place } = written(0, 60, "end");
    expect(labelEvidence(axis, new Float64Array(axis.count), place)).toBeNull();
    expect(labelEvidence({ ...axis, count: 24 * 8 }, values.slice(0, 24 * 8), place)).toBeNull();
  });
});
