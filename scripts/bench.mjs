import { serverPrograms, startThrowawayCluster } from "./lib/cluster.mjs";
import { checkNode, ensureDebian, ensurePackages } from "./lib/install.mjs";
import { nodeBin, run } from "./lib/run.mjs";

/** Measures on a cluster of its own and writes docs/performance.md. */
checkNode();
await ensurePackages();
await ensureDebian(["postgresql-15"], () => serverPrograms() !== null);
const cluster = await startThrowawayCluster();
const { code } = await run(nodeBin("tsx"), ["bench/run.ts"], {
  // The same young generation as the server has.
  env: { ...process.env, DATABASE_URL: cluster.adminUrl, NODE_OPTIONS: "--max-semi-space-size=4" },
});
await cluster.stop();
process.exit(code);
