import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import pg from "pg";
import type { House } from "../lib/house.mjs";
import { bring, type Client, lastEvent, newBook, upload } from "./client";
import { linesCut } from "./lines-cut";
import { bookWithData } from "./load";
import { row, tried } from "./report";

const ROWS = 200_000;
const START = Date.UTC(2012, 0, 1);
const READINGS = `time,energy_kwh\n${Array.from({ length: ROWS }, (_, k) => `${new Date(START + k * 300_000).toISOString().slice(0, 16)}Z,${(k % 97) / 100}`).join("\n")}\n`;
const SITE = JSON.parse(readFileSync(new URL("../../test/fixtures/plants/dry-roof/dry-roof.site.json", import.meta.url), "utf8")) as object;
/** Moments after which a process is killed, ms: while a file comes in, is read, and is stored. */
const MOMENTS = [40, 180, 420, 800];

async function untilFine(what: string, ask: () => Promise<boolean>, withinMs = 60_000): Promise<number> {
  const started = Date.now();
  while (!(await ask().catch(() => false))) {
    if (Date.now() - started > withinMs) throw new Error(`${what} not within ${withinMs / 1000} s`);
    await wait(100);
  }
  return (Date.now() - started) / 1000;
}

/** Kills each process in each phase of an import, and while nothing goes on: all comes back by itself, an import is whole or absent, and repeated it is whole. */
export async function faults(house: House, client: Client, isSmall: boolean): Promise<void> {
  const database = house.cluster.adminUrl.replace(/\/postgres$/, "/dusty_ledger");
  const asked = async <T extends object>(text: string, values: unknown[] = []): Promise<T[]> => {
    const connection = new pg.Client({ connectionString: database });
    connection.on("error", () => {});
    await connection.connect();
    try {
      return (await connection.query<T>(text, values)).rows;
    } finally {
      await connection.end();
    }
  };
  const stored = async (slug: string): Promise<string> => {
    const [found] = await asked<{ told: string }>(
      `select count(*) || ' ' || coalesce(md5(string_agg(encode(p.readings, 'hex'), '' order by p.utc_day)), '') as told
       from day_pages p join series s on s.id = p.series_id join books b on b.id = s.book_id where b.slug = $1`,
      [slug],
    );
    return found!.told;
  };
  const opens = async (): Promise<boolean> => (await client.send("GET", "/")).status === 200;
  const ready = async (): Promise<boolean> => (await client.send("GET", "/readyz")).status === 200;

  const reference = await newBook(client, SITE);
  const first = await bring(client, reference, READINGS, "meter.csv");
  if (first.kind !== "done") throw new Error(`the undisturbed import failed: ${JSON.stringify(first).slice(0, 300)}`);
  const whole = await stored(reference);

  const victims = { server: () => house.site.kill(), database: () => house.cluster.kill(), worker: () => house.worker!.kill() };
  for (const [victim, kill] of Object.entries(victims)) {
    await tried("faults", `${victim} killed while nothing goes on`, async () => {
      await untilFine("ready", ready);
      const { starts } = { server: house.site, database: house.cluster, worker: house.worker! }[victim as keyof typeof victims];
      const before = starts();
      kill();
      await untilFine("another process", async () => starts() > before);
      const opened = await untilFine("open", opens);
      return `a page after ${opened.toFixed(1)} s, all ready after ${(await untilFine("ready", ready)).toFixed(1)} s more`;
    });
    for (const moment of isSmall ? [] : MOMENTS)
      await tried("faults", `${victim} killed ${moment} ms into an import`, async () => {
        await untilFine("open", opens);
        const slug = await newBook(client, SITE);
        const id = await upload(client, slug, READINGS, "meter.csv");
        const importing = client.json("POST", `/api/books/${slug}/uploads/${id}/import`, {}).then(
          ({ text }) => lastEvent(text).kind,
          () => "cut off",
        );
        await wait(moment);
        kill();
        const told = await importing;
        await untilFine("open", opens);
        const after = await untilStored(stored, slug);
        if (after !== whole && !after.startsWith("0 ")) throw new Error(`neither whole nor absent: ${after}`);
        if (told === "done" && after !== whole) throw new Error("said to be done, and is not there");
        const again = await bring(client, slug, READINGS, "meter.csv");
        if ((await stored(slug)) !== whole) throw new Error(`repeated (${again.kind}), other values stand`);
        await client.send("DELETE", `/api/books/${slug}`);
        return `import ${after === whole ? "whole" : "absent"}, told “${told}”; repeated whole`;
      });
  }
  if (!isSmall) await jobTakenAgain(house, client, asked);
  await databaseAway(house, client, opens);
  await linesCut({ house, client, asked, untilFine, opens, site: SITE, readings: READINGS, stored, whole }, isSmall);
  await rights(house);
}

