import { program } from "./bundle.mjs";
import { keep, startProgram, told } from "./supervise.mjs";

/** Lines of a quiet server's log that are kept for a fault. */
const KEPT_CHARS = 200_000;

/** Serves the application; resolves once it listens. The port stays the same over restarts. */
export async function serve({ env, firstPort = 3000, dev = false, quiet = false }) {
  const own = {
    MALLOC_ARENA_MAX: "2",
    // Columns of a long record go back to the system when they are done with, instead of leaving holes.
    MALLOC_MMAP_THRESHOLD_: "65536",
    ...env,
    PORT: String(firstPort),
    NODE_ENV: dev ? "development" : "production",
    NEXT_TELEMETRY_DISABLED: "1",
  };
  let log = "";
  let failed = null;
  const site = keep(
    "server",
    async () => {
      // A small young generation keeps the memory of a long import flat, and a heap that grows by a third what pages leave; both cost a few
      // per cent of the time. The engine may be asked to look for what a step has left (src/data/give-back.ts).
      const child = await startProgram(["--max-semi-space-size=4", "--expose-gc", "--heap-growing-percent=30", program("server")], own, {
        output: quiet ? "pipe" : "inherit",
      });
      for (const stream of [child.stdout, child.stderr]) stream?.on("data", (chunk) => (log = (log + chunk).slice(-KEPT_CHARS)));
      return child;
    },
    {
      quiet,
      ready: async (child) => {
        const { port } = await told(child, "listening");
        own.PORT = String(port);
      },
    },
  );
  await site.started.catch((error) => (failed = error));
  if (failed) {
    await site.stop();
    throw new Error(`The server did not start: ${failed.message}\n${log}`);
  }
  const address = `http://127.0.0.1:${own.PORT}`;
  return {
    address,
    log: () => log,
    starts: () => site.state.starts,
    kill: () => site.state.child.kill("SIGKILL"),
    pid: () => site.state.child.pid,
    stop: () => site.stop(),
  };
}
