import { existsSync } from "node:fs";
import { mkdir, readdir, readFile, rm } from "node:fs/promises";
import path from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { ensurePrograms } from "./lib/bundle.mjs";
import { serverPrograms, startThrowawayCluster } from "./lib/cluster.mjs";
import { startHouse } from "./lib/house.mjs";
import { checkNode, ensureDebian, ensurePackages } from "./lib/install.mjs";
import { inProject, must, nodeBin, run } from "./lib/run.mjs";

let passed = 0;
let failed = 0;
const undo = [];

async function check(name, work) {
  const started = performance.now();
  try {
    const note = (await work()) ?? "";
    passed++;
    console.log(`ok    ${name} (${Math.round((performance.now() - started) / 1000)} s)${note ? ` ${note}` : ""}`);
  } catch (error) {
    failed++;
    console.log(`FAIL  ${name}\n${error.message}`);
  }
}

const tool = (name, args, env = process.env) => must(nodeBin(name), args, { env });
/** The same behind everything else: it takes what processor time the rest leaves over, and copies its young objects less often. */
const patientTool = (name, args) =>
  must("nice", ["-n", "19", nodeBin(name), ...args], { env: { ...process.env, NODE_OPTIONS: "--max-semi-space-size=128" } });

/** A rule set that looked at nothing proves nothing. */
async function directionRules() {
  const output = await tool("depcruise", ["src", "simulators", "--config", ".dependency-cruiser.cjs"]);
  const modules = Number(/\((\d+) modules/.exec(output)?.[1] ?? 0);
  if (modules < 50) throw new Error(`The dependency rules saw only ${modules} modules.\n${output}`);
  return `${modules} modules`;
}

async function vitest(env) {
  const started = performance.now();
  const file = inProject("test-results", "vitest.json");
  await mkdir(inProject("test-results"), { recursive: true });
  const { output } = await run(nodeBin("vitest"), ["run", "--reporter=default", "--reporter=json", `--outputFile.json=${file}`], {
    env,
    capture: true,
  });
  if (!existsSync(file)) throw new Error(output.slice(-4000));
  const report = JSON.parse(await readFile(file, "utf8"));
  passed += report.numPassedTests;
  failed += report.numFailedTests;
  if (report.numTotalTests === 0 || report.success !== true) {
    if (report.numFailedTests === 0) failed++;
    console.log(output.slice(-12_000));
  }
  const seconds = Math.round((performance.now() - started) / 1000);
  console.log(`unit and database: ${report.numPassedTests} passed, ${report.numFailedTests} failed (${seconds} s)`);
}

/** What stood on the pages of tests that failed: the next group clears it away. */
async function lastSeen() {
  const folder = inProject("test-results");
  const names = await readdir(folder);
  const files = names.map((name) => path.join(folder, name, "error-context.md")).filter(existsSync);
  return Promise.all(files.map(async (file) => `${path.basename(path.dirname(file))}\n${(await readFile(file, "utf8")).slice(-4000)}`));
}

/** One group of browser tests: journeys use one worker, what only reads uses all. */
async function browser(env, project) {
  const file = inProject("test-results", `${project}.json`);
  const { output } = await run(nodeBin("playwright"), ["test", "--project", project], {
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: file },
    capture: true,
  });
  if (!existsSync(file)) throw new Error(output.slice(-4000));
  const { stats } = JSON.parse(await readFile(file, "utf8"));
  passed += stats.expected;
  failed += stats.unexpected + stats.flaky;
  if (stats.expected === 0 || stats.unexpected > 0 || stats.flaky > 0) {
    if (stats.expected === 0) failed++;
    console.log(output.slice(-12_000));
    for (const seen of await lastSeen()) console.log(seen);
  }
  console.log(`browser, ${project}: ${stats.expected} passed, ${stats.unexpected} failed (${Math.round(stats.duration / 1000)} s)`);
}

/** Adds a database of its own to a server, so that suites do not meet. */
async function database(url, name) {
  const made = new URL(url);
  made.pathname = `/${name}`;
  const code = `import pg from "pg"; const c = new pg.Client({ connectionString: ${JSON.stringify(url)} }); await c.connect(); await c.query("create database ${name}"); await c.end();`;
  await must(process.execPath, ["--input-type=module", "-e", code]);
  return made.toString();
}

async function stopAll() {
  for (const stop of undo.reverse()) await stop().catch((error) => console.error(error.message));
  undo.length = 0;
}

async function all() {
  checkNode();
  await ensurePackages();
  await ensureDebian(["postgresql-15"], () => serverPrograms() !== null);
  await ensureDebian(["chromium"], () => existsSync("/usr/bin/chromium"));
  await rm(inProject("test-results"), { recursive: true, force: true });
  const cluster = await startThrowawayCluster();
  undo.push(cluster.stop);
  const plain = { ...process.env, DATABASE_URL: cluster.adminUrl, LOG_LEVEL: "error" };
  await check("build", async () => {
    await ensurePrograms();
    await ensureBuild(plain);
  });
  await check("format and style", () => tool("biome", ["check", "--error-on-warnings", "."]));
  await check("direction of imports", directionRules);
  await vitest({ ...plain, DATABASE_URL: await database(cluster.adminUrl, "suites") });
  let open = plain;
  await check("demo", async () => {
    const house = await startHouse({ firstPort: 3400, cluster });
    undo.push(house.stop);
    open = { ...house.env, DUSTY_LEDGER_ADDRESS: house.site.address };
  });
  // Journeys go one after the other and wait for the screen: what reads the code alone runs behind them.
  const readers = check("types", () => patientTool("tsc", ["--noEmit"])).then(() => check("lint", () => patientTool("eslint", ["."])));
  await browser(open, "journeys");
  await readers;
  await browser(open, "everyone");
  await check("a small siege", async () => {
    const output = await tool("tsx", ["scripts/siege.ts", "inputs,files,faults,starts", "--small"]);
    return `${output.split("\n").filter((line) => line.startsWith("ok ")).length} lines hold`;
  });
}

process.on("SIGINT", () => stopAll().then(() => process.exit(130)));
await all().catch((error) => {
  failed++;
  console.log(`FAIL  ${error.stack}`);
});
await stopAll();
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
