import { describe, expect, it } from "vitest";
import { withWorker } from "./worker-bridge";

/** A worker that only remembers whether it was ended. */
function fakeWorker() {
  const seen = { ended: 0 };
  const worker = { terminate: () => void seen.ended++, addEventListener: () => {}, removeEventListener: () => {}, postMessage: () => {} };
  return { seen, spawn: () => worker as unknown as Worker };
}

describe("work in a worker of its own", () => {
  it("ends the worker with the answer", async () => {
    const { seen, spawn } = fakeWorker();
    expect(await withWorker(spawn, async () => 4)).toBe(4);
    expect(seen.ended).toBe(1);
  });

  it("ends the worker where the work fails, and says why", async () => {
    const { seen, spawn } = fakeWorker();
    await expect(withWorker(spawn, () => Promise.reject(new Error("no sun")))).rejects.toThrow("no sun");
    expect(seen.ended).toBe(1);
  });

  it("ends both at once when it is stopped", async () => {
    const { seen, spawn } = fakeWorker();
    const stop = new AbortController();
    const work = withWorker(spawn, () => new Promise<number>(() => {}), stop.signal);
    stop.abort(new Error("left the page"));
    await expect(work).rejects.toThrow("left the page");
    expect(seen.ended).toBe(1);
  });
});
