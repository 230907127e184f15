import { log } from "@/wiring";
import { refusalOf } from "./answer";

/** A refusal as the last line of a stream of events. */
export function refusedEvent(error: unknown) {
  const refusal = refusalOf(error);
  if (!refusal) log.error({ err: error }, "work behind a stream failed");
  return {
    kind: "refused" as const,
    code: refusal?.code ?? "bad-request",
    message: refusal?.message ?? "Something went wrong on our side. Nothing was stored.",
    help: refusal?.help ?? "Try again; the log names the fault.",
    problems: [...(refusal?.problems ?? [])],
  };
}

/** A stream of JSON lines. Closing the request tells `stop`; what is thrown becomes the last line. */
export function eventStream(request: Request, run: (emit: (event: object) => void, stop: AbortSignal) => Promise<void>): Response {
  const stop = new AbortController();
  request.signal.addEventListener("abort", () => stop.abort());
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const emit = (event: object): void => {
        if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(event)}\n`));
      };
      void run(emit, stop.signal)
        .catch((error: unknown) => emit(refusedEvent(error)))
        .finally(() => {
          if (!stop.signal.aborted) controller.close();
        });
    },
    cancel: () => stop.abort(),
  });
  return new Response(body, {
    headers: { "content-type": "application/x-ndjson", "cache-control": "no-store", "x-accel-buffering": "no" },
  });
}
