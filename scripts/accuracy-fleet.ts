import { type FleetRow, judgeFleet, plantsIn } from "./fleet";

/**
 * `npm run accuracy -- DIR…`: judges the analysis by plants in the fleet's form (site.json, production, weather, truth.json). Prints a row a check, then the kinds;
 * `--json` gives the rows as JSON. Exit code 1 where a check fails.
 */
const args = process.argv.slice(2);
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
