import path from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { ensurePrograms, program } from "./lib/bundle.mjs";
import { serverPrograms, startCluster } from "./lib/cluster.mjs";
import { startSimulators, startWorker } from "./lib/helpers.mjs";
import { checkNode, ensureDebian, ensurePackages } from "./lib/install.mjs";
import { takeFolder, tellAddress } from "./lib/instance.mjs";
import { ownFolder, stepDown } from "./lib/people.mjs";
import { endRunning, giveUp, inProject } from "./lib/run.mjs";
import { serve } from "./lib/serve.mjs";
import { startProgram, toEnd } from "./lib/supervise.mjs";

const dev = process.argv.includes("--dev");
const undo = [];
let stopping = false;

/** Ends what was started, last first: whoever uses the database before the database. */
async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  endRunning();
  for (const stop of undo.reverse()) await stop().catch((error) => console.error(error.message));
  process.exit(code);
}

/** Registers a way to stop; where the end was asked for meanwhile, what has just been started ends at once. */
async function keepUntilEnd(started) {
  undo.push(started.stop);
  if (!stopping) return started;
  await started.stop();
  return new Promise(() => {});
}

async function database(env) {
  if (env.DATABASE_URL) return { url: env.DATABASE_URL, migratorUrl: env.DUSTY_LEDGER_MIGRATOR_URL ?? env.DATABASE_URL };
  return keepUntilEnd(await startCluster());
}

async function start() {
  checkNode();
  const other = await takeFolder();
  if (other) giveUp(`Dusty Ledger is open from this folder already${other.address ? `, at ${other.address}` : ""} (process ${other.pid}).`);
  await ensurePackages();
  await ensurePrograms();
  const env = { ...process.env, DUSTY_LEDGER_VAR: process.env.DUSTY_LEDGER_VAR ?? inProject("var", "files") };
  if (!env.DATABASE_URL) await ensureDebian(["postgresql-15"], () => serverPrograms() !== null);
  if (!dev) await ensureBuild(env);
  for (const folder of [inProject("var"), path.join(env.DUSTY_LEDGER_VAR, "uploads"), ...(dev ? [inProject(".next")] : [])])
    await ownFolder(folder);
  await stepDown();
  const [{ url, migratorUrl }, simulators] = await Promise.all([database(env), startSimulators(env)]);
  env.DATABASE_URL = url;
  await keepUntilEnd(simulators);
  env.DUSTY_LEDGER_FEED_HOSTS = [env.DUSTY_LEDGER_FEED_HOSTS, ...simulators.hosts].filter(Boolean).join(",");
  env.DUSTY_LEDGER_SIMULATOR_PORTS = simulators.ports.join(",");
  console.log(
    (await toEnd(await startProgram([program("prepare"), "schema"], { ...env, DATABASE_URL: migratorUrl }, { output: "pipe" }))).trim(),
  );
  const site = await keepUntilEnd(await serve({ env, dev, firstPort: Number(env.PORT ?? 3000) }));
  tellAddress(site.address);
  console.log(`\n  Dusty Ledger is open at ${site.address}\n  Ctrl-C closes it.\n`);
  await keepUntilEnd(startWorker(env));
  await makeDemo(env);
}

/** Tries of a demo whose making was ended; what was made stays, and the rest is made by the next. */
const DEMO_TRIES = 3;

async function makeDemo(env) {
  for (let tries = 1; tries <= DEMO_TRIES && !stopping; tries++) {
    const made = await toEnd(await startProgram([program("prepare"), "demo"], env, { output: "pipe" })).catch((error) => error);
    if (stopping) return;
    if (typeof made === "string") return void (made.trim() && console.log(made.trim()));
    console.error(
      `The demo was not made whole${tries < DEMO_TRIES ? "; it is tried again" : ". It is tried again at the next start"}: ${made.message}`,
    );
  }
}

for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stopAll(0));
start().catch(async (error) => {
  if (stopping) return;
  console.error(`\n${error.message}\n`);
  await stopAll(1);
});
