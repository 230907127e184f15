import { type Fetcher, FetchFailure, hostAllowed } from "@/usecases/feeds";

const TIMEOUT_MS = 20_000;
const MOST_BYTES = 30_000_000;

/** Gets answers over HTTP from listed hosts alone: no redirects, within time and size. */
export function httpFetcher(hosts: readonly string[]): Fetcher {
  return {
    async get(url) {
      if (!hostAllowed(url, hosts)) throw new FetchFailure(`The host of ${url} is not on the list of hosts that may be fetched.`);
      const { host } = new URL(url);
      let response: Response;
      try {
        response = await fetch(url, {
          redirect: "manual",
          signal: AbortSignal.timeout(TIMEOUT_MS),
          headers: { accept: "application/json, text/csv" },
        });
      } catch (cause) {
        throw new FetchFailure(
          `${host} did not answer${cause instanceof Error && cause.name === "TimeoutError" ? ` within ${TIMEOUT_MS / 1000} s` : ""}.`,
          { cause },
        );
      }
      if (response.status >= 300 && response.status < 400)
        throw new FetchFailure(`${host} sends the request elsewhere; redirects are not followed.`);
      if (!response.ok) throw new FetchFailure(`${host} answered ${response.status}.`);
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
      if (size > MOST_BYTES) throw new FetchFailure(`${host} sends more than ${MOST_BYTES / 1e6} MB at once.`);
      parts.push(part);
    }
  } catch (cause) {
    throw cause instanceof FetchFailure ? cause : new FetchFailure(`${host} broke off in the middle of its answer.`, { cause });
  }
  return Buffer.concat(parts).toString("utf8");
}
