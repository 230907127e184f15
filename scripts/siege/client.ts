/** Talks to the house as its own pages do. */
export interface Client {
  readonly address: string;
  send(method: string, route: string, body?: BodyInit | null, headers?: Record<string, string>): Promise<Answer>;
  json(method: string, route: string, value?: unknown): Promise<Answer>;
}

export interface Answer {
  readonly status: number;
  readonly text: string;
  readonly ms: number;
  readonly retryAfter: string | null;
}

/** A request that has no answer by then hangs. */
const HANGS_MS = 15_000;

export function clientOf(address: () => string): Client {
  const send: Client["send"] = async (method, route, body = null, headers = {}) => {
    const started = performance.now();
    const answer = await fetch(address() + route, {
      method,
      body,
      headers: { origin: address(), ...headers },
      signal: AbortSignal.timeout(HANGS_MS),
    });
    const text = await answer.text();
    return { status: answer.status, text, ms: performance.now() - started, retryAfter: answer.headers.get("retry-after") };
  };
  return {
    get address() {
      return address();
    },
    send,
    json: (method, route, value) =>
      send(method, route, value === undefined ? null : JSON.stringify(value), { "content-type": "application/json" }),
  };
}

/** Opens a book; its address. */
export async function newBook(client: Client, document: unknown): Promise<string> {
  const made = await client.json("POST", "/api/books", document);
  if (made.status !== 201) throw new Error(`no book: ${made.status} ${made.text.slice(0, 300)}`);
  return (JSON.parse(made.text) as { slug: string }).slug;
}

/** Uploads a file; the id by which it waits. */
export async function upload(client: Client, slug: string, bytes: Uint8Array | string, name: string): Promise<string> {
  const answer = await client.send("POST", `/api/books/${slug}/uploads?name=${encodeURIComponent(name)}`, bytes as BodyInit, {
    "content-type": "application/octet-stream",
  });
  if (answer.status !== 201) throw new Error(`upload refused: ${answer.status} ${answer.text.slice(0, 300)}`);
  return (JSON.parse(answer.text) as { uploadId: string }).uploadId;
}

/** The last event of a stream of them. */
export const lastEvent = (text: string): { kind: string; problems?: { code: string; severity: string }[]; [key: string]: unknown } =>
  JSON.parse(text.trim().split("\n").at(-1)!) as { kind: string };

/** Imports a file whole; the last event. */
export async function bring(client: Client, slug: string, bytes: Uint8Array | string, name: string, options: object = {}) {
  const id = await upload(client, slug, bytes, name);
  const answer = await fetch(`${client.address}/api/books/${slug}/uploads/${id}/import`, {
    method: "POST",
    body: JSON.stringify(options),
    headers: { origin: client.address, "content-type": "application/json" },
  });
  return lastEvent(await answer.text());
}
