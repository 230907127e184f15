import { existsSync, readdirSync, statSync } from "node:fs";
import path from "node:path";
import { inProject } from "./run.mjs";
import { ensureTowns } from "./towns.mjs";

/** Programs that run without a build of the pages, each bundled into one file; packages stay where npm put them. */
export const PROGRAMS = {
  ledger: "src/cli/main.ts",
  worker: "src/jobs/worker.ts",
  server: "src/server/main.ts",
  reckoner: "src/reckoner/thread.ts",
  reader: "src/reader/thread.ts",
  prepare: "scripts/prepare.ts",
  simulator: "simulators/serve.ts",
};

/** Runs in browsers, between pages and the line; next to the pages' own files, at an address of its own. */
const FIELD_BOOK_WORKER = { from: "src/features/field-book/offline/worker.ts", to: "public/field-book-worker.js" };

export const program = (name) => inProject("dist", `${name}.mjs`);

/** Newest change below a folder, tests aside. */
function newest(folder) {
  let last = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) last = Math.max(last, newest(full));
    else if (/\.(ts|json|mjs)$/.test(entry.name) && !entry.name.endsWith(".test.ts")) last = Math.max(last, statSync(full).mtimeMs);
  }
  return last;
}

const isFresh = () => {
  const outs = [...Object.keys(PROGRAMS).map(program), inProject(FIELD_BOOK_WORKER.to)];
  const made = Math.min(...outs.map((out) => (existsSync(out) ? statSync(out).mtimeMs : 0)));
  return made > 0 && ["src", "simulators", "generated", "scripts"].every((folder) => newest(inProject(folder)) < made);
};

/** Bundles the programs where their sources changed since. */
export async function ensurePrograms() {
  await ensureTowns();
  if (isFresh()) return;
  const { build, stop } = await import("esbuild");
  await build({
    absWorkingDir: inProject(),
    entryPoints: Object.entries(PROGRAMS).map(([out, file]) => ({ in: file, out })),
    outdir: "dist",
    outExtension: { ".js": ".mjs" },
    bundle: true,
    splitting: true,
    chunkNames: "parts/[name]-[hash]",
    format: "esm",
    platform: "node",
    target: "node20",
    packages: "external",
    define: { "process.env.DUSTY_LEDGER_VERSION": JSON.stringify(process.env.npm_package_version ?? "0.1.0") },
    sourcemap: "linked",
    logLevel: "warning",
  });
  await build({
    absWorkingDir: inProject(),
    entryPoints: [FIELD_BOOK_WORKER.from],
    outfile: FIELD_BOOK_WORKER.to,
    bundle: true,
    minify: true,
    format: "iife",
    platform: "browser",
    target: "es2022",
    logLevel: "warning",
  });
  await stop();
}
