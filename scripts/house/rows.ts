import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import path from "node:path";
import {
  handMadeTables,
  type NamedFunction,
  namedFunctions,
  neverCasts,
  type Place,
  parse,
  repeatedConstants,
  sentences,
} from "./measures";

const root = path.join(import.meta.dirname, "..", "..");
const tracked = execFileSync("git", ["ls-files", "src", "simulators", "scripts", "bench"], { cwd: root, encoding: "utf8" })
  .split("\n")
  .filter((file) => /\.tsx?$/.test(file));
const isTest = (file: string): boolean => /\.test\.tsx?$/.test(file);
const shipped = tracked.filter((file) => file.startsWith("src/") && !isTest(file));
const sources = new Map(shipped.map((file) => [file, parse(file, readFileSync(path.join(root, file), "utf8"))]));

const LONG_LINES = 60;
const TOO_LONG_LINES = 100;
const LONG_FILE_LINES = 250;
const CONSTANTS_HOME = "src/core/units/units.ts";

const gather = <T extends Place>(
  measure: (source: Parameters<typeof namedFunctions>[0]) => T[],
  where: (file: string) => boolean = () => true,
): T[] => [...sources].filter(([file]) => where(file)).flatMap(([, source]) => measure(source));

const functions = gather<NamedFunction>(namedFunctions).sort((a, b) => b.lines - a.lines);
const longFiles = [...sources]
  .map(([file, source]) => ({ file, line: 1, what: `${source.getFullText().split("\n").length - 1} lines`, text: source.getFullText() }))
  .filter(({ text }) => text.split("\n").length - 1 > LONG_FILE_LINES);
const rawSql = [...sources]
  .filter(([, source]) => /\.query\(|\bsql`/.test(source.getFullText()))
  .map(([file, source]) => ({ file, text: source.getFullText() }));

/** A rule of the house: how often it is broken, and how often it may be. */
export interface HouseRow {
  readonly what: string;
  readonly limit: number;
  readonly places: readonly Place[];
}

/** Made-up names of modules, and names of typefaces, are data. */
const DATA = ["src/contracts/module-library.ts", "src/app/fonts.ts"];

export const houseRows: readonly HouseRow[] = [
  { what: `named functions over ${LONG_LINES} lines`, limit: 20, places: functions.filter(({ lines }) => lines > LONG_LINES) },
  { what: `named functions over ${TOO_LONG_LINES} lines`, limit: 0, places: functions.filter(({ lines }) => lines > TOO_LONG_LINES) },
  { what: `files over ${LONG_FILE_LINES} lines`, limit: 12, places: longFiles },
  { what: "of them without a reason at the top", limit: 0, places: longFiles.filter(({ text }) => !/^(\/\/|\/\*\*?) /.test(text)) },
  { what: "shared constants typed in once more", limit: 0, places: gather(repeatedConstants, (file) => file !== CONSTANTS_HOME) },
  { what: "`as never`", limit: 0, places: gather(neverCasts) },
  { what: "`<table>` outside the kit", limit: 0, places: gather(handMadeTables, (file) => !file.startsWith("src/features/kit/")) },
  {
    what: "files with raw SQL without its reason",
    limit: 0,
    places: rawSql.filter(({ text }) => !/Raw SQL/.test(text)).map(({ file }) => ({ file, line: 1, what: "raw SQL" })),
  },
  {
    what: "sentences outside `src/wording`",
    limit: 0,
    places: gather(
      sentences,
      (file) => !file.startsWith("src/wording/") && !file.startsWith("src/data/migrations/") && !DATA.includes(file),
    ),
  },
];
