const LOOPBACK = new Set(["127.0.0.1", "localhost", "[::1]"]);

/** What a request says about where it comes from. */
export interface Claims {
  readonly method: string;
  readonly host: string | undefined;
  readonly origin: string | undefined;
  readonly fetchSite: string | undefined;
}

export type Foreign =
  | { readonly reason: "foreign-host"; readonly host: string }
  | { readonly reason: "foreign-origin"; readonly origin: string };

const withoutPort = (host: string): string => host.replace(/:\d+$/, "");
const CHANGES_NOTHING = new Set(["GET", "HEAD", "OPTIONS"]);

/**
 * Whether a request is for this house and from its own pages: it must name a host of ours, so that no foreign name can be pointed here, and a
 * change must say that it comes from our own pages. Without `publicOrigin` the house is this machine. Null where all is well.
 */
export function foreignOf({ method, host = "", origin, fetchSite }: Claims, publicOrigin: URL | null): Foreign | null {
  if (!isOurHost(host, publicOrigin)) return { reason: "foreign-host", host };
  if (CHANGES_NOTHING.has(method)) return null;
  if (origin !== undefined) return isOurOrigin(origin, host, publicOrigin) ? null : { reason: "foreign-origin", origin };
  return fetchSite === "same-origin" ? null : { reason: "foreign-origin", origin: fetchSite ?? "" };
}

const isOurHost = (host: string, publicOrigin: URL | null): boolean =>
  LOOPBACK.has(withoutPort(host)) || (publicOrigin !== null && host === publicOrigin.host);

/** On this machine a page's origin is the address it was asked for by; elsewhere the one that is made public. */
function isOurOrigin(origin: string, host: string, publicOrigin: URL | null): boolean {
  if (publicOrigin !== null && origin === publicOrigin.origin) return true;
  return LOOPBACK.has(withoutPort(host)) && origin === `http://${host}`;
}
