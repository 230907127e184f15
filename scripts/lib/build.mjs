import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import { readdir, readFile, writeFile } from "node:fs/promises";
import path from "node:path";
import { inProject, nodeBin, run } from "./run.mjs";

const SOURCES = ["src", "next.config.ts", "postcss.config.mjs", "package-lock.json", "tsconfig.json"];
const MARK = [".next", "dusty-ledger-sources"];

async function filesBelow(entry) {
  if (!existsSync(entry)) return [];
  const listed = await readdir(entry, { withFileTypes: true, recursive: true }).catch(() => null);
  if (!listed) return [entry];
  return listed
    .filter((item) => item.isFile() && !item.name.endsWith(".test.ts"))
    .map((item) => path.join(item.parentPath ?? item.path, item.name));
}

async function sourcesHash() {
  const files = (await Promise.all(SOURCES.map((source) => filesBelow(inProject(source))))).flat().sort();
  const hash = createHash("sha256");
  for (const file of files) hash.update(path.relative(inProject(), file)).update(await readFile(file));
  return hash.digest("hex");
}

/** Builds the application when its sources changed since the last build. */
export async function ensureBuild(env = process.env) {
  const hash = await sourcesHash();
  const mark = inProject(...MARK);
  if (existsSync(mark) && (await readFile(mark, "utf8")) === hash) return;
  console.log("Building …");
  const { code, output } = await run(nodeBin("next"), ["build"], {
    capture: true,
    env: { ...env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
  });
  if (code !== 0) throw new Error(`The build failed:\n${output.slice(-6000)}`);
  await writeFile(mark, hash);
  console.log("Built.");
}
