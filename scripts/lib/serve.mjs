import { spawn } from "node:child_process";
import { setTimeout as wait } from "node:timers/promises";
import { freePort } from "./cluster.mjs";
import { inProject, projectFolder } from "./run.mjs";

/** Serves the built application on loopback; resolves once it answers. */
export async function serve({ env, firstPort = 3000, dev = false, quiet = false }) {
  const port = await freePort(firstPort);
  // A small young generation keeps the memory of a long import flat; it costs a few per cent of its time.
  const args = [
    "--max-semi-space-size=4",
    inProject("node_modules", "next", "dist", "bin", "next"),
    dev ? "dev" : "start",
    "-H",
    "127.0.0.1",
    "-p",
    String(port),
  ];
  const child = spawn(process.execPath, args, {
    cwd: projectFolder,
    env: { ...env, NODE_ENV: dev ? "development" : "production", NEXT_TELEMETRY_DISABLED: "1" },
    stdio: ["ignore", quiet ? "pipe" : "inherit", quiet ? "pipe" : "inherit"],
  });
  let log = "";
  child.stdout?.on("data", (chunk) => (log += chunk));
  child.stderr?.on("data", (chunk) => (log += chunk));
  const ended = new Promise((resolve) => child.once("exit", resolve));
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 300; tries++) {
    if (child.exitCode !== null) throw new Error(`The server ended at once.\n${log}`);
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok)
      return {
        address,
        ended,
        log: () => log,
        kill: () => child.kill("SIGKILL"),
        stop: async () => {
          child.kill("SIGTERM");
          await ended;
        },
      };
    await wait(200);
  }
  child.kill("SIGTERM");
  throw new Error(`The server did not answer within a minute.\n${log}`);
}
