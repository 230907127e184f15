import { Refusal } from "@/usecases/refusal";
import { log } from "@/wiring";
import { refusalBody, refusalOf } from "./answer";

/** A refusal as the last line of a stream of events. */
export function refusedEvent(error: unknown) {
  const refusal = refusalOf(error);
  if (!refusal) log.error({ err: error }, "work behind a stream failed");
  const { problems, ...words } = refusalBody(refusal ?? new Refusal("our-fault", "our-fault-nothing-stored"));
  return { kind: "refused" as const, ...words, problems: [...problems] };
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
    headers: { "content-type": "application/x-ndjson", "cache-control": "no-store, no-transform", "x-accel-buffering": "no" },
  });
}
