import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { type FleetRow, judged } from "./judge";
import { readPlant } from "./plant";
import { truthOf } from "./truth";

export type { FleetRow } from "./judge";

const isPlant = (folder: string): boolean =>
  ["site.json", "truth.json", "production.csv", "production.csv.gz"].filter((name) => existsSync(path.join(folder, name))).length >= 3;

/** Plants of a folder of plants, or the folder itself where it is one; none where there is no such folder. */
export function plantsIn(folder: string): string[] {
  if (!existsSync(folder)) return [];
  if (isPlant(folder)) return [folder];
  return readdirSync(folder)
    .map((name) => path.join(folder, name))
    .filter(isPlant)
    .sort();
}

/** Judges plants one after the other; each row is told as soon as its plant is read. Plants without weather or with two meters side by side are left out, and said. */
export async function judgeFleet(folders: readonly string[], tell: (rows: readonly FleetRow[]) => void): Promise<FleetRow[]> {
  const work = mkdtempSync(path.join(os.tmpdir(), "fleet-"));
  const all: FleetRow[] = [];
  try {
    for (const folder of folders) {
      const plant = path.basename(folder);
      const rows = await rowsOf(plant, folder, work);
      all.push(...rows);
      tell(rows);
    }
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
  return all;
}

async function rowsOf(plant: string, folder: string, work: string): Promise<FleetRow[]> {
  const hasWeather = ["weather.csv", "weather.csv.gz"].some((name) => existsSync(path.join(folder, name)));
  const isTrial = "meters" in (JSON.parse(readFileSync(path.join(folder, "truth.json"), "utf8")) as object);
  if (!hasWeather || isTrial) {
    process.stderr.write(
      `${plant}: left out, ${hasWeather ? "two meters side by side are judged by bench trial" : "no weather: causes are withheld"}\n`,
    );
    return [];
  }
  try {
    return judged(plant, await readPlant(folder, work), truthOf(folder));
  } catch (error) {
    const read = (error instanceof Error ? error.message : String(error)).slice(0, 160);
    return [{ plant, kind: "run", what: "the analysis", read, truth: "", limit: "answers", holds: false }];
  }
}
