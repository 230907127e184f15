import { chmodSync, mkdirSync, readdirSync, renameSync, rmSync } from "node:fs";
import { connect } from "node:net";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import pg from "pg";
import type { House } from "../lib/house.mjs";
import { bring, type Client, lastEvent, newBook, upload } from "./client";
import { tried } from "./report";

/** What every fault of this kind needs: the house, a way to ask its database, and files with what they leave behind. */
export interface Ground {
  readonly house: House;
  readonly client: Client;
  readonly asked: <T extends object>(text: string, values?: unknown[]) => Promise<T[]>;
  readonly untilFine: (what: string, ask: () => Promise<boolean>, withinMs?: number) => Promise<number>;
  readonly opens: () => Promise<boolean>;
  readonly site: object;
  readonly readings: string;
  /** What stands of a book's readings, and what stands when all of them do. */
  readonly stored: (slug: string) => Promise<string>;
  readonly whole: string;
}

/** A save that finds its book held must be answered within this. */
const TOLD_WITHIN_MS = 14_000;
/** A change must be seen on a page within this, however it was told. */
const SEEN_WITHIN_MS = 3000;

const END_ALL =
  "select pg_terminate_backend(pid) from pg_stat_activity where application_name like 'dusty-ledger%' and pid <> pg_backend_pid()";

/** Lines that are cut, held or used up between the parts of the house and to those who use it. */
export async function linesCut(ground: Ground, isSmall: boolean): Promise<void> {
  await connectionsEnded(ground, isSmall);
  await changesUntold(ground);
  await heldBook(ground);
  if (!isSmall) await connectionsUsedUp(ground);
  await clientGone(ground);
  await folderOfUploads(ground);
  if (!isSmall) await asleep(ground);
  if (!isSmall) await together(ground);
}

async function connectionsEnded(
  { client, asked, untilFine, opens, site, readings, stored, whole }: Ground,
  isSmall: boolean,
): Promise<void> {
  await tried("faults", "every connection to the database ended while nothing goes on", async () => {
    await asked(END_ALL);
    const answers = await Promise.all(Array.from({ length: 20 }, () => client.send("GET", "/")));
    const bad = answers.filter(({ status }) => status !== 200 && status !== 503);
    if (bad.length > 0) throw new Error(`${bad.length} pages answered ${bad[0]!.status}`);
    return `${answers.filter(({ status }) => status === 200).length} of 20 pages at once; open after ${(await untilFine("open", opens)).toFixed(1)} s`;
  });
  for (const moment of isSmall ? [] : [180, 600])
    await tried("faults", `every connection to the database ended ${moment} ms into an import`, async () => {
      const slug = await newBook(client, site);
      const id = await upload(client, slug, readings, "meter.csv");
      const importing = client.json("POST", `/api/books/${slug}/uploads/${id}/import`, {}).then(
        ({ text }) => lastEvent(text).kind,
        () => "cut off",
      );
      await wait(moment);
      await asked(END_ALL);
      const told = await importing;
      await untilFine("open", opens);
      const after = await stored(slug);
      if (after !== whole && !after.startsWith("0 ")) throw new Error(`neither whole nor absent: ${after}`);
      if (told === "done" && after !== whole) throw new Error("said to be done, and is not there");
      await bring(client, slug, readings, "meter.csv");
      if ((await stored(slug)) !== whole) throw new Error("repeated, other values stand");
      await client.send("DELETE", `/api/books/${slug}`);
      return `import ${after === whole ? "whole" : "absent"}, told “${told}”; repeated whole`;
    });
}

/** Kept pages hang on being told of changes: while nobody tells, none may be shown that has gone stale. */
async function changesUntold({ client, asked, untilFine, site }: Ground): Promise<void> {
  await tried("faults", "the line on which changes are told is cut, and a book is renamed", async () => {
    const slug = await newBook(client, { ...site, name: "Told before" });
    await untilFine("the page", async () => (await client.send("GET", `/books/${slug}/site`)).text.includes("Told before"));
    for (let round = 0; round < 3; round++) {
      await asked("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'dusty-ledger listens'");
      const book = JSON.parse((await client.send("GET", `/api/books/${slug}`)).text) as { version: number; site: object };
      const name = `Told in round ${round}`;
      const saved = await client.json("PUT", `/api/books/${slug}`, { version: book.version, site: { ...book.site, name } });
      if (saved.status !== 200) throw new Error(`not saved: ${saved.status} ${saved.text.slice(0, 200)}`);
      await untilFine("the new name", async () => (await client.send("GET", `/books/${slug}/site`)).text.includes(name), SEEN_WITHIN_MS);
    }
    await client.send("DELETE", `/api/books/${slug}`);
    return "three times, the page showed the new name at once";
  });
}

