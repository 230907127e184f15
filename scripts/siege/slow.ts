import { connect, type Socket } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import type { Client } from "./client";
import { row } from "./report";
import type { Watch } from "./watch";

const COUNT = 200;
/** Ten seconds of patience, and room for the clock that looks. */
const CLOSED_WITHIN_MS = 25_000;

interface Slow {
  readonly what: string;
  /** What is sent at once. */
  readonly head: (host: string) => string;
  /** What is sent now and then. */
  readonly drip: string;
}

const KINDS: readonly Slow[] = [
  { what: "connections that say nothing", head: () => "", drip: "" },
  { what: "heads that never end", head: (host) => `GET / HTTP/1.1\r\nHost: ${host}\r\n`, drip: "X-A: b\r\n" },
  {
    what: "bodies that trickle",
    head: (host) =>
      `POST /api/books HTTP/1.1\r\nHost: ${host}\r\nOrigin: http://${host}\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{`,
    drip: " ",
  },
  {
    what: "uploads that trickle",
    head: (host) =>
      `POST /api/books/x/uploads?name=a.csv HTTP/1.1\r\nHost: ${host}\r\nOrigin: http://${host}\r\nContent-Length: 100000000\r\n\r\n`,
    drip: "x",
  },
];

/** Slow clients are let go; the others are served meanwhile. */
export async function slow(client: Client, watch: Watch): Promise<void> {
  const { host, hostname, port } = new URL(client.address);
  for (const { what, head, drip } of KINDS) {
    const started = Date.now();
    const ended: number[] = [];
    const sockets = Array.from({ length: COUNT }, () =>
      open(hostname, Number(port), head(host), drip, () => ended.push(Date.now() - started)),
    );
    let served = 0;
    const pages = 20;
    const { p99Ms, failed } = await watch.during(async () => {
      for (let k = 0; k < pages; k++) {
        const answer = await client.send("GET", "/").catch(() => null);
        if (answer?.status === 200) served++;
        await wait(100);
      }
      while (ended.length < COUNT && Date.now() - started < CLOSED_WITHIN_MS) await wait(200);
    });
    for (const socket of sockets) socket.destroy();
    row(
      "slow clients",
      `${COUNT} ${what}: closed`,
      COUNT,
      ended.length,
      `the last after ${(Math.max(0, ...ended) / 1000).toFixed(0)} s; /healthz p99 ${Math.round(p99Ms)} ms`,
    );
    row("slow clients", `pages asked for beside ${what}`, pages, failed === 0 ? served : 0);
  }
  // Readers that take nothing: their answers are made, and keep nobody waiting.
  const readers = Array.from({ length: COUNT }, () => {
    const socket = connect(Number(port), hostname, () => socket.write(`GET / HTTP/1.1\r\nHost: ${host}\r\n\r\n`));
    socket.on("error", () => {});
    socket.pause();
    return socket;
  });
  await wait(500);
  const answer = await client.send("GET", "/").catch(() => null);
  row(
    "slow clients",
    `a page beside ${COUNT} readers that take nothing`,
    1,
    answer !== null && (answer.status === 200 || answer.retryAfter !== null) ? 1 : 0,
    `after ${Math.round(answer?.ms ?? 0)} ms`,
  );
  for (const socket of readers) socket.destroy();
}

function open(hostname: string, port: number, head: string, drip: string, onEnd: () => void): Socket {
  const socket = connect(port, hostname, () => socket.write(head));
  const timer = setInterval(() => drip && socket.writable && socket.write(drip), 2000);
  socket.on("error", () => {});
  socket.on("data", () => {});
  socket.once("close", () => {
    clearInterval(timer);
    onEnd();
  });
  return socket;
}
