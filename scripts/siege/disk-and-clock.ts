import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { startThrowawayCluster } from "../lib/cluster.mjs";
import { type House, startHouse } from "../lib/house.mjs";
import { bring, type Client, clientOf, newBook } from "./client";
import { bookWithData } from "./load";
import { row, tried } from "./report";

const SITE = JSON.parse(readFileSync(new URL("../../test/fixtures/plants/dry-roof/dry-roof.site.json", import.meta.url), "utf8")) as object;
const MB = 1024 * 1024;

const readings = (rows: number): string =>
  `time,energy_kwh\n${Array.from({ length: rows }, (_, k) => `${new Date(Date.UTC(2012, 0, 1) + k * 300_000).toISOString().slice(0, 16)}Z,${((k * 7919) % 9973) / 1e4}`).join("\n")}\n`;

/** A small disk in memory, gone with `remove`; null where this process may not make one. */
function smallDisk(megabytes: number): { folder: string; remove: () => void } | null {
  const folder = mkdtempSync("/var/tmp/dusty-ledger-siege-");
  try {
    execFileSync("mount", ["-t", "tmpfs", "-o", `size=${megabytes}m,mode=0755`, "tmpfs", folder]);
  } catch {
    rmSync(folder, { recursive: true });
    return null;
  }
  return {
    folder,
    remove: () => {
      execFileSync("umount", ["-l", folder]);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Fills a disk till so many bytes are left. */
function fill(folder: string, left: number): string {
  const file = path.join(folder, "filler");
  const free = Number(execFileSync("df", ["--output=avail", "-B1", folder], { encoding: "utf8" }).trim().split("\n").at(-1));
  writeFileSync(file, Buffer.alloc(Math.max(0, free - left)));
  return file;
}

/** A disk without room under the uploads, and under the database. */
export async function fullDisk(): Promise<void> {
  const disk = smallDisk(700);
  if (!disk) return row("disk full", "left out: no small disk can be mounted here", 0, 0);
  let house: House | null = null;
  try {
    const cluster = await startThrowawayCluster({ durable: true, base: disk.folder });
    const files = path.join(disk.folder, "files");
    mkdirSync(files);
    house = await startHouse({ firstPort: 3750, steps: [], cluster, env: { DUSTY_LEDGER_VAR: files } });
    const own = house;
    const client = clientOf(() => own.site.address);
    const slug = await newBook(client, SITE);
    await tried("disk full", "an upload that has no room", async () => {
      const filler = fill(disk.folder, 3 * MB);
      const answer = await client.send("POST", `/api/books/${slug}/uploads?name=a.csv`, Buffer.alloc(8 * MB, "1\n"));
      rmSync(filler);
      const left = readdirSync(path.join(files, "uploads")).length;
      if (answer.status !== 507 || left > 0) throw new Error(`${answer.status} ${answer.text.slice(0, 200)}, ${left} files left`);
      return `told: ${(JSON.parse(answer.text) as { error: { message: string } }).error.message}; nothing is left of it`;
    });
    await tried("disk full", "an import whose database has no room", async () => {
      const table = readings(400_000);
      const filler = fill(disk.folder, table.length + 2 * MB);
      const told = await bring(client, slug, table, "meter.csv").catch((error: unknown) => ({ kind: String(error) }));
      rmSync(filler);
      await untilOpen(client);
      const batches = await client.send("GET", `/api/books/${slug}/ledger`);
      const again = await bring(client, slug, table, "meter.csv");
      if (told.kind === "done" || again.kind !== "done")
        throw new Error(`first ${JSON.stringify(told).slice(0, 200)}, then ${JSON.stringify(again).slice(0, 200)}`);
      return `told “${(told as { message?: string }).message ?? told.kind}” (${batches.status} after it); with room again it goes in whole`;
    });
  } finally {
    await house?.stop();
    await house?.cluster.stop().catch(() => {});
    disk.remove();
  }
}

async function untilOpen(client: Client): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    const answer = await client.send("GET", "/readyz").catch(() => null);
    if (answer?.text.includes('"database":"fine"')) return;
    await wait(200);
  }
  throw new Error("the database did not come back");
}

/** Server and worker whose clock goes back an hour, on a database whose clock does not. */
export async function clockBack(): Promise<void> {
  const cluster = await startThrowawayCluster({ durable: true });
  try {
    const before = await startHouse({ firstPort: 3760, steps: [], cluster });
    const slug = await bookWithData(clientOf(() => before.site.address));
    await before.stop();
    await tried("clock", "an hour back between two starts", async () => {
      const back = await startHouse({
        firstPort: 3760,
        steps: [],
        cluster,
        env: { NODE_OPTIONS: `--import ${new URL("clock-back.mjs", import.meta.url).href}` },
      });
      try {
        const client = clientOf(() => back.site.address);
        const page = await client.send("GET", `/books/${slug}/ledger`);
        const today = new Date().toISOString().slice(0, 10);
        const entry = await client.json("POST", `/api/books/${slug}/entries`, { from: today, to: today, kind: "cleaning" });
        const other = await bookWithData(client);
        if (page.status !== 200 || entry.status !== 201)
          throw new Error(`page ${page.status}, entry ${entry.status} ${entry.text.slice(0, 200)}`);
        return `pages open, an entry of today is taken, ${other} came in and its causes were sought`;
      } finally {
        await back.stop();
      }
    });
  } finally {
    await cluster.stop();
  }
}
