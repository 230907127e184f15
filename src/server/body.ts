import type { IncomingMessage } from "node:http";
import { BODY_LIMITS, LEAST_BYTES_S, PATIENCE_S } from "@/contracts/request-limits";
import { bodyNames, sizeInWords } from "@/wording/limits";

export type BodyFault =
  | { readonly reason: "body-without-length"; readonly what: string }
  | { readonly reason: "body-too-large"; readonly what: string; readonly size: string; readonly most: string };

/** What is wrong with a body, by what its head says of it: nothing of it has been read. Node holds a body to its announced length. */
export function bodyFaultOf({ method, headers }: Pick<IncomingMessage, "method" | "headers">, pathname: string): BodyFault | null {
  const isChunked = headers["transfer-encoding"] !== undefined;
  if (!isChunked && headers["content-length"] === undefined) return null;
  if (method === "GET" || method === "HEAD")
    return isChunked || headers["content-length"] !== "0"
      ? { reason: "body-too-large", what: "nothing", size: sizeInWords(Number(headers["content-length"] ?? 0)), most: sizeInWords(0) }
      : null;
  const { body, mostBytes, mayStream } = BODY_LIMITS.find(({ route }) => route.test(pathname))!;
  const what = bodyNames[body];
  if (isChunked) return mayStream ? null : { reason: "body-without-length", what };
  const bytes = Number(headers["content-length"]);
  return bytes > mostBytes ? { reason: "body-too-large", what, size: sizeInWords(bytes), most: sizeInWords(mostBytes) } : null;
}

/** Watches a body come in; `tooSlow` is told once, of one that stands still or only trickles. */
export function watchPace(request: IncomingMessage, tooSlow: () => void): void {
  if (request.complete || ((request.headers["content-length"] ?? "0") === "0" && request.headers["transfer-encoding"] === undefined))
    return;
  const { socket } = request;
  let seen = socket.bytesRead;
  const timer = setInterval(() => {
    if (request.complete || request.destroyed) return clearInterval(timer);
    // What has come but is not yet asked for by the route is our delay, not the sender's.
    const isHeldByUs = request.readableLength >= request.readableHighWaterMark;
    if (!isHeldByUs && socket.bytesRead - seen < LEAST_BYTES_S * PATIENCE_S) {
      clearInterval(timer);
      tooSlow();
    }
    seen = socket.bytesRead;
  }, PATIENCE_S * 1000);
  timer.unref();
  request.once("close", () => clearInterval(timer));
}
