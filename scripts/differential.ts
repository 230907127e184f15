import { createReadStream, existsSync, writeFileSync } from "node:fs";
import path from "node:path";
import { randomPlant } from "../simulators";
import { ledgerFromFiles } from "../src/cli/read-files";
import { readEvents } from "../src/formats/events-csv";
import { attribute } from "../src/usecases/attribution";
import { simulate } from "./accuracy-rows";

const out: Record<string, unknown> = {};
const keep = (name: string, report: object): void => {
  out[name] = { ...report, milliseconds: 0 };
};
for (const plant of ["dry-roof", "alpine-hut", "southern-ranch", "bills-house"]) {
  const folder = path.join(import.meta.dirname, "..", "test", "fixtures", "plants", plant);
  const file = (name: string): string => path.join(folder, existsSync(path.join(folder, `${name}.gz`)) ? `${name}.gz` : name);
  const ledger = await ledgerFromFiles({
    site: path.join(folder, `${plant}.site.json`),
    weather: file("weather.csv"),
    production: file("production.csv"),
    promise: file("promise.csv"),
    events: file("events.csv"),
  });
  const { events } = await readEvents(createReadStream(file("events.csv")));
  keep(plant, attribute({ ledger, entries: events })!);
}
for (let k = 0; k < 20; k++) keep(`seed ${k}`, simulate(randomPlant(k)).report);
writeFileSync(process.argv[2]!, JSON.stringify(out));
