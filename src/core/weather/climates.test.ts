import path from "node:path";
import { fixtures } from "@test/paths";
import { describe, expect, it } from "vitest";
import { ledgerFromFiles } from "@/cli/read-files";
import { CLIMATES, type Climate, climateMeans } from "./climates";
import { weatherFromMeans } from "./monthly-means";

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const file = (plant: string, name: string): string => path.join(fixtures, "plants", plant, name);

describe("climates that a person can pick", () => {
  it.each([
    ["dry-roof", "mediterranean"],
    ["southern-ranch", "steppe"],
    ["alpine-hut", "alpine"],
  ] as const)("the year of %s is within 15 %% of %s", async (plant, climate) => {
    const { site, weather } = await ledgerFromFiles({ site: file(plant, `${plant}.site.json`), weather: file(plant, "weather.csv.gz") });
    const { axis, ghiWm2 } = weather!;
    const known = ghiWm2!.filter((value) => !Number.isNaN(value));
    const yearKwhM2 = ((sum([...known]) / known.length) * 8766) / 1000;
    expect(axis.count).toBeGreaterThan(8000);
    expect(Math.abs(sum(climateMeans(climate, site.place).ghiKwhM2) / yearKwhM2 - 1)).toBeLessThan(0.15);
  });

  it.each(Object.keys(CLIMATES) as Climate[])("%s makes hours at any latitude, with the summer where it belongs", (climate) => {
    for (const latitudeDeg of [-45, -10, 10, 45, 60]) {
      const place = { latitudeDeg, longitudeDeg: 0, timeZone: "UTC", elevationM: 200 };
      const means = climateMeans(climate, place);
      expect(means.ghiKwhM2).toHaveLength(12);
      const made = weatherFromMeans(means, 2024, place);
      expect(made.ghiWm2.every((value) => value >= 0 && value < 1400)).toBe(true);
      if (Math.abs(latitudeDeg) > 40) {
        const [january, july] = [means.ghiKwhM2[0]!, means.ghiKwhM2[6]!];
        expect(latitudeDeg > 0 ? july > january : january > july).toBe(true);
      }
    }
  });
});
