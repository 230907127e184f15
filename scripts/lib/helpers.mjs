import { readFileSync } from "node:fs";
import { program } from "./bundle.mjs";
import { keep, startProgram, told } from "./supervise.mjs";

const SIMULATORS = ["weather", "logger", "meter"];

/**
 * A search makes a column a step, which a small young generation would copy again and again: with a roomy one it takes a quarter less time,
 * and the threads that collect leave the other core to other workers.
 */
const WORKER_FLAGS = JSON.parse(readFileSync(new URL("./worker-flags.json", import.meta.url), "utf8"));

/** Starts the simulators of the demo, a process each, on ports of loopback that were free; resolves once all listen. They keep their ports. */
export async function startSimulators(env) {
  const ports = SIMULATORS.map(() => 0);
  const running = SIMULATORS.map((name, k) =>
    keep(`simulator of the ${name}`, () => startProgram([program("simulator"), name, String(ports[k])], env), {
      ready: async (child) => {
        ports[k] = (await told(child, "listening")).port;
      },
    }),
  );
  await Promise.all(running.map(({ started }) => started));
  return {
    ports,
    hosts: ports.map((port) => `127.0.0.1:${port}`),
    kill: (k) => running[k].state.child.kill("SIGKILL"),
    pids: () => running.map(({ state }) => state.child.pid),
    stop: async () => {
      await Promise.all(running.map(({ stop }) => stop()));
    },
  };
}

/** Keeps a worker that takes jobs from the database's queue. */
export function startWorker(env, { quiet = false } = {}) {
  const worker = keep(
    "worker",
    async () => {
      const child = await startProgram([...WORKER_FLAGS, program("worker")], env, { output: quiet ? "pipe" : "inherit" });
      for (const stream of [child.stdout, child.stderr]) stream?.resume();
      return child;
    },
    { quiet },
  );
  worker.started.catch(() => {});
  return {
    stop: () => worker.stop(),
    kill: () => worker.state.child.kill("SIGKILL"),
    pid: () => worker.state.child?.pid,
    starts: () => worker.state.starts,
  };
}
