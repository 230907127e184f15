import { ensureBuild } from "./lib/build.mjs";
import { ensurePrograms, program } from "./lib/bundle.mjs";
import { serverPrograms, startCluster } from "./lib/cluster.mjs";
import { startSimulators, startWorker } from "./lib/helpers.mjs";
import { checkNode, ensureDebian, ensurePackages } from "./lib/install.mjs";
import { giveUp, must } from "./lib/run.mjs";
import { serve } from "./lib/serve.mjs";

const dev = process.argv.includes("--dev");
const undo = [];
let stopping = false;

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const stop of undo.reverse()) await stop().catch((error) => console.error(error.message));
  process.exit(code);
}

async function start() {
  checkNode();
  await ensurePackages();
  await ensurePrograms();
  const env = { ...process.env };
  if (!env.DATABASE_URL) {
    await ensureDebian(["postgresql-15"], () => serverPrograms() !== null);
    const cluster = await startCluster();
    undo.push(cluster.stop);
    env.DATABASE_URL = cluster.url;
  }
  const simulators = await startSimulators(env);
  undo.push(simulators.stop);
  env.DUSTY_LEDGER_SIMULATOR_PORT = String(simulators.firstPort);
  env.DUSTY_LEDGER_FEED_HOSTS = [env.DUSTY_LEDGER_FEED_HOSTS, ...simulators.hosts].filter(Boolean).join(",");
  const prepared = must(process.execPath, [program("prepare")], { env });
  const [note] = await Promise.all([prepared, dev ? null : ensureBuild(env)]);
  console.log(note.trim());
  const worker = startWorker(env);
  undo.push(worker.stop);
  const site = await serve({ env, dev, firstPort: Number(env.PORT ?? 3000) });
  undo.push(site.stop);
  console.log(`\n  Dusty Ledger is open at ${site.address}\n  Ctrl-C closes it.\n`);
  site.ended.then(() => stopAll(1));
}

process.on("SIGINT", () => stopAll(0));
process.on("SIGTERM", () => stopAll(0));
start().catch(async (error) => {
  for (const stop of undo.reverse()) await stop().catch(() => {});
  giveUp(error.message);
});
