import { readFileSync } from "node:fs";
import path from "node:path";
import { gunzipSync } from "node:zlib";
import Papa from "papaparse";
import { fillPlane, planeOf, type TranspositionModel } from "@/core/irradiance";
import { ashrae, faiman, HEAT_LOSS, temperatureFactor } from "@/core/module";
import { runSun } from "@/core/sun";
import { monthBins } from "@/core/time";
import { hours } from "../clear-weather";
import type { Comparison, MethodCheck } from "./compare";

const FOLDER = path.join(import.meta.dirname, "..", "reference", "year");
export const YEAR_PLACES = ["alpine47", "north37", "south31"] as const;

interface Sums {
  monthly: { poaKwhM2: number[]; dcKwh: number[]; acKwh: number[]; meanCellTempC: number[] };
  annual: { poaKwhM2: number; dcKwh: number; acKwh: number };
}
interface YearVectors {
  input: Record<"latitudeDeg" | "longitudeDeg" | "albedo" | "pStcW" | "gammaPerK" | "inverterEfficiency" | "pacMaxW" | "ashraeB0", number>;
  orientations: { tiltDeg: number; surfaceAzimuthDeg: number; models: Record<string, Sums> }[];
}

const CASES: readonly { key: string; model: TranspositionModel; withGlass: boolean }[] = [
  { key: "hayDavies", model: "hay-davies", withGlass: false },
  { key: "perez", model: "perez", withGlass: false },
  { key: "isotropic", model: "isotropic", withGlass: false },
  { key: "hayDaviesAshraeIam", model: "hay-davies", withGlass: true },
];

export function yearOf(name: string): { vectors: YearVectors; columns: Record<string, Float64Array>; count: number } {
  const vectors = JSON.parse(readFileSync(path.join(FOLDER, `year-${name}.json`), "utf8")) as YearVectors;
  const text = gunzipSync(readFileSync(path.join(FOLDER, `year-${name}.csv.gz`))).toString();
  const { data } = Papa.parse<Record<string, number>>(text, { header: true, dynamicTyping: true, skipEmptyLines: true });
  const names = ["ghiWm2", "dniWm2", "dhiWm2", "airTempC", "windSpeedMs"];
  return {
    vectors,
    count: data.length,
    columns: Object.fromEntries(names.map((key) => [key, Float64Array.from(data, (row) => row[key]!)])),
  };
}

/** A year of hours of one place through our laws: light, power and AC energy of each plane and model, by month and year. */
function yearComparisons(name: string): Comparison[] {
  const { vectors, columns, count } = yearOf(name);
  const axis = hours("2019-01-01T00:00Z", count);
  const sun = runSun(axis, vectors.input);
  const months = monthBins(axis, "UTC");
  const light = {
    ...sun,
    ghiWm2: columns.ghiWm2!,
    dniWm2: columns.dniWm2!,
    dhiWm2: columns.dhiWm2!,
    albedo: new Float64Array(count).fill(vectors.input.albedo),
  };
  return vectors.orientations.flatMap(({ tiltDeg, surfaceAzimuthDeg, models }) =>
    CASES.flatMap(({ key, model, withGlass }) => {
      const expected = models[key];
      if (!expected) return [];
      const column = () => new Float64Array(count);
      const plane = { cosIncidence: column(), directionalWm2: column(), skyWm2: column(), groundWm2: column() };
      fillPlane(light, planeOf(tiltDeg, surfaceAzimuthDeg), model, count, plane);
      const sums = { poaKwhM2: new Float64Array(12), dcKwh: new Float64Array(12), acKwh: new Float64Array(12) };
      for (let i = 0; i < count; i++) {
        const { pStcW, gammaPerK, inverterEfficiency, pacMaxW, ashraeB0 } = vectors.input;
        const even = plane.skyWm2[i]! + plane.groundWm2[i]!;
        const poa = plane.directionalWm2[i]! + even;
        const passed = withGlass ? plane.directionalWm2[i]! * ashrae(plane.cosIncidence[i]!, ashraeB0) + even : poa;
        const cellTempC = faiman(poa, columns.airTempC![i]!, columns.windSpeedMs![i]!, HEAT_LOSS["open-rack"]);
        const dcW = (pStcW * passed * temperatureFactor(cellTempC, gammaPerK)) / 1000;
        const month = months.binOf[i]!;
        sums.poaKwhM2[month]! += poa / 1000;
        sums.dcKwh[month]! += dcW / 1000;
        sums.acKwh[month]! += Math.min(inverterEfficiency * dcW, pacMaxW) / 1000;
      }
      const id = `${name} ${tiltDeg}/${surfaceAzimuthDeg} ${key}`;
      return (["poaKwhM2", "dcKwh", "acKwh"] as const).flatMap((quantity) => [
        ...expected.monthly[quantity].map((value, m) => ({
          id: `${id} ${quantity} month ${m + 1}`,
          got: sums[quantity][m]!,
          expected: value,
          absolute: 0,
          relative: 0.003,
        })),
        {
          id: `${id} ${quantity} year`,
          got: sums[quantity].reduce((a, b) => a + b, 0),
          expected: expected.annual[quantity],
          absolute: 0,
          relative: 0.001,
        },
      ]);
    }),
  );
}

export const YEAR_CHECKS: readonly MethodCheck[] = YEAR_PLACES.map((name) => ({
  stage: "A year of hours",
  method: `${name}: light, DC and AC by plane and model`,
  source: "Hay & Davies, 1980; Perez et al., 1990; Faiman, 2008; Souka & Safwat, 1966",
  unit: "kWh",
  tolerance: "0.3 % of a month, 0.1 % of the year",
  comparisons: () => yearComparisons(name),
}));
