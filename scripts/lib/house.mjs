import { mkdtemp, rm } from "node:fs/promises";
import { ensureBuild } from "./build.mjs";
import { ensurePrograms, program } from "./bundle.mjs";
import { startThrowawayCluster } from "./cluster.mjs";
import { startWorker } from "./helpers.mjs";
import { ownFolder } from "./people.mjs";
import { must } from "./run.mjs";
import { serve } from "./serve.mjs";

/**
 * A house on a throwaway cluster, as `npm start` has it: programs that are not root, and a role that owns nothing. `steps` are those of
 * `scripts/prepare.ts` after the schema; its files lie in a folder of their own and go with it.
 */
export async function startHouse({ firstPort, steps = ["demo", "causes"], durable = false, hasWorker = true, env = {}, cluster }) {
  await ensurePrograms();
  const undo = [];
  const base = cluster ?? (await startThrowawayCluster({ durable }));
  if (!cluster) undo.push(base.stop);
  // Not beside the cluster: who runs the programs may be another than who runs the database.
  const files = await mkdtemp("/var/tmp/dusty-ledger-files-");
  undo.push(() => rm(files, { recursive: true, force: true }));
  const own = {
    ...process.env,
    LOG_LEVEL: "error",
    ...env,
    DATABASE_URL: base.url,
    DUSTY_LEDGER_VAR: env.DUSTY_LEDGER_VAR ?? files,
  };
  const stop = async () => {
    for (const end of undo.reverse()) await end().catch((error) => console.error(error.message));
  };
  try {
    await ensureBuild(own);
    await ownFolder(own.DUSTY_LEDGER_VAR);
    await must(process.execPath, [program("prepare"), "schema"], { env: { ...own, DATABASE_URL: base.migratorUrl } });
    if (steps.length > 0) await must(process.execPath, [program("prepare"), ...steps], { env: own });
    const site = await serve({ env: own, firstPort, quiet: true });
    undo.push(site.stop);
    const worker = hasWorker ? startWorker(own, { quiet: true }) : null;
    if (worker) undo.push(worker.stop);
    return { cluster: base, site, worker, env: own, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}