async function heldBook({ house, client, site }: Ground): Promise<void> {
  await tried("faults", "a book that somebody else holds in the database is saved", async () => {
    const slug = await newBook(client, site);
    const book = JSON.parse((await client.send("GET", `/api/books/${slug}`)).text) as { version: number; site: object };
    const holder = new pg.Client({ connectionString: house.cluster.adminUrl.replace(/\/postgres$/, "/dusty_ledger") });
    await holder.connect();
    try {
      await holder.query("begin");
      await holder.query("select 1 from books where slug = $1 for update", [slug]);
      const body = { version: book.version, site: { ...book.site, name: "Held" } };
      const held = await client.json("PUT", `/api/books/${slug}`, body);
      if (held.status !== 503 || held.ms > TOLD_WITHIN_MS) throw new Error(`${held.status} after ${(held.ms / 1000).toFixed(1)} s`);
      const other = await client.send("GET", "/");
      if (other.status !== 200) throw new Error(`the shelf answered ${other.status}`);
      await holder.query("rollback");
      const after = await client.json("PUT", `/api/books/${slug}`, body);
      if (after.status !== 200) throw new Error(`let go, still ${after.status}`);
      const { message } = worded(held.text);
      return `told after ${(held.ms / 1000).toFixed(0)} s: ${message} Let go, it is saved`;
    } finally {
      await holder.end();
      await client.send("DELETE", `/api/books/${slug}`);
    }
  });
}

async function connectionsUsedUp({ house, client, asked, untilFine, opens }: Ground): Promise<void> {
  await tried("faults", "no connection to the database is left", async () => {
    const takers: pg.Client[] = [];
    try {
      await asked(END_ALL);
      for (;;) {
        const taker = new pg.Client({ connectionString: house.cluster.migratorUrl });
        taker.on("error", () => {});
        const taken = await taker.connect().then(
          () => true,
          () => false,
        );
        if (!taken) break;
        takers.push(taker);
      }
      await asked(END_ALL);
      const answers = await Promise.all(Array.from({ length: 10 }, (_, k) => client.send("GET", `/api/books/none-${k}`).catch(() => null)));
      const bad = answers.filter((answer) => answer === null || answer.status === 500);
      if (bad.length > 0) throw new Error(`${bad.length} of 10 not told`);
    } finally {
      await Promise.all(takers.map((taker) => taker.end()));
    }
    return `${takers.length} taken by others: each request was told; open ${(await untilFine("open", opens)).toFixed(1)} s after`;
  });
}

async function clientGone({ house, client, untilFine, site, readings, stored, whole }: Ground): Promise<void> {
  const uploads = path.join(house.env.DUSTY_LEDGER_VAR!, "uploads");
  await tried("faults", "whoever uploads goes away in the middle", async () => {
    const slug = await newBook(client, site);
    const before = filesIn(uploads);
    const { hostname, port, host } = new URL(client.address);
    const line = connect(Number(port), hostname);
    await new Promise((resolve) => line.once("connect", resolve));
    line.write(
      `POST /api/books/${slug}/uploads?name=meter.csv HTTP/1.1\r\nHost: ${host}\r\nOrigin: ${client.address}\r\nContent-Type: application/octet-stream\r\nContent-Length: ${readings.length}\r\n\r\n`,
    );
    line.write(readings.slice(0, readings.length / 2));
    await untilFine("the upload has begun", async () => filesIn(uploads) > before, 5000);
    line.destroy();
    await untilFine("nothing is left", async () => filesIn(uploads) === before, 10_000);
    await client.send("DELETE", `/api/books/${slug}`);
    return "nothing is left of it";
  });
  await tried("faults", "whoever imports goes away in the middle", async () => {
    const slug = await newBook(client, site);
    const id = await upload(client, slug, readings, "meter.csv");
    const away = new AbortController();
    const importing = fetch(`${client.address}/api/books/${slug}/uploads/${id}/import`, {
      method: "POST",
      body: "{}",
      headers: { origin: client.address, "content-type": "application/json" },
      signal: away.signal,
    }).then((answer) => answer.text());
    importing.catch(() => {});
    await wait(250);
    away.abort();
    await wait(4000);
    const after = await stored(slug);
    if (after !== whole && !after.startsWith("0 ")) throw new Error(`neither whole nor absent: ${after}`);
    await bring(client, slug, readings, "meter.csv");
    if ((await stored(slug)) !== whole) throw new Error("repeated, other values stand");
    await client.send("DELETE", `/api/books/${slug}`);
    return `import ${after === whole ? "whole" : "absent"}; repeated whole`;
  });
}

const worded = (text: string): { message: string } => (JSON.parse(text) as { error: { message: string } }).error;

const filesIn = (folder: string): number => {
  try {
    return readdirSync(folder).length;
  } catch {
    return 0;
  }
};

