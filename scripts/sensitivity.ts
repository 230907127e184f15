import { execFile } from "node:child_process";
import { mkdirSync, readdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { promisify } from "node:util";
import { build } from "esbuild";
import { buildSeeds } from "../simulators/stand-ins";
import type { JudgedPlant } from "./fleet/stand-ins";

/**
 * `npm run sensitivity -- [PLANTS] [ROOM]`: moves each threshold of the search for causes by 30 % down and up, one at a time, and prints how many lines of so many stand-ins to build with then
 * change. One that decides alone is better a comparison. ROOM is a folder of src/core/attribution.
 */
const root = path.join(import.meta.dirname, "..");
const rooms = path.join(root, "src/core/attribution");
const MOVES = [0.7, 1.3] as const;
const plants = Number(process.argv[2] ?? 13);
const only = process.argv[3];
const cache = path.join(root, "node_modules/.cache/sensitivity");
const MOST_OUTPUT = 256 * 1024 * 1024;
const NUMBER = /^export const ([A-Z_]+) = (-?[\d._e]+);$/gm;

interface Threshold {
  readonly room: string;
  readonly name: string;
}

const thresholds = readdirSync(rooms, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && (only === undefined || entry.name === only))
  .flatMap(({ name: room }) => {
    const text = tryRead(path.join(rooms, room, "thresholds.ts"));
    return [...text.matchAll(NUMBER)].map(([, name]): Threshold => ({ room, name: name! }));
  });

const usual = await linesWith(null);
for (const threshold of thresholds) {
  const changes = [];
  for (const times of MOVES) {
    const moved = await linesWith({ ...threshold, times });
    const lost = [...usual].filter(([line, holds]) => holds && moved.get(line) === false).length;
    const won = [...usual].filter(([line, holds]) => !holds && moved.get(line) === true).length;
    changes.push(`${times}: ${lost} lost, ${won} won`);
  }
  process.stdout.write(`${threshold.room}/${threshold.name}\t${changes.join("\t")}\n`);
}
rmSync(cache, { recursive: true, force: true });

function tryRead(file: string): string {
  try {
    return readFileSync(file, "utf8");
  } catch {
    return "";
  }
}

/** Lines of all plants by plant and name, and whether they hold, with one threshold moved. */
async function linesWith(moved: (Threshold & { readonly times: number }) | null): Promise<Map<string, boolean>> {
  mkdirSync(cache, { recursive: true });
  const outfile = path.join(cache, "share.mjs");
  await build({
    entryPoints: [path.join(root, "scripts/fleet/share.ts")],
    bundle: true,
    platform: "node",
    format: "esm",
    packages: "external",
    outfile,
    logLevel: "error",
    plugins: [
      {
        name: "moved",
        setup(builder) {
          builder.onLoad({ filter: /attribution[/\\][a-z]+[/\\]thresholds\.ts$/ }, ({ path: file }) => {
            const text = readFileSync(file, "utf8");
            const isOwn = moved !== null && file.includes(`${path.sep}${moved.room}${path.sep}`);
            const contents = isOwn
              ? text.replaceAll(NUMBER, (whole, name: string, value: string) =>
                  name === moved.name ? `export const ${name} = ${Number(value.replaceAll("_", "")) * moved.times};` : whole,
                )
              : text;
            return { contents, loader: "ts" };
          });
        },
      },
    ],
  });
  const seeds = buildSeeds(plants).map(String);
  const halves = [seeds.filter((_, k) => k % 2 === 0), seeds.filter((_, k) => k % 2 === 1)].filter((own) => own.length > 0);
  const outputs = await Promise.all(
    halves.map((own) => promisify(execFile)(process.execPath, [outfile, ...own], { maxBuffer: MOST_OUTPUT })),
  );
  const judged = outputs.flatMap(({ stdout }) =>
    stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as JudgedPlant),
  );
  return new Map(judged.flatMap(({ seed, rows }) => rows.map((row) => [`${seed} ${row.what}`, row.holds] as const)));
}
