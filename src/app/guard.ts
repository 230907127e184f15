import type { Actor } from "@/contracts/access";

/** Who asks. One person sits at this machine; that the request is theirs, and comes from our own pages, the edge has seen (`src/server`). */
export function guard(_request: Request): Actor {
  return { kind: "local-owner" };
}
