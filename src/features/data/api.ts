import type { Problem } from "@/contracts/problems";

/** A route's refusal, with its words. */
export class RefusedCall extends Error {
  override readonly name = "RefusedCall";
  constructor(
    readonly code: string,
    message: string,
    readonly help: string,
    readonly problems: readonly Problem[],
  ) {
    super(message);
  }
}

interface ErrorBody {
  error?: { code: string; message: string; help: string; problems: Problem[] };
}

/** Turns a failed answer into a RefusedCall. */
export async function refusalFrom(response: Response): Promise<RefusedCall> {
  const { error } = (await response.json().catch(() => ({}))) as ErrorBody;
  if (error) return new RefusedCall(error.code, error.message, error.help, error.problems);
  return new RefusedCall(
    "no-answer",
    `The server answered ${response.status}.`,
    "Is Dusty Ledger still running? Start it and try again.",
    [],
  );
}

/** Calls a route with a JSON body and gives its JSON answer; throws RefusedCall. */
export async function call<T>(method: "GET" | "POST" | "PUT" | "PATCH" | "DELETE", path: string, body?: unknown): Promise<T> {
  const init: RequestInit =
    body === undefined ? { method } : { method, body: JSON.stringify(body), headers: { "content-type": "application/json" } };
  const response = await fetch(path, init).catch(() => null);
  if (!response)
    throw new RefusedCall("no-answer", "The server does not answer.", "Is Dusty Ledger still running? Start it and try again.", []);
  if (!response.ok) throw await refusalFrom(response);
  return (await response.json()) as T;
}

export const asRefused = (error: unknown): RefusedCall =>
  error instanceof RefusedCall ? error : new RefusedCall("unknown", String(error), "Reload the page and try again.", []);
