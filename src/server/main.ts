import { AsyncLocalStorage } from "node:async_hooks";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import compression from "compression";
import next from "next";
import { type Environment, environmentSchema } from "@/contracts/environment";
import { AT_WORK, MOST_WAIT_S, MOST_WAITING, PATIENCE_S } from "@/contracts/request-limits";
import { house, log, readinessOf } from "@/wiring";
import { askWriting, writingCodeIn } from "@/wording/writing";
import { edge, type Work } from "./edge";
import { gate } from "./gate";
import { health } from "./health";
import { pageCache, stamps } from "./page-cache";

/** Ports tried after the wanted one, where that is taken. */
const MORE_PORTS = 50;
/** Pages are packed quickly rather than tightly. */
const PACK_LEVEL = 3;
/** Requests in flight have this long to end when the server is told to. */
const LAST_WORDS_MS = 5000;

const environment = environmentOrEnd();
const dev = process.env.NODE_ENV === "development";
const gates = Object.fromEntries(
  Object.entries(AT_WORK).map(([work, atWork]) => [work, gate({ atWork, mostWaiting: MOST_WAITING, mostWaitMs: MOST_WAIT_S * 1000 })]),
) as Record<Work, ReturnType<typeof gate>>;
const { own, observe } = health({ gates, readiness: () => readinessOf(house()) });
const stamp = stamps();
const pages = dev ? { replay: () => false, record: () => {} } : pageCache((path) => stamp.of(path));
type Pack = (request: IncomingMessage, response: ServerResponse, next: () => void) => void;
// Its types are those of a framework that it does not need.
const pack = compression({ level: PACK_LEVEL }) as unknown as Pack;
const app = next({ dev, dir: process.cwd(), hostname: environment.HOST, port: environment.PORT });
await app.prepare();
const handle = app.getRequestHandler();

// What a request's reader chose goes along with whatever is made for it.
const writings = new AsyncLocalStorage<string>();
askWriting(() => writings.getStore());

const guarded = edge({
  publicOrigin: environment.PUBLIC_ORIGIN,
  trustedProxies: new Set(environment.DUSTY_LEDGER_TRUSTED_PROXIES),
  gates,
  own,
  pages,
  changed: stamp.changed,
  handler: (request, response) => writings.run(writingCodeIn(request.headers.cookie), () => handle(request, response)),
  observe,
  log: (facts, level, message) => log[level](facts, message),
});
const server = createServer(
  {
    headersTimeout: PATIENCE_S * 1000,
    requestTimeout: 0,
    connectionsCheckingInterval: 1000,
    keepAliveTimeout: 5000,
    maxHeaderSize: 16_384,
  },
  // On this machine packing costs more than it saves.
  environment.PUBLIC_ORIGIN === null ? guarded : (request, response) => pack(request, response, () => void guarded(request, response)),
);
const upgrade = app.getUpgradeHandler();
if (dev) server.on("upgrade", (request, socket, head) => void upgrade(request, socket, head));
house().onChange(stamp.told);
const port = await listen(server, environment.HOST, environment.PORT);
process.send?.({ kind: "listening", port });

for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => void close());
// Whoever started it has gone without a word.
process.once("disconnect", () => void close());

/** What the environment says; one that says what can't be is told by the name of its variable, and ends the start. */
function environmentOrEnd(): Environment {
  const read = environmentSchema.safeParse(process.env);
  if (read.success) return read.data;
  for (const { path, message } of read.error.issues) console.error(`${path.join(".")}: ${message}`);
  process.exit(2);
}

async function close(): Promise<void> {
  server.close();
  server.closeIdleConnections();
  await Promise.race([new Promise((resolve) => server.once("close", resolve)), wait(LAST_WORDS_MS)]);
  server.closeAllConnections();
  await Promise.race([house().close(), wait(LAST_WORDS_MS)]);
  process.exit(0);
}

/** Binds the wanted port, or the next that is free: whoever binds has it, so that two servers never share one. */
async function listen(server: Server, host: string, first: number): Promise<number> {
  for (let port = first; ; port++) {
    const error = await new Promise<NodeJS.ErrnoException | null>((resolve) => {
      server.once("error", resolve);
      server.listen(port, host, () => {
        server.off("error", resolve);
        resolve(null);
      });
    });
    if (!error) return (server.address() as AddressInfo).port;
    if (error.code !== "EADDRINUSE" || port >= first + MORE_PORTS) throw error;
  }
}
