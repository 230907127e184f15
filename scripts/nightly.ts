import { spawnSync } from "node:child_process";
import path from "node:path";

/** `npm run nightly`: what takes too long for a test run, one after the other; says at the end what failed. Figures go into `docs/`. */
const CHECKS = [["accuracy"], ["sensitivity", "13"], ["households"], ["validation"], ["mutation"]] as const;
const root = path.join(import.meta.dirname, "..");
const failed = CHECKS.filter(([name, ...args]) => {
  process.stdout.write(`\n${name}\n`);
  return spawnSync("npm", ["run", "-s", name, "--", ...args], { cwd: root, stdio: "inherit" }).status !== 0;
});
process.stdout.write(failed.length === 0 ? "\nAll held.\n" : `\nFailed: ${failed.map(([name]) => name).join(", ")}\n`);
process.exitCode = failed.length === 0 ? 0 : 1;
