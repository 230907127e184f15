import { request as ask, createServer, type Server } from "node:http";
import { type AddressInfo, connect } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { afterEach, describe, expect, it } from "vitest";
import { type EdgeOptions, edge, pathOf } from "./edge";
import { gate } from "./gate";
import { headersFor } from "./headers";
import { foreignOf } from "./origin";

describe("who is let in", () => {
  const own = { method: "GET", host: "127.0.0.1:3000", origin: undefined, fetchSite: undefined };
  const house = new URL("https://ledger.example");

  it("reads of this machine by any of its names, and of the house by its own", () => {
    for (const host of ["127.0.0.1:3000", "localhost:3000", "[::1]:3000"]) expect(foreignOf({ ...own, host }, null), host).toBeNull();
    expect(foreignOf({ ...own, host: "ledger.example" }, house)).toBeNull();
  });

  it("no foreign host, so that no name can be pointed here", () => {
    for (const host of ["evil.example", "127.0.0.1.evil.example:3000", "", undefined, "ledger.example"])
      expect(foreignOf({ ...own, host }, null), host).toMatchObject({ reason: "foreign-host" });
    expect(foreignOf({ ...own, host: "ledger.example:8443" }, house)).toMatchObject({ reason: "foreign-host" });
  });

  it("changes from our own pages alone, over https behind a proxy too", () => {
    const change = { ...own, method: "POST" };
    expect(foreignOf({ ...change, origin: "http://127.0.0.1:3000" }, null)).toBeNull();
    expect(foreignOf({ ...change, fetchSite: "same-origin" }, null)).toBeNull();
    // A proxy that ends https asks by its own host.
    expect(foreignOf({ ...change, origin: "https://ledger.example" }, house)).toBeNull();
    expect(foreignOf({ ...change, host: "ledger.example", origin: "https://ledger.example" }, house)).toBeNull();
    for (const origin of ["http://evil.example", "http://127.0.0.1:4000", "https://127.0.0.1:3000", "null", "http://ledger.example"])
      expect(foreignOf({ ...change, origin }, house), origin).toEqual({ reason: "foreign-origin", origin });
    for (const fetchSite of [undefined, "cross-site", "same-site", "none"])
      expect(foreignOf({ ...change, fetchSite }, null), fetchSite).toMatchObject({ reason: "foreign-origin" });
  });
});

describe("an address", () => {
  it("with a broken escape, a NUL or no end can't be read", () => {
    for (const address of ["/%ff", "/books/%00", "/?a=%E0%A4%A", `/${"a".repeat(4001)}`, "*"]) expect(pathOf(address), address).toBeNull();
    expect(pathOf(`/${"a".repeat(3999)}`)).not.toBeNull();
  });
  it("is its path, whatever its question", () => {
    expect(pathOf("/books/%C5%82/ledger?year=2024&x=a+b")).toBe("/books/%C5%82/ledger");
  });
});

describe("headers", () => {
  it("forbid all on answers, scripts but their own on static files, and keep to https only where there is any", () => {
    expect(headersFor("/api/books", null)["Content-Security-Policy"]).toContain("default-src 'none'");
    expect(headersFor("/_next/static/x.js", null)["Content-Security-Policy"]).toContain("script-src 'self'");
    expect(headersFor("/", null)).not.toHaveProperty("Strict-Transport-Security");
    expect(headersFor("/", new URL("http://ledger.example"))).not.toHaveProperty("Strict-Transport-Security");
    expect(headersFor("/", new URL("https://ledger.example"))["Strict-Transport-Security"]).toMatch(/max-age=\d{8}/);
  });
});

describe("the gate", () => {
  const never = new AbortController().signal;
  it("lets in so many at a time, and addresses in turn", async () => {
    const turns = gate({ atWork: 1, mostWaiting: 10, mostWaitMs: 5000 });
    const order: string[] = [];
    const first = await turns.enter("a", never);
    const others = ["a", "a", "a", "b"].map(async (address, k) => {
      const leave = await turns.enter(address, never);
      order.push(`${address}${k}`);
      leave?.();
    });
    expect([turns.atWork, turns.waiting]).toEqual([1, 4]);
    first!();
    await Promise.all(others);
    expect(order).toEqual(["a0", "b3", "a1", "a2"]);
    expect([turns.atWork, turns.waiting]).toEqual([0, 0]);
  });

  it("turns away who waited too long, who is one too many, and who has gone", async () => {
    const turns = gate({ atWork: 1, mostWaiting: 2, mostWaitMs: 30 });
    const leave = await turns.enter("a", never);
    const gone = new AbortController();
    const left = turns.enter("a", gone.signal);
    const late = turns.enter("a", never);
    expect(await turns.enter("a", never)).toBeNull();
    gone.abort();
    expect([await left, await late]).toEqual([null, null]);
    leave!();
    leave!();
    expect(turns.atWork).toBe(0);
  });
});

