import { createHash } from "node:crypto";
import { existsSync } from "node:fs";
import { mkdir, readFile, writeFile } from "node:fs/promises";
import { giveUp, inProject, run } from "./run.mjs";

const LEAST_NODE = [20, 9];

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  giveUp(
    `Dusty Ledger needs Node ${LEAST_NODE.join(".")} or newer; this is ${process.versions.node}. Install a newer Node and run the command again.`,
  );
}

/** Installs Debian packages that are missing. As another user than root it needs sudo; else it says the one line to run. */
export async function ensureDebian(packages, isThere) {
  if (isThere()) return;
  const line = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(" ")}`;
  const root = process.getuid?.() === 0;
  if (!root && (await run("sudo", ["-n", "true"], { capture: true }).catch(() => ({ code: 1 }))).code !== 0) {
    giveUp(`Missing: ${packages.join(", ")}. Run this once, then the command again:\n\n  sudo sh -c '${line}'`);
  }
  console.log(`Installing ${packages.join(", ")} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const { code, output } = root
    ? await run("sh", ["-c", line], { capture: true, env })
    : await run("sudo", ["-n", "sh", "-c", line], { capture: true, env });
  if (code !== 0 || !isThere())
    giveUp(
      `Could not install ${packages.join(", ")}:\n${output.slice(-2000)}\nRun this by hand, then the command again:\n\n  sudo sh -c '${line}'`,
    );
}

/** Installs npm packages when the lock file changed since they were last installed. */
export async function ensurePackages() {
  const lock = createHash("sha256")
    .update(await readFile(inProject("package-lock.json")))
    .digest("hex");
  const mark = inProject("node_modules", ".dusty-ledger-lock");
  if (existsSync(mark) && (await readFile(mark, "utf8")) === lock) return;
  console.log("Installing npm packages …");
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1" };
  delete env.NODE_ENV;
  let done = await run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], { capture: true, env });
  // A registry that lacks some optional platform packages of the lock refuses `ci`; `install` with the same lock takes the same versions.
  if (done.code !== 0)
    done = await run("npm", ["install", "--no-audit", "--no-fund", "--no-save", "--loglevel=error"], { capture: true, env });
  if (done.code !== 0) giveUp(`npm could not install the packages:\n${done.output.slice(-3000)}`);
  await mkdir(inProject("node_modules"), { recursive: true });
  await writeFile(mark, lock);
}
