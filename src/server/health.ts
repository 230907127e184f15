import type { IncomingMessage, ServerResponse } from "node:http";
import { collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import type { Readiness } from "@/wiring";
import { metricNames } from "@/wording/limits";
import type { Work } from "./edge";
import type { Gate } from "./gate";

interface HealthOptions {
  readonly gates: Readonly<Record<Work, Gate>>;
  /** Asks each thing that the house needs; a line a thing. */
  readonly readiness: () => Promise<Readiness>;
}

/** /healthz says that the process is alive, /readyz what it needs, /metrics how busy it is. The last two are for this side of a proxy. */
export function health({ gates, readiness }: HealthOptions) {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const times = new Histogram({
    name: "http_request_seconds",
    help: metricNames.requestSeconds,
    labelNames: ["work", "status"],
    buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30],
    registers: [registry],
  });
  for (const [work, gate] of Object.entries(gates)) {
    gauge(`requests_at_work_${work}`, metricNames.atWork(work), () => gate.atWork);
    gauge(`requests_waiting_${work}`, metricNames.waiting(work), () => gate.waiting);
  }

  function gauge(name: string, help: string, read: () => number): void {
    new Gauge({
      name,
      help,
      registers: [registry],
      collect() {
        this.set(read());
      },
    });
  }

  return {
    observe: (work: Work, status: number, seconds: number): void => times.observe({ work, status }, seconds),
    own: (path: string, request: IncomingMessage, response: ServerResponse): boolean => {
      if (path === "/healthz") {
        send(response, 200, "application/json", JSON.stringify({ ok: true }));
        return true;
      }
      if ((path !== "/readyz" && path !== "/metrics") || request.headers["x-forwarded-for"] !== undefined) return false;
      const told = path === "/metrics" ? metrics(registry, response) : ready(readiness, response);
      told.catch((error: unknown) => send(response, 503, "text/plain", String(error)));
      return true;
    },
  };
}

async function metrics(registry: Registry, response: ServerResponse): Promise<void> {
  send(response, 200, registry.contentType, await registry.metrics());
}

async function ready(readiness: () => Promise<Readiness>, response: ServerResponse): Promise<void> {
  const told = await readiness();
  send(response, told.ok ? 200 : 503, "application/json", JSON.stringify(told));
}

function send(response: ServerResponse, status: number, type: string, body: string): void {
  response.writeHead(status, { "Content-Type": type, "Cache-Control": "no-store" });
  response.end(body);
}
