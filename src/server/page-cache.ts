import type { IncomingMessage, ServerResponse } from "node:http";
import { LRUCache } from "lru-cache";
import { writingCodeIn } from "@/wording/writing";

/** Pages that are kept, by what they weigh together. */
const MOST_BYTES = 48 * 1024 * 1024;
/** A kept page is shown for this long at most: some pages tell what day it is. */
const KEPT_FOR_MS = 60_000;
/** Headers that make a different answer of the same address. Source: Next.js, the Vary header of its pages. */
const VARIES_BY = ["rsc", "next-router-state-tree", "next-router-prefetch", "next-router-segment-prefetch", "next-url"] as const;
const MOST_ADDRESSES = 20_000;
/** A page that stands in until figures are there says so, and is asked for anew each time. */
const FLEETING = "data-fleeting";
const NONCE = /'nonce-([0-9a-f]{32})'/;

interface KeptPage {
  readonly stamp: string;
  readonly headers: readonly (readonly [string, string | string[]])[];
  readonly body: Buffer;
  readonly nonce: string;
  /** Where the nonce stands in the body. */
  readonly places: readonly number[];
}

/** How often what a page shows has changed, by book; the shelf shows all of them. */
export interface Stamps {
  readonly of: (path: string) => string;
  /** Something changed by a request that passed here: seen at the next look. */
  readonly changed: (bookSlug: string | null) => void;
  /** Something changed elsewhere: seen on its book's pages at the next look, on the shelf within a second. */
  readonly told: (bookSlug: string | null) => void;
}

/** While hundreds of books are reckoned the shelf is made anew so often, and not for each of them. */
const SHELF_ANEW_MS = 1000;

export function stamps(): Stamps {
  const books = new Map<string, number>();
  let all = 0;
  let everything = 0;
  let isShelfDue = false;
  const bookChanged = (slug: string | null): void => {
    // Addresses come from requests: their number is held.
    if (slug === null || books.size > MOST_ADDRESSES) {
      everything++;
      books.clear();
    } else books.set(slug, (books.get(slug) ?? 0) + 1);
  };
  return {
    of: (path) => {
      const slug = /^\/books\/([^/]+)/.exec(path)?.[1];
      return slug === undefined ? `${everything} ${all}` : `${everything} ${books.get(slug) ?? 0}`;
    },
    changed(slug) {
      all++;
      bookChanged(slug);
    },
    told(slug) {
      bookChanged(slug);
      if (isShelfDue) return;
      isShelfDue = true;
      setTimeout(() => {
        isShelfDue = false;
        all++;
      }, SHELF_ANEW_MS).unref();
    },
  };
}

/**
 * Keeps pages as they were made, for as long as nothing that they show has changed. Each showing gets a nonce of its own, as if it had been made for it.
 * Pages are the same for everybody who may see them.
 */
export function pageCache(stampOf: (path: string) => string) {
  const kept = new LRUCache<string, KeptPage>({ maxSize: MOST_BYTES, sizeCalculation: ({ body }) => body.length + 1, ttl: KEPT_FOR_MS });

  return {
    /** Sends a kept page; false where there is none to be sent. */
    replay(request: IncomingMessage, response: ServerResponse, path: string): boolean {
      const page = request.method === "GET" ? kept.get(keyOf(request)) : undefined;
      if (!page || page.stamp !== stampOf(path)) return false;
      const nonce = crypto.randomUUID().replaceAll("-", "");
      const renewed = (text: string): string => text.replaceAll(page.nonce, nonce);
      for (const [name, value] of page.headers) response.setHeader(name, Array.isArray(value) ? value.map(renewed) : renewed(value));
      const body = Buffer.from(page.body);
      for (const at of page.places) body.write(nonce, at, "latin1");
      response.setHeader("Content-Length", body.length);
      response.end(body);
      return true;
    },

    /** Watches an answer go out, and keeps it where it is a whole page and nothing changed while it was made. */
    record(request: IncomingMessage, response: ServerResponse, path: string): void {
      if (request.method !== "GET") return;
      const stamp = stampOf(path);
      const own = new Set(response.getHeaderNames());
      const pieces: Buffer[] = [];
      const write = response.write.bind(response) as (...all: unknown[]) => boolean;
      const end = response.end.bind(response) as (...all: unknown[]) => ServerResponse;
      const note = (piece: unknown, encoding: unknown): void => {
        if (typeof piece === "string")
          pieces.push(Buffer.from(piece, typeof encoding === "string" ? (encoding as BufferEncoding) : "utf8"));
        else if (piece instanceof Uint8Array) pieces.push(Buffer.from(piece));
      };
      response.write = ((piece: unknown, ...rest: unknown[]) => {
        note(piece, rest[0]);
        return write(piece, ...rest);
      }) as typeof response.write;
      response.end = ((piece: unknown, ...rest: unknown[]) => {
        note(piece, rest[0]);
        keep();
        return end(piece, ...rest);
      }) as typeof response.end;

      function keep(): void {
        const nonce = NONCE.exec(String(response.getHeader("content-security-policy") ?? ""))?.[1];
        if (response.statusCode !== 200 || nonce === undefined || stamp !== stampOf(path)) return;
        const body = Buffer.concat(pieces);
        if (body.includes(FLEETING)) return;
        const headers = Object.entries(response.getHeaders()).flatMap(([name, value]) =>
          value === undefined || (own.has(name) && name !== "content-security-policy") || name === "transfer-encoding"
            ? []
            : [[name, typeof value === "number" ? String(value) : value] as const],
        );
        kept.set(keyOf(request), { stamp, headers, body, nonce, places: placesOf(nonce, body) });
      }
    },
  };
}

const keyOf = ({ url, headers }: IncomingMessage): string =>
  [url, writingCodeIn(headers.cookie), ...VARIES_BY.map((name) => headers[name] ?? "")].join("\n");

function placesOf(nonce: string, body: Buffer): number[] {
  const places: number[] = [];
  for (let at = body.indexOf(nonce); at >= 0; at = body.indexOf(nonce, at + nonce.length)) places.push(at);
  return places;
}
