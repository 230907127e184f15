import type { Actor } from "@/contracts/access";
import { Refusal } from "@/usecases/refusal";

const LOOPBACK = new Set(["127.0.0.1", "localhost", "[::1]"]);

function hostName(host: string): string {
  return host.replace(/:\d+$/, "");
}

/**
 * The one place that says who may do something. Today one person sits at this machine: requests must name a loopback host (so that
 * no foreign name can be pointed here), and a change must come from this site's own pages.
 */
export function guard(request: Request): Actor {
  const host = request.headers.get("host") ?? "";
  if (!LOOPBACK.has(hostName(host))) throw new Refusal("foreign-origin", "foreign-host", { host });
  if (request.method !== "GET" && request.method !== "HEAD") {
    const origin = request.headers.get("origin");
    const site = request.headers.get("sec-fetch-site");
    if (origin === null ? site !== null && site !== "same-origin" : origin !== `http://${host}`)
      throw new Refusal("foreign-origin", "foreign-origin", { origin: origin ?? "another site" });
  }
  return { kind: "local-owner" };
}
