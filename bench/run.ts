import { writeFile } from "node:fs/promises";
import path from "node:path";
import { type CapacityFigures, measureCapacity } from "./capacity";
import { type CauseFigures, measureCauses } from "./causes";
import { type ChainFigures, measureChain, twoLoopsInC } from "./chain";
import { type ExaminationFigures, measureExamination } from "./examination";
import { type FieldFigures, measureField } from "./field";
import { type GeometryFigures, measureGeometry } from "./geometry";
import { type ImportFigures, measureImport } from "./import";
import { type MoneyFigures, measureMoney } from "./money";
import { measureNeighbours, type NeighbourFigures } from "./neighbours";

type Row = readonly [what: string, ours: string, beside: string, limit: string];
const table = (rows: readonly Row[]): string => rows.map((row) => `| ${row.join(" | ")} |`).join("\n");
const ratio = (ours: number, theirs: number): string => `ratio ${(ours / theirs).toFixed(2)}`;

function chainRows({ limit, ...chain }: ChainFigures): Row[] {
  const c = (ns: number): string => `${ns.toFixed(0)} plain C loop with libm, energy only`;
  return [
    [
      "Sun computed, every account by month: ns a step",
      chain.computedNs.toFixed(0),
      `${c(limit.computedNs)} (${ratio(chain.computedNs, limit.computedNs)})`,
      "ratio 1.2",
    ],
    [
      "Sun cached, every account by month: ns a step",
      chain.cachedNs.toFixed(0),
      `${c(limit.cachedNs)} (${ratio(chain.cachedNs, limit.cachedNs)})`,
      "150",
    ],
    [
      "Sun and split of the light cached, energy only: ns a step",
      chain.energyNs.toFixed(1),
      `${c(limit.cachedNs)} (${ratio(chain.energyNs, limit.cachedNs)})`,
      "25",
    ],
    ["Splitting the light of a step for all planes: ns a step", chain.splitNs.toFixed(0), "", ""],
    ["A year of hours, sun computed: ms", chain.yearMs.toFixed(2), "", "8"],
    ["Twenty years of hours, every account: ms", chain.twentyYearsMs.toFixed(0), "", "60"],
    ["Ten years of five minutes, every account: ms", chain.fiveMinutesMs.toFixed(0), "", "400"],
    ["Map of 19 x 72 planes, first picture: ms", chain.map.firstMs.toFixed(0), "", "100"],
    ["Map of 19 x 72 planes, whole: ms", chain.map.wholeMs.toFixed(0), "", "600"],
    ["Memory of ten years of five minutes: bytes an interval", chain.bytesPerInterval.toFixed(0), "", "100"],
  ];
}

function geometryRows(geometry: GeometryFigures): Row[] {
  const ms = (value: number): string => value.toFixed(value < 10 ? 1 : 0);
  return [
    ["Shade of 20 obstacles on 10 arrays, a year of hours: ms", ms(geometry.shadingMs), "", "100"],
    ["The same year through the whole chain: ms", ms(geometry.chainShadedMs), `${ms(geometry.chainOpenMs)} without obstacles`, ""],
    ["One array's scene, before its first hour: ms", geometry.sceneMs.toFixed(2), "", ""],
    ["A year at every tilt of one array, with a tree: ms", ms(geometry.tableMs), "", ""],
    ["Best twelve positions from it: ms", ms(geometry.twelveMs), `${ms(geometry.tableMs + geometry.twelveMs)} with the runs`, "2000"],
    [
      "Flattest twelve positions from it: ms",
      ms(geometry.flattestMs),
      `${ms(geometry.tableMs + geometry.flattestMs)} with the runs`,
      "2000",
    ],
  ];
}

function importRows(imported: ImportFigures): Row[] {
  const both = imported.importSeconds + imported.previewSeconds;
  return [
    [
      `From drop to usable, ${imported.rows.toLocaleString("en")} rows (${imported.megabytes.toFixed(0)} MB): s`,
      both.toFixed(2),
      `${imported.copySeconds.toFixed(2)} psql \\copy into a table with a primary key (${ratio(both, imported.copySeconds)})`,
      "ratio 1.0",
    ],
    ["Of it reading, checking and showing: s", imported.previewSeconds.toFixed(2), "", ""],
    ["Of it storing: s", imported.importSeconds.toFixed(2), "", ""],
    ["Peak memory of the process through both: MB", imported.peakMegabytes.toFixed(0), "", "300"],
    [`Reading the ${imported.pages} day pages back (ten years of 5 minutes): ms`, imported.readTenYearsMs.toFixed(0), "", "tens"],
  ];
}

function examinationRows({ intervals, examineMs, findings, drawMs }: ExaminationFigures): Row[] {
  return [
    [
      `Examination of ${intervals.toLocaleString("en")} intervals of five minutes (${findings} findings): ms`,
      examineMs.toFixed(0),
      "",
      "2000",
    ],
    ["Strips and heat maps of the ten years, as markup: ms", drawMs.toFixed(0), "", "300"],
  ];
}

