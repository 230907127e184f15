/** Headers that every answer carries; pages add a policy of their own, with a nonce. */
const EVERYWHERE: Readonly<Record<string, string>> = {
  "X-Content-Type-Options": "nosniff",
  "Referrer-Policy": "same-origin",
  "X-Frame-Options": "DENY",
  "Permissions-Policy": "camera=(), microphone=(), geolocation=()",
  "Cross-Origin-Opener-Policy": "same-origin",
  "Cross-Origin-Resource-Policy": "same-origin",
};
const NOTHING_RUNS = "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
/** A web worker's script is held to the policy that it came with. */
const SCRIPTS = "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'";
const YEAR_S = 31_536_000;

/** The headers of an answer by its path. Over https, browsers are told to stay with it. */
export function headersFor(pathname: string, publicOrigin: URL | null): Record<string, string> {
  return {
    ...EVERYWHERE,
    "Content-Security-Policy": pathname.startsWith("/_next/static/") ? SCRIPTS : NOTHING_RUNS,
    ...(publicOrigin?.protocol === "https:" ? { "Strict-Transport-Security": `max-age=${YEAR_S}; includeSubDomains` } : {}),
  };
}
