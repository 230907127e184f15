import { ZodError, type z } from "zod";
import type { Actor } from "@/contracts/access";
import type { Problem } from "@/contracts/problems";
import type { RefusalKind } from "@/contracts/refusals";
import { RETRY_AFTER_S } from "@/contracts/request-limits";
import { unstorableIn } from "@/contracts/storable";
import { Refusal } from "@/usecases/refusal";
import { storageRefusal } from "@/usecases/storage-faults";
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
  "module-not-found": 404,
  "month-not-found": 404,
  "variant-not-found": 404,
  "variant-refused": 422,
  "bills-refused": 422,
  "trial-refused": 422,
  "acceptance-refused": 422,
  "test-not-found": 404,
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
  "out-of-room": 507,
  away: 503,
  "set-aside": 503,
  reckoning: 503,
  cancelled: 499,
  "foreign-origin": 403,
  "our-fault": 500,
};

/** Runs a route behind the access guard; refusals become answers with their words, anything else is logged and hidden. */
export async function answer(request: Request, route: (actor: Actor) => Promise<Response>): Promise<Response> {
  try {
    return await route(guard(request));
  } catch (error) {
    const refusal = refusalOf(error);
    // The edge logs each request with its status; here stands why.
    const id = request.headers.get("x-request-id");
    if (refusal?.code === "away" || refusal?.code === "out-of-room") log.error({ id, err: error }, refusal.reason);
    else if (refusal) log.warn({ id, code: refusal.code, reason: refusal.reason }, "refused");
    else log.error({ id, err: error }, "request failed");
    return refused(refusal ?? new Refusal("our-fault", "our-fault"));
  }
}

export function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (!(error instanceof ZodError)) return storageRefusal(error);
  const issue = error.issues[0];
  return new Refusal("bad-request", "request-not-understood", { path: issue?.path.join(".") ?? "", fault: issue?.message ?? "" });
}

/** A refusal as it goes out, worded. */
export function refusalBody(refusal: Refusal): ErrorAnswer["error"] {
  return { code: refusal.code, ...refusalInWords(refusal), problems: refusal.problems };
}

/** A closed connection has no status of its own. */
const CLOSED = 499;
const BUSY = 503;

function refused(refusal: Refusal): Response {
  const status = STATUS[refusal.code];
  const headers = status === BUSY ? { "retry-after": String(RETRY_AFTER_S) } : undefined;
  return Response.json({ error: refusalBody(refusal) } satisfies ErrorAnswer, {
    status: status === CLOSED ? 400 : status,
    ...(headers && { headers }),
  });
}

/** The JSON in a text. Only what the text itself gets wrong is refused as such: a fault of ours stays one. */
export function jsonOf(text: string, reason: "no-json" | "entry-no-json"): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new Refusal("bad-request", reason, { fault: error instanceof Error ? error.message : "" });
  }
}

/** What can be stored as it was sent; a text with a NUL or half a letter is refused by its place. */
export function storable(json: unknown): unknown {
  const fault = unstorableIn(json);
  if (fault) throw new Refusal("bad-request", fault.reason, { path: fault.path.join(".") });
  return json;
}

/** A request's JSON body, checked. */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  return schema.parse(storable(jsonOf(await request.text(), "no-json")));
}
