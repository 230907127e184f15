import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, readFileSync, readlinkSync, rmSync } from "node:fs";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { fileURLToPath } from "node:url";
import { gunzipSync } from "node:zlib";
import pg from "pg";
import { startIn, startThrowawayCluster } from "../lib/cluster.mjs";
import { tried } from "./report";

const PROJECT = fileURLToPath(new URL("../..", import.meta.url));
const DUMP = new URL("../../test/fixtures/databases/first-edition.sql.gz", import.meta.url);
/** A build takes a minute on a slow machine. */
const BUILD_MS = 240_000;
/** A house that is not open a minute after its build hangs; how fast it opens is for the bench to say, not for a machine that is busy. */
const OPENS_WITHIN_MS = 60_000;

interface Start {
  readonly child: ChildProcess;
  readonly output: () => string;
  /** Resolves with the seconds until a text is printed. */
  until(text: string, withinMs: number): Promise<number>;
}

/** Runs `npm start` as somebody would, in a folder. */
function start(folder: string): Start {
  const child = spawn(process.execPath, ["scripts/start.mjs"], {
    cwd: folder,
    env: { ...process.env, PORT: "3800", LOG_LEVEL: "error" },
    stdio: ["ignore", "pipe", "pipe"],
  });
  let output = "";
  for (const stream of [child.stdout, child.stderr]) stream.on("data", (piece: Buffer) => (output += piece.toString()));
  return {
    child,
    output: () => output,
    async until(text, withinMs) {
      const began = Date.now();
      while (!output.includes(text)) {
        if (child.exitCode !== null) throw new Error(`ended with ${child.exitCode}: ${output.slice(-500)}`);
        if (Date.now() - began > withinMs) throw new Error(`no “${text}” within ${withinMs / 1000} s: ${output.slice(-500)}`);
        await wait(100);
      }
      return (Date.now() - began) / 1000;
    },
  };
}

/** Processes that were started from a folder, by where they work and what they were called with. */
function processesOf(folder: string): string[] {
  const found: string[] = [];
  for (const pid of readdirSync("/proc").filter((name) => /^\d+$/.test(name))) {
    try {
      const [where, called] = [readlinkSync(`/proc/${pid}/cwd`), readFileSync(`/proc/${pid}/cmdline`, "utf8")];
      if (where.startsWith(folder) || called.includes(folder)) found.push(`${pid} ${called.replaceAll("\0", " ").slice(0, 90)}`);
    } catch {
      // It has just ended.
    }
  }
  return found;
}

async function untilNone(folder: string, withinMs: number): Promise<string> {
  const began = Date.now();
  for (;;) {
    const left = processesOf(folder);
    if (left.length === 0) return `nothing left after ${((Date.now() - began) / 1000).toFixed(1)} s`;
    if (Date.now() - began > withinMs) throw new Error(`left: ${left.join("; ")}`);
    await wait(200);
  }
}

const addressOf = (output: string): string => /http:\/\/127\.0\.0\.1:\d+/.exec(output.slice(output.indexOf("is open at")))![0];