describe("the edge", () => {
  let server: Server | null = null;
  afterEach(() => {
    server?.closeAllConnections();
    server?.close();
  });

  async function served(handler: EdgeOptions["handler"], atWork = 4, isGone: (path: string) => boolean = () => false) {
    const lines: Record<string, unknown>[] = [];
    const make = () => gate({ atWork, mostWaiting: 3, mostWaitMs: 100 });
    const listener = edge({
      publicOrigin: null,
      trustedProxies: new Set(),
      gates: { page: make(), api: make(), transfer: make() },
      own: () => false,
      pages: { replay: () => false, record: () => {} },
      changed: () => {},
      observe: () => {},
      handler,
      log: (facts, _level, message) => lines.push({ ...facts, message }),
    });
    server = createServer((request, response) => {
      if (!isGone(request.url!)) return listener(request, response);
      response.once("close", () => listener(request, response));
      request.socket.destroy();
    });
    await new Promise<void>((resolve) => server!.listen(0, "127.0.0.1", resolve));
    const { port } = server.address() as AddressInfo;
    return { port, origin: `http://127.0.0.1:${port}`, lines };
  }
  const fine: EdgeOptions["handler"] = (_, response) => void response.end("fine");

  it("gives each answer an id, and logs its end without its question", async () => {
    const { origin, lines } = await served(fine);
    const answer = await fetch(`${origin}/books/x?name=secret`);
    await answer.text();
    await wait(20);
    expect(lines).toMatchObject([{ id: answer.headers.get("x-request-id"), method: "GET", path: "/books/x", status: 200 }]);
    expect(JSON.stringify(lines)).not.toContain("secret");
  });

  it("refuses a body by its announced length, before it is read, and one without a length", async () => {
    let reached = 0;
    const { port, origin } = await served((_, response) => {
      reached++;
      response.end();
    });
    const send = (headers: Record<string, string>, path = "/api/books") =>
      new Promise<{ status: number; body: string }>((resolve, reject) => {
        const sent = ask({ port, path, method: "POST", headers: { origin, host: `127.0.0.1:${port}`, ...headers } }, (answer) => {
          let body = "";
          answer.on("data", (chunk) => (body += chunk));
          answer.on("end", () => resolve({ status: answer.statusCode!, body }));
        });
        sent.on("error", reject);
        sent.flushHeaders();
      });
    const large = await send({ "content-length": String(300_000_000) });
    expect(large.status).toBe(413);
    expect(large.body).toContain("at most 2 MB are taken");
    expect((await send({ "transfer-encoding": "chunked" })).status).toBe(411);
    expect(reached).toBe(0);
  });

  it("sends away who would wait too long, and says when to come back", async () => {
    const { origin } = await served(async (_, response) => {
      await wait(400);
      response.end("late");
    }, 1);
    const answers = await Promise.all(Array.from({ length: 6 }, () => fetch(`${origin}/books/x`)));
    const busy = answers.filter(({ status }) => status === 503);
    expect(busy.length).toBe(5);
    expect(busy.every(({ headers }) => Number(headers.get("retry-after")) > 0)).toBe(true);
  });

  it("keeps no place for one that has gone before its turn came", async () => {
    const { origin, port } = await served(
      (request, response) => void (request.destroyed || response.end("fine")),
      1,
      (path) => path === "/books/gone",
    );
    for (let k = 0; k < 2; k++) {
      const socket = connect(port, "127.0.0.1", () => socket.write(`GET /books/gone HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`));
      await new Promise((resolve) => socket.once("close", resolve));
    }
    await wait(30);
    expect((await fetch(`${origin}/books/x`)).status).toBe(200);
  });

  it("a handler that throws is an answer, not the end", async () => {
    const { origin } = await served(async () => {
      throw new Error("broken");
    });
    expect((await fetch(`${origin}/api/books`)).status).toBe(500);
    expect((await fetch(`${origin}/api/books`)).status).toBe(500);
  });

  it("a connection cut in the middle is logged as cut", async () => {
    const { port, lines } = await served((_, response) => void response.write("half"));
    const socket = connect(port, "127.0.0.1", () => socket.write(`GET /x HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`));
    await new Promise((resolve) => socket.once("data", resolve));
    socket.destroy();
    await wait(50);
    expect(lines).toMatchObject([{ path: "/x", cut: true }]);
  });
});
