import { ZodError, type z } from "zod";
import type { Problem } from "@/contracts/problems";
import { Refusal, type RefusalCode } from "@/usecases/refusal";
import { log } from "@/wiring";
import { guard } from "./guard";

/** What a refused request is told. */
export interface ErrorAnswer {
  readonly error: { readonly code: string; readonly message: string; readonly help: string; readonly problems: readonly Problem[] };
}

const STATUS: Readonly<Record<RefusalCode, number>> = {
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
};

/** Runs a route behind the access guard; refusals become answers with their words, anything else is logged and hidden. */
export async function answer(request: Request, route: () => Promise<Response>): Promise<Response> {
  const started = performance.now();
  const path = new URL(request.url).pathname;
  try {
    guard(request);
    const response = await route();
    log.info({ method: request.method, path, status: response.status, ms: Math.round(performance.now() - started) }, "request");
    return response;
  } catch (error) {
    const refusal = refusalOf(error);
    if (refusal) log.warn({ method: request.method, path, code: refusal.code, context: refusal.context }, refusal.message);
    else log.error({ method: request.method, path, err: error }, "request failed");
    return refused(
      refusal ?? new Refusal("bad-request", "Something went wrong on our side.", "Try again; the log names the fault."),
      refusal ? STATUS[refusal.code] : 500,
    );
  }
}

export function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (!(error instanceof ZodError)) return null;
  const issue = error.issues[0];
  return new Refusal(
    "bad-request",
    `${issue?.path.join(".") || "The request"}: ${issue?.message ?? "is not understood"}`,
    "Reload the page and try again.",
  );
}

function refused({ code, message, help, problems }: Refusal, status: number): Response {
  const body: ErrorAnswer = { error: { code, message, help, problems } };
  return Response.json(body, { status: status === 499 ? 400 : status });
}

/** A request's JSON body, checked. */
export async function bodyOf<S extends z.ZodType>(request: Request, schema: S): Promise<z.output<S>> {
  const json: unknown = await request.json().catch(() => {
    throw new Refusal("bad-request", "The request holds no JSON.", "Reload the page and try again.");
  });
  return schema.parse(json);
}
