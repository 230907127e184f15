import { randomUUID } from "node:crypto";
import type { IncomingMessage, RequestListener, ServerResponse } from "node:http";
import type { RefusalFacts, RefusalReason } from "@/contracts/refusals";
import { MOST_ADDRESS_CHARS, RETRY_AFTER_S } from "@/contracts/request-limits";
import { refusalInWords } from "@/wording/refusals";
import { bodyFaultOf, watchPace } from "./body";
import type { Gate } from "./gate";
import { headersFor } from "./headers";
import { foreignOf } from "./origin";
import type { pageCache } from "./page-cache";

export type Work = "page" | "api" | "transfer";

export interface EdgeOptions {
  readonly publicOrigin: URL | null;
  /** Addresses whose word on the real client is taken. */
  readonly trustedProxies: ReadonlySet<string>;
  readonly gates: Readonly<Record<Work, Gate>>;
  /** Answers that need no page and no turn: whether the process is alive, ready, busy. */
  readonly own: (pathname: string, request: IncomingMessage, response: ServerResponse) => boolean;
  readonly pages: Pick<ReturnType<typeof pageCache>, "replay" | "record">;
  /** Told of each change that passes here, before its answer goes out: whoever changes something sees it at the next look. */
  readonly changed: (slug: string | null) => void;
  readonly handler: (request: IncomingMessage, response: ServerResponse) => void | Promise<void>;
  /** Told of each answer when it has ended. */
  readonly observe: (work: Work, status: number, seconds: number) => void;
  readonly log: (facts: object, level: "info" | "error", message: string) => void;
}

const STATUS: Partial<Record<RefusalReason, number>> = {
  "foreign-host": 403,
  "foreign-origin": 403,
  "address-not-readable": 400,
  "body-without-length": 411,
  "body-too-large": 413,
  "body-too-slow": 408,
  "too-busy": 503,
};

/** A page's work is done soon after its first byte; a client that reads slowly keeps no other waiting. */
const READER_PATIENCE_MS = 250;

/**
 * What every request passes before any of ours runs: a readable address, a host and an origin of this house, a body within bounds, a turn.
 * Each answer has a request id, and its line in the log when it has ended, streamed ones too.
 */
export function edge(options: EdgeOptions): RequestListener {
  return (request, response) => {
    const id = randomUUID();
    const path = pathOf(request.url ?? "/");
    request.headers["x-request-id"] = id;
    response.setHeader("X-Request-Id", id);
    for (const [name, value] of Object.entries(headersFor(path ?? "/", options.publicOrigin))) response.setHeader(name, value);
    logAtEnd(request, response, { id, path: path ?? "", options });
    pass(request, response, path, options).catch((error: unknown) => {
      options.log({ id, path, err: error }, "error", "request failed");
      refuse(response, path ?? "/", "our-fault", {}, 500);
    });
  };
}

async function pass(request: IncomingMessage, response: ServerResponse, path: string | null, options: EdgeOptions): Promise<void> {
  const { publicOrigin, own, handler } = options;
  if (path === null) return refuse(response, "/", "address-not-readable", { most: MOST_ADDRESS_CHARS });
  // What asks whether a house is alive need not know its name.
  if (path === "/healthz" && own(path, request, response)) return;
  const { method = "GET", headers } = request;
  const site = headers["sec-fetch-site"];
  const foreign = foreignOf(
    { method, host: headers.host, origin: headers.origin, fetchSite: typeof site === "string" ? site : undefined },
    publicOrigin,
  );
  if (foreign) {
    const { reason, ...facts } = foreign;
    return refuse(response, path, reason, facts);
  }
  if (own(path, request, response)) return;
  const fault = bodyFaultOf(request, path);
  if (fault) {
    const { reason, ...facts } = fault;
    return refuse(response, path, reason, facts);
  }
  watchPace(request, () => {
    refuse(response, path, "body-too-slow", {});
    request.destroy();
  });
  if (method !== "GET" && method !== "HEAD") tellChange(response, path, options.changed);
  if (!needsTurn(path)) return handler(request, response);
  if (workOf(path) === "page") {
    await turnOfLoop();
    if (options.pages.replay(request, response, path)) return;
  }
  await inTurn(request, response, path, options);
}

