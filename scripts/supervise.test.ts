import { type ChildProcess, spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { describe, expect, it } from "vitest";
import { BACK_OFF_MS, endChild, keep } from "./lib/supervise.mjs";

const node = (source: string): ChildProcess => spawn(process.execPath, ["-e", source], { stdio: ["ignore", "pipe", "ignore"] });
/** Timers and clocks part by so much. */
const CLOCK_MS = 20;
const STAYS = "setInterval(() => {}, 1000)";
const isAlive = (pid: number): boolean => existsSync(`/proc/${pid}`);

async function until(what: () => boolean, withinMs = 8000): Promise<void> {
  for (const end = Date.now() + withinMs; !what(); ) {
    if (Date.now() > end) throw new Error("not in time");
    await wait(20);
  }
}

describe("a process that is kept", () => {
  it("is started again when it is killed, and no more once it is stopped", async () => {
    const kept = keep("test", async () => node(STAYS), { quiet: true });
    await kept.started;
    const first = kept.state.child.pid!;
    kept.state.child.kill("SIGKILL");
    await until(() => kept.state.starts === 2);
    const second = kept.state.child.pid!;
    expect(second).not.toBe(first);
    await kept.stop();
    await wait(400);
    expect([isAlive(first), isAlive(second), kept.state.starts]).toEqual([false, false, 2]);
  });

  it("waits longer each time that it ends at once", async () => {
    const began: number[] = [];
    const kept = keep(
      "test",
      async () => {
        began.push(Date.now());
        return node("process.exit(3)");
      },
      { quiet: true },
    );
    await kept.started;
    await until(() => began.length === 4);
    await kept.stop();
    const gaps = began.slice(1).map((at, k) => at - began[k]!);
    // A busy machine makes any wait longer, and none shorter.
    expect([...BACK_OFF_MS].sort((a, b) => a - b)).toEqual(BACK_OFF_MS);
    for (const [k, gap] of gaps.entries()) expect(gap).toBeGreaterThanOrEqual(BACK_OFF_MS[k]! - CLOCK_MS);
  });

  it("that does not heed its end is killed after a deadline", async () => {
    const deaf = node(`process.on("SIGTERM", () => {}); console.log("on"); ${STAYS}`);
    await new Promise((resolve) => deaf.stdout!.once("data", resolve));
    const since = Date.now();
    await endChild(deaf, "SIGTERM", 300);
    expect(deaf.signalCode).toBe("SIGKILL");
    expect(Date.now() - since).toBeGreaterThanOrEqual(290);
  });
});
