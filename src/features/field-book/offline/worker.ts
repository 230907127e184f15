import { askedToKeep, assetsOf, bookOf, keptAddresses, markedKept, standIns } from "./kept-pages";

/** Runs in the browser between its pages and the line: keeps the field book of every book that was opened, and gives it out where no answer comes. */

/** What of a service worker's world is used here; the types of it and those of a page can't both be had. */
interface Lasting extends Event {
  waitUntil(work: Promise<unknown>): void;
}
interface Fetching extends Lasting {
  readonly request: Request;
  respondWith(answer: Promise<Response>): void;
}
interface World {
  addEventListener(kind: "install" | "activate", listener: (event: Lasting) => void): void;
  addEventListener(kind: "message", listener: (event: Lasting & { readonly data: unknown }) => void): void;
  addEventListener(kind: "fetch", listener: (event: Fetching) => void): void;
  skipWaiting(): Promise<void>;
  readonly clients: { claim(): Promise<void> };
}
const world = self as unknown as World;

const PAGES = "dusty-ledger-field-book-pages";
const ASSETS = "dusty-ledger-field-book-assets";
/** Books kept, three pages each; of more, those kept longest ago go. */
const MOST_PAGES = 60;
const KEPT_AT = "x-kept-at";

world.addEventListener("install", (event) => event.waitUntil(world.skipWaiting()));
world.addEventListener("activate", (event) => event.waitUntil(world.clients.claim()));

world.addEventListener("message", (event) => {
  const slug = askedToKeep(event.data);
  if (slug !== null) event.waitUntil(keepBook(slug));
});

world.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== location.origin) return;
  if (request.mode === "navigate" && bookOf(url.pathname) !== null) event.respondWith(pageOf(event, url));
  else if (url.pathname.startsWith("/_next/static/")) event.respondWith(assetOf(request));
});

/** The page as the server has it now; as it was kept where no answer comes. */
async function pageOf(event: Fetching, url: URL): Promise<Response> {
  try {
    const answer = await fetch(event.request);
    if (isPage(answer)) event.waitUntil(keepPage(`${url.pathname}${url.search}`, answer.clone()).then(dropOld));
    return answer;
  } catch (error) {
    const kept = await keptPage(url);
    if (kept) return kept;
    throw error;
  }
}

/** Names of assets change with what is in them: one that is kept is the one. */
const assetOf = async (request: Request): Promise<Response> => (await (await caches.open(ASSETS)).match(request.url)) ?? fetch(request);

const isPage = (answer: Response): boolean =>
  answer.ok && !answer.redirected && (answer.headers.get("content-type") ?? "").startsWith("text/html");

async function keepBook(slug: string): Promise<void> {
  for (const address of keptAddresses(slug)) {
    const answer = await fetch(address, { credentials: "same-origin" });
    // A book that is gone is not kept any longer.
    if (answer.status === 404) await (await caches.open(PAGES)).delete(address);
    if (isPage(answer)) await keepPage(address, answer);
  }
  await dropOld();
}

async function keepPage(address: string, answer: Response): Promise<void> {
  const [pages, assets] = await Promise.all([caches.open(PAGES), caches.open(ASSETS)]);
  const html = await answer.text();
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(Date.now()));
  // Its body is not packed any more.
  headers.delete("content-encoding");
  headers.delete("content-length");
  await pages.delete(address);
  await pages.put(address, new Response(html, { headers }));
  for (const asset of assetsOf(html)) if (!(await assets.match(asset))) await assets.add(asset).catch(() => undefined);
}

async function keptPage(url: URL): Promise<Response | null> {
  const pages = await caches.open(PAGES);
  for (const address of standIns(url.pathname, url.search)) {
    const kept = await pages.match(address);
    if (!kept) continue;
    return new Response(markedKept(await kept.text(), Number(kept.headers.get(KEPT_AT))), { headers: kept.headers });
  }
  return null;
}

/** Lets the oldest pages go, and what no page names any more. */
async function dropOld(): Promise<void> {
  const [pages, assets] = await Promise.all([caches.open(PAGES), caches.open(ASSETS)]);
  const kept = await pages.keys();
  await Promise.all(kept.slice(0, Math.max(0, kept.length - MOST_PAGES)).map((old) => pages.delete(old)));
  const named = new Set<string>();
  for (const page of await pages.keys()) for (const asset of assetsOf(await (await pages.match(page))!.text())) named.add(asset);
  for (const asset of await assets.keys()) if (!named.has(new URL(asset.url).pathname)) await assets.delete(asset);
}
