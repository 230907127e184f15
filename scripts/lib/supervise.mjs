import { spawn } from "node:child_process";
import { clearTimeout, setTimeout } from "node:timers";
import { setTimeout as wait } from "node:timers/promises";
import { asOurs } from "./people.mjs";
import { projectFolder } from "./run.mjs";

/** Waits before a program that ended is started again, ms; one that stood for a while begins anew. */
export const BACK_OFF_MS = [100, 300, 1000, 3000, 10_000];
const STOOD_MS = 30_000;
/** A program that was asked to end and has not is killed. */
const LAST_WORDS_MS = 12_000;

const sayEnd = (name, code, signal, delayMs) =>
  console.error(`The ${name} ended (${signal ?? `code ${code}`}); it is started again in ${delayMs / 1000} s.`);

/** Sends a program its end, and kills it where it does not heed. */
export async function endChild(child, signal = "SIGTERM", lastWordsMs = LAST_WORDS_MS) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once("exit", resolve));
  child.kill(signal);
  const patience = setTimeout(() => child.kill("SIGKILL"), lastWordsMs);
  await ended;
  clearTimeout(patience);
}

/**
 * Keeps a program running: when it ends by itself it is started again, after waits that grow. `start` makes the child; `ready` is awaited for each new
 * one. `stop` ends it for good.
 */
export function keep(name, start, { ready = async () => {}, quiet = false } = {}) {
  const state = { child: null, stopping: false, starts: 0 };
  let failures = 0;

  async function run() {
    state.child = await start();
    state.starts++;
    const since = Date.now();
    const { child } = state;
    child.once("exit", (code, signal) => {
      if (state.stopping) return;
      if (Date.now() - since > STOOD_MS) failures = 0;
      const delayMs = BACK_OFF_MS[Math.min(failures++, BACK_OFF_MS.length - 1)];
      if (!quiet) sayEnd(name, code, signal, delayMs);
      void wait(delayMs).then(() => (state.stopping ? null : run().catch(() => {})));
    });
    await ready(child);
  }

  return {
    state,
    started: run(),
    async stop(signal) {
      state.stopping = true;
      await endChild(state.child, signal);
    },
  };
}

/** A Node program of ours, with a line to it. */
export async function startProgram(args, env, { output = "inherit" } = {}) {
  const [command, all] = await asOurs(args);
  return spawn(command, all, {
    cwd: projectFolder,
    env,
    stdio: ["ignore", output === "inherit" ? "inherit" : "pipe", output === "inherit" ? "inherit" : "pipe", "ipc"],
  });
}

/** Resolves with what a program printed once it has ended well. */
export function toEnd(child) {
  return new Promise((resolve, reject) => {
    let output = "";
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (chunk) => (output += chunk));
    child.once("close", (code, signal) =>
      code === 0 ? resolve(output) : reject(new Error(`ended with ${signal ?? code}\n${output.slice(-3000)}`)),
    );
  });
}

/** Resolves with what a program tells over its line first, by kind; rejects when it ends before. */
export function told(child, kind, withinMs = 60_000) {
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Error(`no ${kind} within ${withinMs / 1000} s`)), withinMs);
    child.on("message", (message) => {
      if (message?.kind !== kind) return;
      clearTimeout(late);
      resolve(message);
    });
    child.once("exit", (code, signal) => {
      clearTimeout(late);
      reject(new Error(`ended (${signal ?? code}) before ${kind}`));
    });
  });
}
