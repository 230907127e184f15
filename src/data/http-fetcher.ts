import { type Fetcher, FetchFailure, hostAllowed } from "@/usecases/feeds";

const TIMEOUT_MS = 20_000;
const MOST_BYTES = 30_000_000;

/** Gets answers over HTTP from listed hosts alone: no redirects, within time and size. */
export function httpFetcher(hosts: readonly string[]): Fetcher {
  return {
    async get(url) {
      if (!hostAllowed(url, hosts)) throw new FetchFailure("host-not-allowed", { url });
      const { host } = new URL(url);
      let response: Response;
      try {
        response = await fetch(url, {
          redirect: "manual",
          signal: AbortSignal.timeout(TIMEOUT_MS),
          headers: { accept: "application/json, text/csv" },
        });
      } catch (cause) {
        const late = cause instanceof Error && cause.name === "TimeoutError";
        throw new FetchFailure(late ? "no-answer-in-time" : "no-answer", { host, seconds: TIMEOUT_MS / 1000 }, { cause });
      }
      if (response.status >= 300 && response.status < 400) throw new FetchFailure("redirected", { host });
      if (!response.ok) throw new FetchFailure("bad-status", { host, status: response.status });
      return textOf(response, host);
    },
  };
}

async function textOf(response: Response, host: string): Promise<string> {
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const part of response.body ?? []) {
      size += (part as Uint8Array).length;
      if (size > MOST_BYTES) throw new FetchFailure("too-large", { host, mostMb: MOST_BYTES / 1e6 });
      parts.push(part);
    }
  } catch (cause) {
    throw cause instanceof FetchFailure ? cause : new FetchFailure("broke-off", { host }, { cause });
  }
  return Buffer.concat(parts).toString("utf8");
}
