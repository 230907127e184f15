import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

export const projectFolder = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..", "..");
export const inProject = (...parts) => path.join(projectFolder, ...parts);

/** What it starts ends when we do, however we end. */
export const SETPRIV = "/usr/bin/setpriv";

const running = new Set();

/** Ends what still runs to its end, with all that it started in turn: a build has helpers of its own. */
export function endRunning() {
  for (const child of running) {
    try {
      process.kill(-child.pid, "SIGKILL");
    } catch {
      // It has just ended by itself.
    }
  }
}

/** Runs a command to its end, in a group of its own; resolves with its exit code and, when captured, its output. */
export function run(command, args, { capture = false, env = process.env, cwd = projectFolder, input } = {}) {
  return new Promise((resolve, reject) => {
    const [program, all] =
      command !== "setpriv" && existsSync(SETPRIV) ? [SETPRIV, ["--pdeathsig=KILL", command, ...args]] : [command, args];
    const child = spawn(program, all, {
      cwd,
      env,
      detached: true,
      stdio: [input === undefined ? "ignore" : "pipe", capture ? "pipe" : "inherit", capture ? "pipe" : "inherit"],
    });
    running.add(child);
    let output = "";
    child.stdout?.on("data", (chunk) => (output += chunk));
    child.stderr?.on("data", (chunk) => (output += chunk));
    child.on("error", reject);
    child.on("close", (code) => {
      running.delete(child);
      resolve({ code: code ?? 1, output });
    });
    if (input !== undefined) child.stdin.end(input);
  });
}

/** Runs a command that must succeed; its output is shown only when it does not. */
export async function must(command, args, options = {}) {
  const { code, output } = await run(command, args, { capture: true, ...options });
  if (code !== 0) throw new Error(`${command} ${args.join(" ")} ended with ${code}\n${output}`);
  return output;
}

export const nodeBin = (name) => inProject("node_modules", ".bin", name);

/** Ends with a message for people, without a stack. */
export function giveUp(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
}
