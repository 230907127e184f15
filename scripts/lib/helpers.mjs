import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { program } from "./bundle.mjs";
import { freePort } from "./cluster.mjs";
import { projectFolder } from "./run.mjs";

const SIMULATORS = ["weather", "logger", "meter"];

/**
 * A search makes a column a step, which a small young generation would copy again and again: with a roomy one it takes a quarter less time,
 * and the threads that collect leave the other core to other workers.
 */
const WORKER_FLAGS = JSON.parse(readFileSync(new URL("./worker-flags.json", import.meta.url), "utf8"));

function start(args, env, flags = []) {
  // One process, so that a signal reaches what does the work.
  const child = spawn(process.execPath, [...flags, ...args], {
    cwd: projectFolder,
    env,
    stdio: ["ignore", "ignore", "inherit"],
  });
  const ended = new Promise((resolve) => child.once("exit", resolve));
  return {
    child,
    stop: async () => {
      child.kill("SIGTERM");
      await ended;
    },
  };
}

/** Starts the simulators of the demo, a process each, on neighbouring ports of loopback. */
export async function startSimulators(env, wanted = 4310) {
  let firstPort = await freePort(wanted);
  // Three in a row must be free.
  while ((await freePort(firstPort + 1)) !== firstPort + 1 || (await freePort(firstPort + 2)) !== firstPort + 2)
    firstPort = await freePort(firstPort + 3);
  const running = SIMULATORS.map((name, k) => start([program("simulator"), name, String(firstPort + k)], env));
  return {
    firstPort,
    hosts: SIMULATORS.map((_, k) => `127.0.0.1:${firstPort + k}`),
    stop: async () => {
      await Promise.all(running.map(({ stop }) => stop()));
    },
  };
}

/** Starts a worker that takes jobs from the database's queue. */
export const startWorker = (env) => start([program("worker")], env, WORKER_FLAGS);
