import { writeFile } from "node:fs/promises";
import path from "node:path";
import { type AccuracyRow, plantRows, simulatedRows } from "./accuracy-rows";

/** Writes the accuracy page of the docs: every cause beside the truth of plants that tell it. */
const table = (rows: readonly AccuracyRow[]): string =>
  [
    "| plant | what | read | truth | limit | |",
    "|---|---|---:|---:|---:|---|",
    ...rows.map(
      (row) => `| ${row.plant} | ${row.what} | ${row.ours} | ${row.truth} | ${row.limit} | ${row.holds ? "holds" : "**does not hold**"} |`,
    ),
  ].join("\n");

const plants = await plantRows();
const simulated = simulatedRows();
const held = (rows: readonly AccuracyRow[]): string => `${rows.filter((row) => row.holds).length} of ${rows.length}`;
const share = (part: number, whole: number): string => (whole === 0 ? "none there" : `${part} of ${whole}`);

const missed = simulated.rows.filter((row) => !row.holds);
const kinds = [...new Set(simulated.rows.map((row) => row.what))];
const text = `# Accuracy of the causes

Made by \`npm run -s accuracy\`. Nothing here is typed in: each line is the analysis run over files whose truth is known and was not used.

## Plants with files as found

Four invented plants, simulated at five-minute steps with other physics than ours and then written down as owners keep their files (\`test/fixtures/plants\`).
Energies are for the whole record, at the stage at which each cause takes them. A cause is held to 15 % of the truth or 0.3 % of the yield, whichever is larger. With
monthly figures alone (bills-house) an ageing of under half a percent a year can't be asked of three years; its interval is.

${held(plants)} hold.

${table(plants)}

## Simulated plants with random faults

Twenty plants from seeds (\`simulators/random-plant.ts\`): four climates, four years, planes, sizes, dirt, cleanings written down or not, outages, strings out, wrong planes.

${held(simulated.rows)} hold.

| what | holds |
|---|---:|
${kinds.map((what) => `| ${what} | ${held(simulated.rows.filter((row) => row.what === what))} |`).join("\n")}

| finding | findings that are true | true faults that are found |
|---|---:|---:|
${simulated.shares.map((row) => `| ${row.kind} | ${share(row.trueFindings, row.findings)} | ${share(row.foundFaults, row.faults)} |`).join("\n")}

Plants with nothing wrong: ${simulated.falseFindingsPerYear.toFixed(2)} findings a year (limit 1).

${missed.length === 0 ? "None fails." : `Those that do not hold:\n\n${table(missed)}`}
`;
await writeFile(path.join(import.meta.dirname, "..", "docs", "accuracy.md"), text);
console.log(`plants ${held(plants)}, simulated plants ${held(simulated.rows)}; docs/accuracy.md`);
