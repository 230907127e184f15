import { ZodError, type z } from "zod";
import type { Actor } from "@/contracts/access";
import type { Problem } from "@/contracts/problems";
import type { RefusalKind } from "@/contracts/refusals";
import { Refusal } from "@/usecases/refusal";
import { log } from "@/wiring";
import { refusalInWords } from "@/wording/refusals";
import { guard } from "./guard";

/** What a refused request is told. */
export interface ErrorAnswer {
  readonly error: { readonly code: string; readonly message: string; readonly help: string; readonly problems: readonly Problem[] };
}

const STATUS: Readonly<Record<RefusalKind, number>> = {
  "book-not-found": 404,
  "upload-not-found": 404,
  "batch-not-found": 404,
  "finding-not-found": 404,
  "decision-refused": 422,
  "feed-not-found": 404,
  "feed-refused": 422,
  "month-not-found": 404,
  "variant-not-found": 404,
  "variant-refused": 422,
  "bills-refused": 422,
  "trial-refused": 422,
  "entry-refused": 422,
  "photo-refused": 422,
  "no-weather": 404,
  "book-changed": 409,
  "site-invalid": 422,
  "file-refused": 422,
  "nothing-to-count": 422,
  "upload-too-large": 413,
  "upload-cut-short": 400,
  "bad-request": 400,
  cancelled: 499,
  "foreign-origin": 403,
  "our-fault": 500,
};

/** Runs a route behind the access guard; refusals become answers with their words, anything else is logged and hidden. */
export async function answer(request: Request, route: (actor: Actor) => Promise<Response>): Promise<Response> {
  const started = performance.now();
  const path = new URL(request.url).pathname;
  try {
    const response = await route(guard(request));
    log.info({ method: request.method, path, status: response.status, ms: Math.round(performance.now() - started) }, "request");
    return response;
  } catch (error) {
    const refusal = refusalOf(error);
    if (refusal) log.warn({ method: request.method, path, code: refusal.code, facts: refusal.facts }, refusal.message);
    else log.error({ method: request.method, path, err: error }, "request failed");
    return refused(refusal ?? new Refusal("our-fault", "our-fault"));
  }
}

export function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (!(error instanceof ZodError)) return null;
  const issue = error.issues[0];
  return new Refusal("bad-request", "request-not-understood", { path: issue?.path.join(".") ?? "", fault: issue?.message ?? "" });
}

/** A refusal as it goes out, worded. */
export function refusalBody(refusal: Refusal): ErrorAnswer["error"] {
  return { code: refusal.code, ...refusalInWords(refusal), problems: refusal.problems };
}

/** A closed connection has no status of its own. */
const CLOSED = 499;

function refused(refusal: Refusal): Response {
  const status = STATUS[refusal.code];
  return Response.json({ error: refusalBody(refusal) } satisfies ErrorAnswer, { status: status === CLOSED ? 400 : status });
}

/** A request's JSON body, checked. */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  const json: unknown = await request.json().catch(() => {
    throw new Refusal("bad-request", "no-json");
  });
  return schema.parse(json);
}
