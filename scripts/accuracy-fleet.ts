import { buildSeeds, judgeSeeds, yearsOf } from "../simulators/stand-ins";
import { type FleetRow, judgeFleet, plantsIn } from "./fleet";
import { judgeStandIns } from "./fleet/stand-ins";
import { coverageTable, falsePerYear, heldTable, kindsTable, reliabilityTable } from "./fleet/summary";

/**
 * `npm run accuracy -- DIR…`: judges the analysis by plants in the fleet's form (site.json, production, weather, truth.json). Prints a row a check, then the kinds;
 * `--json` gives the rows as JSON. Exit code 1 where a check fails.
 *
 * `npm run accuracy -- --stand-ins BUILD JUDGE`: so many made-up plants to build with and so many that judge, in tables.
 */
const args = process.argv.slice(2);
if (args[0] === "--stand-ins") await standIns(Number(args[1]), Number(args[2]));
else await folders();

async function standIns(building: number, judging: number): Promise<void> {
  const [build, judge] = [await judgeStandIns(buildSeeds(building || 0)), await judgeStandIns(judgeSeeds(judging || 0))];
  const both = { build, judge };
  const years = (plants: typeof build): number => plants.reduce((sum, { seed }) => sum + yearsOf(seed), 0);
  for (const text of [heldTable(both), kindsTable(both), reliabilityTable(both), coverageTable(both)]) process.stdout.write(`${text}\n\n`);
  process.stdout.write(
    `False findings: ${falsePerYear(build, years(build))} to build with, ${falsePerYear(judge, years(judge))} that judge.\n`,
  );
}

async function folders(): Promise<void> {
  const isJson = args.includes("--json");
  const asked = args.filter((arg) => !arg.startsWith("--"));
  const folders = asked.flatMap((folder) => {
    const plants = plantsIn(folder);
    if (plants.length === 0)
      process.stderr.write(
        `${folder}: no plant there. Expected a folder, or folders in it, with site.json, truth.json and production.csv (or .gz).\n`,
      );
    return plants;
  });
  const line = (row: FleetRow): string => [row.plant, row.what, row.read, row.truth, row.limit, row.holds ? "holds" : "FAILS"].join("\t");
  const rows = await judgeFleet(folders, (own) => {
    if (!isJson) for (const row of own) process.stdout.write(`${line(row)}\n`);
  });
  if (isJson) process.stdout.write(`${JSON.stringify(rows, null, 1)}\n`);
  else {
    for (const kind of [...new Set(rows.map((row) => row.kind))]) {
      const own = rows.filter((row) => row.kind === kind);
      process.stdout.write(`${kind}: ${own.filter(({ holds }) => holds).length} of ${own.length}\n`);
    }
    process.stdout.write(`${rows.filter(({ holds }) => holds).length} of ${rows.length} hold, ${folders.length} plants.\n`);
  }
  process.exitCode = rows.length > 0 && rows.every(({ holds }) => holds) ? 0 : 1;
}