function causeRows({ tenYearsMs, fiveMinutesMs, newDayMs, newDayOpenMs, sites, oneWorkerS, twoWorkersS }: CauseFigures): Row[] {
  return [
    ["Causes and ageing of ten years of hours, 1,000 redraws: ms", tenYearsMs.toFixed(0), "", "1200"],
    ["The same of ten years of five minutes: ms", fiveMinutesMs.toFixed(0), "", "3000"],
    ["A new day on ten years of hours: ms", newDayMs.toFixed(0), `${newDayOpenMs.toFixed(0)} to open their ledger with it`, "40"],
    [
      `${sites} sites of five years on two workers: s`,
      twoWorkersS.toFixed(1),
      `${oneWorkerS.toFixed(1)} on one (${(oneWorkerS / twoWorkersS).toFixed(2)} times as fast)`,
      "1.8 times",
    ],
  ];
}

function neighbourRows({ modules, openMs, readMs }: NeighbourFigures): Row[] {
  return [
    [
      `${modules} single modules, a year of quarters of an hour, from the database to the odd ones: ms`,
      openMs.toFixed(0),
      `${readMs.toFixed(0)} of it reading`,
      "1000",
    ],
  ];
}

function capacityRows({ steps, testMs }: CapacityFigures): Row[] {
  return [[`Capacity test of ${steps} five-minute readings: ms`, testMs.toFixed(0), "", "300"]];
}

function moneyRows({ drawsMs, paybackMs, tornadoMs, billsMs, plansMs }: MoneyFigures): Row[] {
  return [
    ["Interval of a payback of 25 years, 2,000 draws: ms", drawsMs.toFixed(1), "", "300"],
    ["Payback in exact decimals with its rate of return: ms", paybackMs.toFixed(1), "", ""],
    ["What matters most, 14 paybacks: ms", tornadoMs.toFixed(0), "", ""],
    ["Eight years of bills, three schools, intervals: ms", billsMs.toFixed(0), "", ""],
    ["A year charged under four plans, with the array and without: ms", plansMs.toFixed(0), "", ""],
  ];
}

function fieldRows({ curveMs, trialMs, trialSourcesMs }: FieldFigures): Row[] {
  return [
    ["Common curve of 60 modules with 3 unlike groups each: ms", curveMs.toFixed(1), "", "20"],
    ["Trial of ten months of quarter-hours, 2,000 draws: ms", trialMs.toFixed(0), "", "500"],
    ["What the model expects of both sides of it: ms", trialSourcesMs.toFixed(0), "", ""],
  ];
}

/** Measures everything in one run and writes it to docs/performance.md. */
const imported = await measureImport();
const chain = measureChain();
const geometry = await measureGeometry();
const examination = measureExamination();
const causes = await measureCauses();
const neighbours = await measureNeighbours();
const capacity = measureCapacity();
const twoLoops = await twoLoopsInC();
const money = measureMoney();
const field = measureField();
const HEAD = "| What | Ours | Beside it | Limit |\n|---|---:|---:|---:|";
const text = `# Performance

Written by \`npm run bench\`; ours and what stands beside it are measured in the same run, best of several passes on a shared machine with 2 cores. Never a timed test.

## The chain

${HEAD}
${table(chainRows(chain))}

A step is an hour of a year of the demo's weather, dark hours included. The chain books its loss accounts and the peaks inside the hour; the C loop (\`bench/limit/chain.c\`,
\`gcc -O3 -march=native\`) only makes the energy. Energy only is the pass that maps and sliders use: the light of every lit step is split once for all planes (next line), then each plane is
one loop. Where the time of an account run goes: a third into splitting and turning the light, a third into reflection, weak light and heat, the rest into gathering lit steps and posting.

| Years of hours | ${chain.byYears.map(({ years }) => years).join(" | ")} |
|---|${chain.byYears.map(() => "---:").join("|")}|
| ms, every account | ${chain.byYears.map(({ ms }) => ms.toFixed(1)).join(" | ")} |

| Arrays, one year | ${chain.byArrays.map(({ arrays }) => arrays).join(" | ")} |
|---|${chain.byArrays.map(() => "---:").join("|")}|
| ms, every account | ${chain.byArrays.map(({ ms }) => ms.toFixed(1)).join(" | ")} |

## Shade and seasons

${HEAD}
${table(geometryRows(geometry))}

## Import

${HEAD}
${table(importRows(imported))}

A dropped file is read once: checked and grouped into day pages for the preview, and what was read is held for the import that follows. Then ${imported.pages} rows are copied;
\`\\copy\` writes a million rows and an index.

## Examination

${HEAD}
${table(examinationRows(examination))}

## Causes

${HEAD}
${table(causeRows(causes))}

The cost grows with the years (the fit of dirt with their square where it never rains), hardly with the step, and in proportion to the sites; a new day is read by the laws of the search before. Workers share nothing but the table of runs: any number of them, on any number of machines that
reach the database, take books from it one at a time (\`npm run worker\`). Two processes of the C loop above, which share nothing at all, are ${twoLoops.toFixed(2)} times as fast as one in the same run.

## Single modules

${HEAD}
${table(neighbourRows(neighbours))}

## Tests

${HEAD}
${table(capacityRows(capacity))}

## Money

${HEAD}
${table(moneyRows(money))}

## Field book and bench

${HEAD}
${table(fieldRows(field))}
`;
await writeFile(path.join(import.meta.dirname, "..", "docs", "performance.md"), text);
console.log(text);
