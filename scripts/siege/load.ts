import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { bring, type Client, newBook } from "./client";
import { row } from "./report";
import { percentile, type Watch } from "./watch";

const PLANT = new URL("../../test/fixtures/plants/dry-roof/", import.meta.url);
const CLIENTS = 10;
const SECONDS = 12;
const BOOKS = 500;

/** A book with five years of hours, its figures and causes at hand. */
export async function bookWithData(client: Client): Promise<string> {
  const slug = await newBook(client, JSON.parse(readFileSync(new URL("dry-roof.site.json", PLANT), "utf8")));
  for (const name of ["weather.csv.gz", "production.csv.gz"]) {
    const end = await bring(client, slug, readFileSync(new URL(name, PLANT)), name);
    if (end.kind !== "done") throw new Error(`${name}: ${JSON.stringify(end).slice(0, 300)}`);
  }
  for (let tries = 0; tries < 240; tries++) {
    const answer = await client.send("GET", `/api/books/${slug}/causes`);
    if ((JSON.parse(answer.text) as { isCurrent?: boolean }).isCurrent) return slug;
    await wait(250);
  }
  throw new Error("causes were not sought within a minute");
}

interface Rate {
  readonly aSecond: number;
  readonly p99Ms: number;
  readonly bad: number;
}

/** Asks for a page from so many clients at once, again and again. */
async function rateOf(client: Client, route: string): Promise<Rate> {
  const times: number[] = [];
  let bad = 0;
  await client.send("GET", route);
  const end = performance.now() + SECONDS * 1000;
  const one = async (): Promise<void> => {
    while (performance.now() < end) {
      const answer = await client.send("GET", route).catch(() => null);
      if (answer?.status === 200) times.push(answer.ms);
      else bad++;
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, one));
  return { aSecond: times.length / SECONDS, p99Ms: percentile(times, 0.99), bad };
}

function rated(what: string, rate: Rate, least: number, mostMs: number, health: { p99Ms: number; failed: number }): void {
  const holds = rate.aSecond >= least && rate.p99Ms < mostMs && rate.bad === 0;
  row(
    "load",
    `${what}: ${least} a second at ${CLIENTS} clients, p99 under ${mostMs} ms`,
    1,
    holds ? 1 : 0,
    `${rate.aSecond.toFixed(0)} a second, p99 ${Math.round(rate.p99Ms)} ms, ${rate.bad} bad; /healthz p99 ${Math.round(health.p99Ms)} ms`,
  );
}

/** Many clients at once, and a shelf of 500 books. */
export async function load(client: Client, watch: Watch): Promise<void> {
  const slug = await bookWithData(client);
  const ledger = await watch.during(() => rateOf(client, `/books/${slug}/ledger`));
  rated("ledger page", ledger.result, 40, 800, ledger);
  await thousand(client, watch, `/books/${slug}/ledger`);
  await fillShelf(client);
  const shelf = await watch.during(() => rateOf(client, "/"));
  rated(`shelf of ${BOOKS} books`, shelf.result, 50, 500, shelf);
  await thousand(client, watch, "/");
}

async function thousand(client: Client, watch: Watch, route: string): Promise<void> {
  const count = 1000;
  const { result, p99Ms, failed } = await watch.during(() =>
    Promise.all(Array.from({ length: count }, () => client.send("GET", route).catch(() => null))),
  );
  const fine = result.filter(
    (answer) => answer !== null && ((answer.status === 200 && answer.ms < 10_000) || (answer.status === 503 && answer.retryAfter !== null)),
  );
  const served = result.filter((answer) => answer?.status === 200).length;
  const slowest = Math.max(...result.map((answer) => answer?.ms ?? 0));
  row(
    "load",
    `${count} requests of ${route.startsWith("/books") ? "the ledger" : "the shelf"} at once`,
    count,
    fine.length,
    `${served} served, ${fine.length - served} asked to come back; the slowest ${(slowest / 1000).toFixed(1)} s; /healthz p99 ${Math.round(p99Ms)} ms, ${failed} failed`,
  );
}

async function fillShelf(client: Client): Promise<void> {
  const document = JSON.parse(readFileSync(new URL("dry-roof.site.json", PLANT), "utf8")) as { name: string };
  const names = Array.from({ length: BOOKS }, (_, k) => `Shelf book ${k + 1}`);
  while (names.length > 0) await Promise.all(names.splice(0, 5).map((name) => newBook(client, { ...document, name })));
}
