import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import type { House } from "../lib/house.mjs";
import { bring, type Client, newBook } from "./client";
import { row } from "./report";
import type { Watch } from "./watch";

const YEARS = 30;
const STEP_MS = 300_000;
const FIRST = Date.UTC(1995, 0, 1);
const MOST_MB = 700;
const MOST_STALL_MS = 100;

const SITE = JSON.parse(readFileSync(new URL("../../test/fixtures/plants/dry-roof/dry-roof.site.json", import.meta.url), "utf8")) as Record<
  string,
  unknown
>;

/** Years of five-minute readings: a sun that rises and sets, and a plant that follows it. */
function table(years: number, header: string, line: (sun: number, at: number) => string): Buffer {
  const count = (years * 365.25 * 86_400_000) / STEP_MS;
  const parts: string[] = [`${header}\n`];
  for (let k = 0; k < count; k++) {
    const utcMs = FIRST + k * STEP_MS;
    const sun = sineOfSun(utcMs) * (0.7 + 0.3 * Math.sin(k / 700));
    parts.push(`${new Date(utcMs).toISOString().slice(0, 16)}Z,${line(sun, k)}\n`);
  }
  return Buffer.from(parts.join(""));
}

const RADIANS = Math.PI / 180;
const LATITUDE = 37.2 * RADIANS;

/** Sine of the sun's height near the plant, roughly; 0 at night. */
function sineOfSun(utcMs: number): number {
  const day = (utcMs / 86_400_000) % 365.25;
  const declination = 23.45 * RADIANS * Math.sin((2 * Math.PI * (284 + day)) / 365.25);
  const hour = ((utcMs % 86_400_000) / 3_600_000 - 12.2) * 15 * RADIANS;
  return Math.max(0, Math.sin(LATITUDE) * Math.sin(declination) + Math.cos(LATITUDE) * Math.cos(declination) * Math.cos(hour));
}

/** Memory of a process; none where it has ended. */
function memoryMb(pid: number): number {
  try {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;
  } catch {
    return 0;
  }
}

/** The most memory that a process has had. */
export const mostMemoryMb = (pid: number): number =>
  Math.round(Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024);

const PAGES = ["ledger", "yield", "money", "ageing", "readings", "readings?view=findings", "readings?view=record"];

type Files = Readonly<Record<string, Buffer>>;

const filesOf = (years: number): Files => ({
  "weather.csv": table(
    years,
    "time,ghi_w_m2,air_temperature_c,wind_speed_m_s",
    (sun, k) => `${Math.round(sun * 950)},${(12 + 10 * Math.sin(k / 16_000)).toFixed(1)},2.5`,
  ),
  "production.csv": table(years, "time,energy_kwh", (sun) => (sun * 1.1).toFixed(3)),
});

/** Brings readings into a new book and opens every page that shows them; its address. */
async function open(client: Client, files: Files, name: string, tell: (step: string) => void): Promise<string> {
  const slug = await newBook(client, { ...SITE, commissioned: "1995-01-01", name });
  for (const [file, bytes] of Object.entries(files)) {
    const end = await bring(client, slug, bytes, file, { zone: "UTC" });
    tell(file);
    if (end.kind !== "done") throw new Error(`${file}: ${JSON.stringify(end).slice(0, 400)}`);
  }
  for (const page of PAGES)
    for (let tries = 0; tries < 60; tries++) {
      const answer = await client.send("GET", `/books/${slug}/${page}`);
      if (answer.status !== 200) throw new Error(`${page}: ${answer.status}`);
      tell(page);
      if (!answer.text.includes("data-fleeting")) break;
      await wait(1000);
    }
  return slug;
}

/** Brings thirty years of five-minute readings and opens their pages: the server stays within its memory, and answers meanwhile. */
export async function memory(house: House, client: Client, watch: Watch): Promise<void> {
  // The first showing of each kind of page after a start loads its program, whatever the book: that is no matter of the record's length.
  const [short, long] = [filesOf(0.1), filesOf(YEARS)];
  // Connections that were kept meanwhile are closed by now: none is to be closed as it is used.
  await wait(6000);
  const small = await open(client, short, "One month", () => {});
  await client.send("DELETE", `/api/books/${small}`);
  let most = 0;
  let isOn = true;
  const tell = (step: string): void => {
    if (process.env.SIEGE_TELLS) console.log(`  ${step}: ${Math.round(memoryMb(house.site.pid()))} MB now, ${Math.round(most)} MB at most`);
  };
  tell("before");
  const looking = (async () => {
    while (isOn) {
      most = Math.max(most, memoryMb(house.site.pid()));
      await wait(50);
    }
  })();
  const { result: slug, p99Ms, worstMs, failed } = await watch.during(() => open(client, long, "Thirty years", tell));
  isOn = false;
  await looking;
  if (house.site.starts() > 1) console.log(house.site.log().slice(-4000));
  row(
    "memory",
    `${YEARS} years of five-minute readings brought in and looked at: server under ${MOST_MB} MB`,
    1,
    most < MOST_MB ? 1 : 0,
    `at most ${Math.round(most)} MB`,
  );
  row(
    "memory",
    `no stall over ${MOST_STALL_MS} ms meanwhile`,
    1,
    worstMs < MOST_STALL_MS && failed === 0 ? 1 : 0,
    `/healthz p99 ${Math.round(p99Ms)} ms, worst ${Math.round(worstMs)} ms`,
  );
  await client.send("DELETE", `/api/books/${slug}`);
}
