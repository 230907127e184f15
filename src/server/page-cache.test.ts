import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { afterEach, describe, expect, it } from "vitest";
import { pageCache, stamps } from "./page-cache";

let server: Server | null = null;
afterEach(() => {
  server?.closeAllConnections();
  server?.close();
});

async function served(page: (nonce: string) => { status?: number; body: string }) {
  const stamp = stamps();
  const pages = pageCache((path) => stamp.of(path));
  let made = 0;
  server = createServer((request, response) => {
    const path = request.url!.split("?")[0]!;
    response.setHeader("X-Request-Id", String(Math.random()));
    if (pages.replay(request, response, path)) return;
    pages.record(request, response, path);
    made++;
    const nonce = crypto.randomUUID().replaceAll("-", "");
    const { status = 200, body } = page(nonce);
    response.statusCode = status;
    response.setHeader("Content-Security-Policy", `script-src 'nonce-${nonce}'`);
    response.setHeader("Link", `</a.css>; nonce="${nonce}"`);
    response.write(body.slice(0, 7));
    response.end(body.slice(7));
  });
  await new Promise<void>((resolve) => server!.listen(0, "127.0.0.1", resolve));
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const get = async (path: string, headers: Record<string, string> = {}) => {
    const answer = await fetch(origin + path, { headers });
    const nonce = /nonce-([0-9a-f]{32})/.exec(answer.headers.get("content-security-policy") ?? "")?.[1];
    return { text: await answer.text(), nonce, headers: answer.headers };
  };
  return { get, stamp, made: () => made };
}

const plain = (nonce: string) => ({ body: `<script nonce="${nonce}">é</script><script nonce="${nonce}"></script>` });

describe("pages that are kept", () => {
  it("are made once, and each showing has a nonce and an id of its own", async () => {
    const { get, made } = await served(plain);
    const [one, two] = [await get("/books/a/ledger"), await get("/books/a/ledger")];
    expect(made()).toBe(1);
    expect(two.nonce).not.toBe(one.nonce);
    for (const { text, nonce, headers } of [one, two]) {
      expect(text).toBe(plain(nonce!).body);
      expect(headers.get("link")).toContain(nonce!);
    }
    expect(two.headers.get("x-request-id")).not.toBe(one.headers.get("x-request-id"));
  });

  it("are made anew when what they show has changed, and only then", async () => {
    const { get, stamp, made } = await served(plain);
    for (const path of ["/books/a/ledger", "/books/b/ledger", "/"]) await get(path);
    stamp.changed("a");
    for (const path of ["/books/a/ledger", "/books/b/ledger", "/"]) await get(path);
    // The book's own page and the shelf; the other book's stood.
    expect(made()).toBe(5);
    stamp.changed(null);
    await get("/books/b/ledger");
    expect(made()).toBe(6);
  });

  it("show what changed elsewhere on their book's own page at once, and on the shelf soon", async () => {
    const { get, stamp, made } = await served(plain);
    for (const path of ["/books/a/ledger", "/"]) await get(path);
    for (let k = 0; k < 50; k++) stamp.told("a");
    for (const path of ["/books/a/ledger", "/"]) await get(path);
    expect(made()).toBe(3);
    await new Promise((resolve) => setTimeout(resolve, 1100));
    await get("/");
    expect(made()).toBe(4);
    stamp.told(null);
    await get("/");
    expect(made()).toBe(5);
  });

  it("are another for another question, and for a part of a page", async () => {
    const { get, made } = await served(plain);
    await get("/books/a/ledger");
    await get("/books/a/ledger?year=2024");
    await get("/books/a/ledger", { rsc: "1" });
    expect(made()).toBe(3);
  });

  it("are none of those that stand in, that are refused, or that changed while they were made", async () => {
    let body = '<p data-fleeting="">';
    let status = 200;
    let meanwhile = (): void => {};
    const { get, stamp, made } = await served(() => {
      meanwhile();
      return { body, status };
    });
    await get("/books/a/ledger");
    body = "gone";
    status = 404;
    await get("/books/a/ledger");
    [body, status] = ["fine", 200];
    meanwhile = () => stamp.changed("a");
    await get("/books/a/ledger");
    await get("/books/a/ledger");
    expect(made()).toBe(4);
  });
});