async function inTurn(
  request: IncomingMessage,
  response: ServerResponse,
  path: string,
  { gates, pages, handler, trustedProxies }: EdgeOptions,
) {
  // Whoever went before their turn of the loop will not be told to go again.
  if (response.closed) return;
  const gone = new AbortController();
  response.once("close", () => gone.abort());
  const leave = await gates[workOf(path)].enter(addressOf(request, trustedProxies), gone.signal);
  if (gone.signal.aborted) return leave?.();
  if (!leave) return refuse(response, path, "too-busy", { seconds: RETRY_AFTER_S });
  response.once("close", leave);
  if (workOf(path) === "page") {
    // Another may have had the same page made while this one waited.
    if (pages.replay(request, response, path)) return;
    pages.record(request, response, path);
  }
  if (workOf(path) === "page") leaveSoonAfterHead(response, leave);
  await handler(request, response);
}

/** Tells of a change before any word of its answer goes out. */
function tellChange(response: ServerResponse, path: string, changed: (slug: string | null) => void): void {
  const slug = /^\/api\/books\/([^/]+)/.exec(path)?.[1] ?? null;
  for (const name of ["write", "end"] as const) {
    const own = response[name].bind(response) as (...all: unknown[]) => unknown;
    const telling = (...all: unknown[]): unknown => {
      changed(slug);
      return own(...all);
    };
    Object.assign(response, { [name]: telling });
  }
}

let lastTurn: Promise<void> = Promise.resolve();

/** One kept page a turn of the loop: a thousand that are asked for at once leave room for whoever asks for something else. */
function turnOfLoop(): Promise<void> {
  lastTurn = lastTurn.then(() => new Promise<void>((resolve) => setImmediate(resolve)));
  return lastTurn;
}

/** Where an answer's head has gone out, the rest follows at the reader's pace. */
function leaveSoonAfterHead(response: ServerResponse, leave: () => void): void {
  const timer = setInterval(() => {
    if (response.closed) clearInterval(timer);
    else if (response.headersSent) {
      clearInterval(timer);
      leave();
    }
  }, READER_PATIENCE_MS);
  timer.unref();
}

/** The path of a request's address as it is meant, or null where it can't be read: too long, broken escapes, a NUL. */
export function pathOf(address: string): string | null {
  if (address.length > MOST_ADDRESS_CHARS || !address.startsWith("/")) return null;
  try {
    const whole = decodeURIComponent(address.replaceAll("+", " "));
    if (whole.includes("\0")) return null;
    return address.split("?", 1)[0]!;
  } catch {
    return null;
  }
}

const needsTurn = (path: string): boolean => !path.startsWith("/_next/static/") && !/^\/(icon\.svg|favicon\.ico)$/.test(path);

const workOf = (path: string): Work => (path.startsWith("/api/") ? (/\/uploads(\/|$)/.test(path) ? "transfer" : "api") : "page");

/** The client's address: the connection's, or what a trusted proxy says of it. */
function addressOf({ socket, headers }: IncomingMessage, trusted: ReadonlySet<string>): string {
  const direct = socket.remoteAddress ?? "";
  const told = headers["x-forwarded-for"];
  if (!trusted.has(direct) || told === undefined) return direct;
  return String(told).split(",").at(-1)!.trim();
}

function refuse(response: ServerResponse, path: string, reason: RefusalReason, facts: RefusalFacts, status = STATUS[reason] ?? 400): void {
  if (response.headersSent || response.destroyed) return;
  const { message, help } = refusalInWords({ reason, facts, problems: [] });
  response.statusCode = status;
  // A body that was not read would be taken for the next request.
  if (status !== 503) response.setHeader("Connection", "close");
  if (status === 503) response.setHeader("Retry-After", String(RETRY_AFTER_S));
  const isJson = path.startsWith("/api/");
  response.setHeader("Content-Type", isJson ? "application/json" : "text/plain; charset=utf-8");
  response.setHeader("Cache-Control", "no-store");
  response.end(
    isJson
      ? JSON.stringify({ error: { code: reason === "foreign-host" ? "foreign-origin" : reason, message, help, problems: [] } })
      : `${message}\n${help}\n`,
  );
}

function logAtEnd(
  { method, headers }: IncomingMessage,
  response: ServerResponse,
  { id, path, options: { log, observe } }: { id: string; path: string; options: Pick<EdgeOptions, "log" | "observe"> },
): void {
  const started = performance.now();
  const trace = /^[\da-f]{2}-[\da-f]{32}-[\da-f]{16}-[\da-f]{2}$/.exec(String(headers.traceparent ?? ""))?.[0];
  response.once("close", () => {
    const ms = Math.round(performance.now() - started);
    const isWhole = response.writableFinished;
    if (path.startsWith("/_next/static/")) return;
    observe(workOf(path), response.statusCode, ms / 1000);
    log({ id, method, path, status: response.statusCode, ms, ...(trace && { trace }), ...(!isWhole && { cut: true }) }, "info", "request");
  });
}