/** Ends and kills at every moment of a start, two starts at once, and a cluster of the first edition. The small part takes the build that is there. */
export async function starts(isSmall: boolean): Promise<void> {
  const base = mkdtempSync(path.join(PROJECT, "..", ".siege-"));
  const [one, two] = [path.join(base, "one"), path.join(base, "two")];
  const running: Start[] = [];
  const startIn2 = (folder: string): Start => {
    const made = start(folder);
    running.push(made);
    return made;
  };
  try {
    execFileSync("chmod", ["755", base]);
    execFileSync("git", ["clone", "-q", PROJECT, one]);
    execFileSync("cp", ["-al", path.join(PROJECT, "node_modules"), path.join(one, "node_modules")]);
    for (const signal of isSmall ? (["SIGTERM"] as const) : (["SIGTERM", "SIGKILL"] as const))
      await tried("starts", `${signal} in the first build`, async () => {
        const first = startIn2(one);
        await first.until("Building", 60_000);
        await wait(4000);
        first.child.kill(signal);
        return untilNone(one, 10_000);
      });
    if (isSmall) execFileSync("sh", ["-c", `rm -rf ${one}/.next ${one}/dist && cp -al ${PROJECT}/.next ${PROJECT}/dist ${one}/`]);
    await tried("starts", "a fresh clone opens", async () => {
      const fresh = startIn2(one);
      if (!isSmall) await fresh.until("Built", BUILD_MS);
      const seconds = await fresh.until("is open at", OPENS_WITHIN_MS);
      return `open ${seconds.toFixed(1)} s after the build's end`;
    });
    const first = running.at(-1)!;
    await tried("starts", "a second start in the same folder", async () => {
      const again = startIn2(one);
      await new Promise((resolve) => again.child.once("exit", resolve));
      if (!again.output().includes("open from this folder already")) throw new Error(again.output().slice(-300));
      if (!(await fetch(`${addressOf(first.output())}/healthz`)).ok) throw new Error("the first no longer answers");
      return again.output().trim().split("\n").at(-1)!.replaceAll(base, "…");
    });
    execFileSync("mkdir", [two]);
    execFileSync("sh", ["-c", `cd ${one} && cp -al $(ls -A | grep -vx var) ${two}/`]);
    await tried("starts", "two folders at once, both wanting the same port", async () => {
      const other = startIn2(two);
      await other.until("is open at", OPENS_WITHIN_MS);
      const [a, b] = [addressOf(first.output()), addressOf(other.output())];
      const isReady = async (address: string): Promise<boolean> => (await fetch(`${address}/readyz`)).ok;
      for (let tries = 0; tries < 100 && !((await isReady(a)) && (await isReady(b))); tries++) await wait(200);
      const states = await Promise.all([a, b].map(isReady));
      if (a === b || states.includes(false)) throw new Error(`${a} ${b} ${states.join(" ")}`);
      return `${a.slice(-4)} and ${b.slice(-4)}, each with its own database`;
    });
    await tried("starts", "each simulator killed", async () => {
      const simulators = processesOf(one).filter((line) => line.includes("simulator.mjs"));
      for (const line of simulators) process.kill(Number(line.split(" ")[0]), "SIGKILL");
      await wait(3000);
      const back = processesOf(one).filter((line) => line.includes("simulator.mjs"));
      if (simulators.length !== 3 || back.length !== 3) throw new Error(`${simulators.length} killed, ${back.length} back`);
      return "all three are back on their ports";
    });
    await tried("starts", "SIGTERM of an open house", async () => {
      running.at(-1)!.child.kill("SIGTERM");
      return untilNone(two, 20_000);
    });
    if (isSmall) return;
    await tried("starts", "SIGKILL of an open house", async () => {
      first.child.kill("SIGKILL");
      return untilNone(one, 20_000);
    });
    await tried("starts", "a house that was killed opens again", async () => {
      const again = startIn2(one);
      const seconds = await again.until("is open at", OPENS_WITHIN_MS);
      again.child.kill("SIGTERM");
      await untilNone(one, 20_000);
      return `after ${seconds.toFixed(1)} s`;
    });
  } finally {
    for (const { child } of running) child.kill("SIGKILL");
    await wait(1000);
    rmSync(base, { recursive: true, force: true });
  }
  await tried("starts", "a cluster of the first edition is brought over", firstEdition);
}

/** All lay in the superuser's own database; after the next start it has a database and roles of its own, with every row. */
async function firstEdition(): Promise<string> {
  const cluster = await startThrowawayCluster({ durable: true });
  const ask = async (url: string, ...statements: string[]) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      let rows: Record<string, unknown>[] = [];
      for (const statement of statements) ({ rows } = await client.query<Record<string, unknown>>(statement));
      return rows;
    } finally {
      await client.end();
    }
  };
  try {
    await ask(cluster.adminUrl, "drop database dusty_ledger", "drop role dusty_ledger_app", "drop role dusty_ledger_migrator");
    const psql = spawn("psql", ["-q", "-v", "ON_ERROR_STOP=0", cluster.adminUrl], { stdio: ["pipe", "ignore", "ignore"] });
    psql.stdin.end(gunzipSync(readFileSync(DUMP)));
    await new Promise((resolve) => psql.once("close", resolve));
    const counted =
      "select (select count(*) from books)::int as books, (select count(*) from day_pages)::int as pages, (select count(*) from bills)::int as bills";
    const before = JSON.stringify(await ask(cluster.adminUrl, counted));
    await cluster.stopServer();
    const again = await startIn(cluster.folder, { fast: true, durable: true });
    try {
      const after = JSON.stringify(await ask(again.url, counted));
      const owners = await ask(
        again.url,
        "select count(*)::int as others from pg_tables where schemaname = 'public' and tableowner <> 'dusty_ledger_migrator'",
      );
      if (before !== after || owners[0]!.others !== 0)
        throw new Error(`${before} became ${after}; ${String(owners[0]!.others)} tables of others`);
      return `${after.slice(1, -1)}, all of the migrator's`;
    } finally {
      await again.stop();
    }
  } finally {
    await cluster.stop().catch(() => {});
    if (existsSync(cluster.folder)) rmSync(cluster.folder, { recursive: true, force: true });
  }
}