async function folderOfUploads({ house, client, site }: Ground): Promise<void> {
  const uploads = path.join(house.env.DUSTY_LEDGER_VAR!, "uploads");
  const send = (slug: string) =>
    client.send("POST", `/api/books/${slug}/uploads?name=a.csv`, "time,energy_kwh\n", { "content-type": "application/octet-stream" });
  await tried("faults", "the folder of the uploads is gone", async () => {
    const slug = await newBook(client, site);
    rmSync(uploads, { recursive: true, force: true });
    const { status } = await send(slug);
    if (status !== 201) throw new Error(`the next upload: ${status}`);
    await client.send("DELETE", `/api/books/${slug}`);
    return "it is made again for the next upload";
  });
  await tried("faults", "nobody may write to the folder of the uploads", async () => {
    const slug = await newBook(client, site);
    // Who runs as root, as in a container, is stopped by what is no folder alone.
    const aside = `${uploads}-aside`;
    mkdirSync(uploads, { recursive: true });
    renameSync(uploads, aside);
    mkdirSync(uploads, { mode: 0o555 });
    chmodSync(uploads, 0o555);
    try {
      const refused = await send(slug);
      if (refused.status === 500 || refused.status === 201) throw new Error(`answered ${refused.status} ${refused.text.slice(0, 200)}`);
      const { message } = worded(refused.text);
      const page = await client.send("GET", `/books/${slug}/readings`);
      if (page.status !== 200) throw new Error(`the page answered ${page.status}`);
      rmSync(uploads, { recursive: true });
      renameSync(aside, uploads);
      const { status } = await send(slug);
      if (status !== 201) throw new Error(`put right, the next upload: ${status}`);
      return `told: ${message}`;
    } finally {
      rmSync(uploads, { recursive: true, force: true });
      rmSync(aside, { recursive: true, force: true });
      await client.send("DELETE", `/api/books/${slug}`);
    }
  });
}

/** A process that is stopped, as a machine asleep has it, and goes on. */
async function asleep({ house, client, untilFine, opens, site, readings, stored, whole }: Ground): Promise<void> {
  const sleepers = { server: () => house.site.pid(), database: () => house.cluster.pid() };
  for (const [name, pid] of Object.entries(sleepers))
    await tried("faults", `${name} asleep for 20 s in the middle of an import`, async () => {
      const slug = await newBook(client, site);
      const id = await upload(client, slug, readings, "meter.csv");
      const importing = fetch(`${client.address}/api/books/${slug}/uploads/${id}/import`, {
        method: "POST",
        body: "{}",
        headers: { origin: client.address, "content-type": "application/json" },
      }).then(
        async (answer) => lastEvent(await answer.text()).kind,
        () => "cut off",
      );
      await wait(250);
      process.kill(pid(), "SIGSTOP");
      await wait(20_000);
      process.kill(pid(), "SIGCONT");
      const told = await importing;
      await untilFine("open", opens);
      const after = await stored(slug);
      if (after !== whole && !after.startsWith("0 ")) throw new Error(`neither whole nor absent: ${after}`);
      if (told === "done" && after !== whole) throw new Error("said to be done, and is not there");
      await client.send("DELETE", `/api/books/${slug}`);
      return `import ${after === whole ? "whole" : "absent"}, told “${told}”`;
    });
}

/** Several killed at once, as a machine that runs out of memory does it. */
async function together({ house, client, asked, untilFine, opens, site }: Ground): Promise<void> {
  const ready = async (): Promise<boolean> => (await client.send("GET", "/readyz")).status === 200;
  await tried("faults", "server, database and worker killed at once", async () => {
    const slug = await newBook(client, site);
    house.site.kill();
    house.cluster.kill();
    house.worker!.kill();
    await wait(50);
    const opened = await untilFine("open", opens);
    const readied = await untilFine("ready", ready);
    const there = await client.send("GET", `/api/books/${slug}`);
    if (there.status !== 200) throw new Error(`the last book made: ${there.status}`);
    await client.send("DELETE", `/api/books/${slug}`);
    return `a page after ${opened.toFixed(1)} s, all ready after ${readied.toFixed(1)} s more, the last book is there`;
  });
  await tried("faults", "the worker killed five times in a row", async () => {
    const before = house.worker!.starts();
    for (let k = 0; k < 5; k++) {
      house.worker!.kill();
      await wait(300);
    }
    await untilFine("a new worker", async () => house.worker!.starts() > before && process.kill(house.worker!.pid(), 0));
    return `${house.worker!.starts() - before} new ones; all ready after ${(await untilFine("ready", ready)).toFixed(1)} s`;
  });
  await tried("faults", "the server killed while one book is made six times over", async () => {
    const key = crypto.randomUUID();
    const make = () =>
      client
        .send("POST", "/api/books", JSON.stringify({ ...site, name: "Made once" }), {
          "content-type": "application/json",
          "idempotency-key": key,
        })
        .then(
          ({ status }) => status,
          () => 0,
        );
    const first = Promise.all([make(), make(), make()]);
    await wait(15);
    house.site.kill();
    await first;
    await untilFine("open", opens);
    await Promise.all([make(), make(), make()]);
    const books = await asked<{ slug: string }>("select slug from books where client_id = $1", [key]);
    if (books.length !== 1) throw new Error(`${books.length} books stand`);
    await client.send("DELETE", `/api/books/${books[0]!.slug}`);
    return "one book stands";
  });
}
