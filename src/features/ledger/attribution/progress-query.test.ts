import { environmentManager, QueryClient, QueryObserver } from "@tanstack/react-query";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { AttributionRun } from "@/contracts/attribution";
import { progressQuery } from "./progress-query";

const run = (change: Partial<AttributionRun> = {}): AttributionRun => ({
  state: "running",
  doneFrac: 0.1,
  fault: null,
  isCurrent: false,
  hasReport: true,
  ...change,
});

describe("looking how far a search is", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    // Only a browser looks again by itself.
    environmentManager.setIsServer(() => false);
  });
  afterEach(() => {
    vi.useRealTimers();
    environmentManager.setIsServer(() => true);
    vi.unstubAllGlobals();
  });

  it("goes on after a look that failed, and ends with the search", async () => {
    const answers: (AttributionRun | null)[] = [
      run({ doneFrac: 0.4 }),
      null,
      null,
      run({ doneFrac: 0.7 }),
      run({ state: "done", isCurrent: true }),
    ];
    let looks = 0;
    vi.stubGlobal("fetch", async () => {
      const answer = answers[looks++];
      if (!answer) throw new TypeError("no line");
      return Response.json(answer);
    });
    const client = new QueryClient();
    const observer = new QueryObserver(client, progressQuery("hut", run()));
    const seen: number[] = [];
    const stop = observer.subscribe(({ data }) => data && seen.push(data.doneFrac));
    for (let k = 0; k < 12; k++) await vi.advanceTimersByTimeAsync(1000);
    expect(looks).toBe(answers.length);
    expect(observer.getCurrentResult().data).toMatchObject({ state: "done", isCurrent: true });
    expect(seen).toContain(0.7);
    stop();
  });
});
