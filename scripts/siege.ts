import { writeFileSync } from "node:fs";
import { startHouse } from "./lib/house.mjs";
import { clientOf } from "./siege/client";
import { clockBack, fullDisk } from "./siege/disk-and-clock";
import { faults } from "./siege/faults";
import { files } from "./siege/files";
import { inputs } from "./siege/inputs";
import { load } from "./siege/load";
import { memory, mostMemoryMb } from "./siege/memory";
import { behindProxy } from "./siege/proxy";
import { allRows, row } from "./siege/report";
import { resiliencePage } from "./siege/resilience-page";
import { slow } from "./siege/slow";
import { starts } from "./siege/starts";
import { percentile, watchHealth } from "./siege/watch";

/**
 * Lays siege to a house of its own, on loopback, and ends by itself: bad inputs, hostile files, slow clients, load, and faults of every process.
 * npm run siege -- [parts, by commas] [--seed N] [--count N] [--small] [--write]
 */
const PARTS = ["inputs", "files", "slow", "load", "memory", "faults", "disk", "clock", "proxy", "starts"] as const;
const [named = PARTS.join(",")] = process.argv.slice(2).filter((word) => !word.startsWith("--"));
const wanted = named.split(",");
const numberOf = (flag: string, otherwise: number): number => {
  const at = process.argv.indexOf(flag);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};
const seed = numberOf("--seed", 1);
/** The part that the tests run: less of each. */
const isSmall = process.argv.includes("--small");

const began = performance.now();
const house = await startHouse({ firstPort: 3700, steps: [], durable: true });
const client = clientOf(() => house.site.address);
const watch = watchHealth(house.site.address);
try {
  // First, in a house as its owner has it: what the others leave in memory is told below.
  if (wanted.includes("memory")) await memory(house, client, watch);
  if (wanted.includes("inputs"))
    await inputs(client, house.cluster.adminUrl.replace(/\/postgres$/, "/dusty_ledger"), numberOf("--count", isSmall ? 300 : 1100), seed);
  if (wanted.includes("files")) await files(client, watch, isSmall);
  if (wanted.includes("slow")) await slow(client, watch);
  if (wanted.includes("load")) await load(client, watch);
  if (watch.times().length > 0)
    row(
      "health",
      "/healthz during all of it",
      watch.times().length + watch.failed(),
      watch.times().length,
      `p99 ${Math.round(percentile(watch.times(), 0.99))} ms, worst ${Math.round(Math.max(...watch.times()))} ms`,
    );
  if (!isSmall) row("memory", "the server's memory over all of it, most at any time", 0, 0, `${mostMemoryMb(house.site.pid())} MB`);
  // What kills the server ends the watch: then it is meant not to answer for a moment.
  watch.stop();
  if (wanted.includes("faults")) await faults(house, client, isSmall);
} finally {
  watch.stop();
  if (house.site.starts() > 1) console.log(house.site.log().slice(-3000));
  await house.stop();
}
if (wanted.includes("disk")) await fullDisk();
if (wanted.includes("clock")) await clockBack();
if (wanted.includes("proxy")) await behindProxy();
if (wanted.includes("starts")) await starts(isSmall);
if (process.argv.includes("--write"))
  writeFileSync(new URL("../docs/resilience.md", import.meta.url), resiliencePage(allRows(), seed, (performance.now() - began) / 1000));
process.exit(allRows().every(({ tried, survived }) => tried === survived) ? 0 : 1);
