import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { text } from "node:stream/consumers";
import { DAY_MS } from "@/core/units";
import { LivePlant } from "./live";
import type { LiveColumn } from "./live-column";
import { faultsOf, type Switches, switchesSchema } from "./switches";

/** Rows of one answer at most: a month of quarters of an hour, so that a first pull is many small ones. */
const MOST_ROWS = 3000;
const MINUTE = 60_000;

type Answer = (since: number, now: number) => { type: string; body: string };

const iso = (utcMs: number): string => `${new Date(utcMs).toISOString().slice(0, 19)}Z`;

/** Indices of a column after an instant, up to now, at most so many. */
function rowsAfter({ startUtcMs, stepMinutes, values }: LiveColumn, since: number, now: number): number[] {
  const stepMs = stepMinutes * MINUTE;
  const first = Math.max(0, Math.floor((since - startUtcMs) / stepMs) + 1);
  const end = Math.min(values.length, Math.floor((now - startUtcMs) / stepMs), first + MOST_ROWS);
  return Array.from({ length: Math.max(0, end - first) }, (_, k) => first + k);
}

const timeOf = ({ startUtcMs, stepMinutes }: LiveColumn, i: number): number => startUtcMs + i * stepMinutes * MINUTE;

let switches: Switches = switchesSchema.parse({});
let restarted = 0;

/** A weather station that answers JSON. */
const weather =
  (plant: LivePlant): Answer =>
  (since, now) => {
    const columns = plant.at(now).weather;
    const rows = rowsAfter(columns[0]!, since, now).map((i) => ({
      at: iso(timeOf(columns[0]!, i)),
      ...Object.fromEntries(columns.map(({ quantity, values }) => [quantity, Number.isNaN(values[i]) ? null : values[i]])),
    }));
    return { type: "application/json", body: JSON.stringify({ station: { name: `${plant.site.name} mast` }, data: { rows } }) };
  };

/** A logger in an inverter that writes a foreign CSV: kW, semicolons, its own words; it can be made to misbehave. */
const logger =
  (plant: LivePlant): Answer =>
  (since, now) => {
    const column = plant.production(now, faultsOf(switches, now));
    const lines = rowsAfter(column, since, now)
      .filter((i) => !Number.isNaN(column.values[i]))
      .map((i) => `${iso(timeOf(column, i))};${((column.values[i]! * 60) / column.stepMinutes).toFixed(3)};OK`);
    return { type: "text/csv", body: ["Timestamp;Power AC [kW];State", ...lines, ""].join("\n") };
  };

/** A utility meter that answers with its counter; a restart loses the count. */
const meter =
  (plant: LivePlant): Answer =>
  (since, now) => {
    const column = plant.at(now).production;
    const counter = new Float64Array(column.values.length);
    let sum = 4_812;
    for (let i = 0; i < counter.length; i++) {
      counter[i] = sum;
      sum += Number.isNaN(column.values[i]) ? 0 : column.values[i]!;
    }
    const readings = rowsAfter(column, since, now).map((i) => ({
      read_at: iso(timeOf(column, i)),
      total_kwh: Math.round(counter[i]! * 1000) / 1000,
    }));
    return { type: "application/json", body: JSON.stringify({ meter: "M-17", readings }) };
  };

const KINDS = {
  weather: { path: "/weather.json", book: "Packing shed", answer: weather },
  logger: { path: "/power.csv", book: "Packing shed", answer: logger },
  meter: { path: "/readings.json", book: "Ferry office", answer: meter },
} as const;

const reply = (response: ServerResponse, status: number, type: string, body: string): void => {
  response.writeHead(status, { "content-type": type, "cache-control": "no-store" }).end(body);
};

async function handle(request: IncomingMessage, response: ServerResponse, path: string, answer: Answer): Promise<void> {
  const url = new URL(request.url ?? "/", "http://127.0.0.1");
  if (url.pathname === "/switches" && request.method === "POST") {
    const asked = switchesSchema.safeParse(JSON.parse((await text(request)) || "{}"));
    if (!asked.success) return reply(response, 400, "text/plain", asked.error.message);
    switches = asked.data;
    restarted = switches.restarts ? 2 : 0;
    return reply(response, 200, "application/json", JSON.stringify(switches));
  }
  if (url.pathname === "/switches") return reply(response, 200, "application/json", JSON.stringify(switches));
  if (url.pathname !== path) return reply(response, 404, "text/plain", `There is nothing at ${url.pathname}; readings are at ${path}.`);
  // A device that restarts is away for a moment, and comes back as if nothing had been.
  if (switches.restarts && restarted > 0) {
    restarted--;
    return reply(response, 503, "text/plain", "starting");
  }
  if (switches.restarts) restarted = 2;
  const since = Date.parse(url.searchParams.get("since") ?? "");
  const now = Date.now();
  const { type, body } = answer(Number.isNaN(since) ? now - 31 * DAY_MS : since, now);
  reply(response, 200, type, body);
}

const [kind = "", port = "0"] = process.argv.slice(2);
const chosen = KINDS[kind as keyof typeof KINDS];
if (!chosen) throw new Error(`Name a simulator: ${Object.keys(KINDS).join(", ")}`);
// Made when somebody asks: listening comes first.
let made: Answer | null = null;
const answer: Answer = (since, now) => {
  made ??= chosen.answer(new LivePlant(chosen.book));
  return made(since, now);
};
const server = createServer((request, response) => {
  handle(request, response, chosen.path, answer).catch((error: unknown) => reply(response, 500, "text/plain", String(error)));
});
server.listen(Number(port), "127.0.0.1", () => {
  const { port: bound } = server.address() as AddressInfo;
  process.send?.({ kind: "listening", port: bound });
  process.stdout.write(`simulated ${kind} at http://127.0.0.1:${bound}${chosen.path}\n`);
});
for (const signal of ["SIGINT", "SIGTERM", "disconnect"] as const) process.on(signal, () => process.exit(0));
