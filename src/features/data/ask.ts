import type { z } from "zod";
import { refusalFrom, refusedAs } from "./refused-call";

export type Method = "GET" | "POST" | "PUT" | "PATCH" | "DELETE";

interface Asked {
  readonly method?: Method;
  /** Sent as JSON; a text, a file or a form goes as it is. */
  readonly body?: unknown;
  readonly signal?: AbortSignal;
  readonly headers?: Readonly<Record<string, string>>;
}

const isRaw = (body: unknown): body is string | Blob | FormData =>
  typeof body === "string" || body instanceof Blob || body instanceof FormData;

async function answered(path: string, { method = "GET", body, signal, headers }: Asked): Promise<Response> {
  const response = await fetch(path, {
    method,
    ...(body === undefined ? {} : { body: isRaw(body) ? body : JSON.stringify(body) }),
    ...(signal ? { signal } : {}),
    headers: { ...(body === undefined || isRaw(body) ? {} : { "content-type": "application/json" }), ...headers },
  }).catch((error: unknown) => {
    if (signal?.aborted) throw error;
    throw refusedAs("no-answer");
  });
  if (!response.ok) throw await refusalFrom(response);
  return response;
}

/** Asks a route and parses its answer by its contract; throws RefusedCall. */
export async function ask<S extends z.ZodType>(contract: S, path: string, asked: Asked = {}): Promise<z.output<S>> {
  const response = await answered(path, asked);
  const parsed = contract.safeParse(await response.json().catch(() => undefined));
  if (!parsed.success) throw refusedAs("unexpected-answer");
  return parsed.data;
}

/** Tells a route something; what it answers is not needed. */
export async function tell(method: Exclude<Method, "GET">, path: string, body?: unknown): Promise<void> {
  await answered(path, { method, body });
}

/** Asks a route for bytes. */
export async function askBytes(path: string): Promise<ArrayBuffer> {
  return (await answered(path, {})).arrayBuffer();
}

/** Asks a route for an answer that comes line by line, each as JSON by a contract. */
export async function* askLines<S extends z.ZodType>(contract: S, path: string, asked: Asked): AsyncGenerator<z.output<S>> {
  const response = await answered(path, asked);
  if (!response.body) throw refusedAs("unexpected-answer");
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
    const whole = (rest + chunk.value).split("\n");
    rest = whole.pop() ?? "";
    for (const line of whole) yield contract.parse(JSON.parse(line));
  }
}