async function untilStored(stored: (slug: string) => Promise<string>, slug: string): Promise<string> {
  let told = "";
  await untilFine("database", async () => {
    told = await stored(slug);
    return true;
  });
  return told;
}

async function jobTakenAgain(
  house: House,
  client: Client,
  asked: <T extends object>(text: string, values?: unknown[]) => Promise<T[]>,
): Promise<void> {
  await tried("faults", "worker killed in the middle of a search for causes", async () => {
    const slug = await bookWithData(client);
    const [book] = await asked<{ id: string }>("select id from books where slug = $1", [slug]);
    // Other books may still be waiting for theirs.
    await untilFine(
      "queue empty",
      async () =>
        (
          await asked<{ waiting: number }>("select count(*)::int as waiting from attribution_runs where state in ('waiting', 'running')")
        )[0]!.waiting === 0,
      180_000,
    );
    await client.json("POST", `/api/books/${slug}/causes`, { action: "again" }).catch(() => null);
    await untilFine(
      "search begun",
      async () =>
        (await asked<{ state: string }>("select state from attribution_runs where book_id = $1", [book!.id]))[0]?.state === "running",
      15_000,
    );
    house.worker!.kill();
    const seconds = await untilFine(
      "search done",
      async () =>
        (await asked<{ state: string }>("select state from attribution_runs where book_id = $1", [book!.id]))[0]?.state === "done",
      70_000,
    );
    if (seconds > 60) throw new Error(`done only after ${seconds.toFixed(0)} s`);
    return `taken again and done after ${seconds.toFixed(0)} s`;
  });
}

async function databaseAway(house: House, client: Client, opens: () => Promise<boolean>): Promise<void> {
  await tried("faults", "requests while the database is away", async () => {
    house.cluster.kill();
    const answers = await Promise.all(Array.from({ length: 30 }, () => client.send("GET", "/api/books/dry-roof/ledger").catch(() => null)));
    const statuses = new Map<number, number>();
    for (const answer of answers) statuses.set(answer?.status ?? 0, (statuses.get(answer?.status ?? 0) ?? 0) + 1);
    if (statuses.has(0) || statuses.has(500)) throw new Error(`not told: ${JSON.stringify([...statuses])}`);
    return `${[...statuses].map(([status, count]) => `${count} × ${status}`).join(", ")}; pages again after ${(await untilFine("open", opens)).toFixed(1)} s`;
  });
}

/** The app's role owns nothing and can change no table. */
async function rights(house: House): Promise<void> {
  const connection = new pg.Client({ connectionString: house.cluster.url });
  await connection.connect();
  const forbidden = [
    "create table x (a int)",
    "drop table books",
    "alter table books add column x int",
    "create role x",
    "truncate books",
    "copy books to program 'id'",
    "create extension file_fdw",
    "create schema x",
  ];
  let refused = 0;
  for (const statement of forbidden)
    await connection.query(statement).then(
      () => {},
      () => refused++,
    );
  const { rows } = await connection.query<{ owned: number; super: boolean }>(
    "select (select count(*)::int from pg_class where relowner = (select oid from pg_roles where rolname = current_user)) as owned, (select rolsuper from pg_roles where rolname = current_user) as super",
  );
  await connection.end();
  row(
    "rights",
    "statements that the app's role must not run",
    forbidden.length,
    refused,
    `owns ${rows[0]!.owned} tables, superuser ${rows[0]!.super ? "yes" : "no"}`,
  );
}
