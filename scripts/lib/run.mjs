import { spawn } from "node:child_process";
import path from "node:path";
import { fileURLToPath } from "node:url";

export const projectFolder = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..", "..");
export const inProject = (...parts) => path.join(projectFolder, ...parts);

/** Runs a command to its end; resolves with its exit code and, when captured, its output. */
export function run(command, args, { capture = false, env = process.env, cwd = projectFolder, input } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env,
      stdio: [input === undefined ? "ignore" : "pipe", capture ? "pipe" : "inherit", capture ? "pipe" : "inherit"],
    });
    let output = "";
    child.stdout?.on("data", (chunk) => (output += chunk));
    child.stderr?.on("data", (chunk) => (output += chunk));
    child.on("error", reject);
    child.on("close", (code) => resolve({ code: code ?? 1, output }));
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
