import { readdirSync, readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import type { Client } from "./client";
import { lastEvent, newBook, upload } from "./client";
import { hostileFiles } from "./hostile-files";
import { row } from "./report";
import type { Watch } from "./watch";

const PLANT = new URL("../../test/fixtures/plants/dry-roof/", import.meta.url);
const NASTY = new URL("../../test/fixtures/readings/", import.meta.url);

/** What is given up only after a minute, or read to its end for a quarter of one: left to the whole siege. */
const LONG_ONES = ["many-tags-sheet.xlsx", "many-tags.xml"];

/** Uploads hostile files and has each read: every one ends with words, and nobody else notices. */
export async function files(client: Client, watch: Watch, isSmall: boolean): Promise<void> {
  const slug = await newBook(client, JSON.parse(readFileSync(new URL("dry-roof.site.json", PLANT), "utf8")));
  const all: Record<string, Uint8Array> = { ...hostileFiles() };
  for (const name of isSmall ? [] : readdirSync(NASTY)) all[`nasty ${name}`] = readFileSync(new URL(name, NASTY));
  if (isSmall) for (const name of LONG_ONES) delete all[name];
  // What takes long to make is made before anybody is asked, and connections that were kept have closed by then.
  await wait(6000);
  const bad: string[] = [];
  const slow: string[] = [];
  const { p99Ms, worstMs, failed } = await watch.during(async () => {
    for (const [name, bytes] of Object.entries(all)) {
      const started = performance.now();
      const end = await readOne(client, slug, name.replace("nasty ", ""), bytes).catch((error: unknown) => `lost: ${String(error)}`);
      const seconds = (performance.now() - started) / 1000;
      if (seconds > 5) slow.push(`${name} ${seconds.toFixed(0)} s: ${end}`);
      if (end.startsWith("lost")) bad.push(`${name}: ${end}`);
      if (process.env.SIEGE_TELLS) console.log(`  ${name}: ${end}, ${seconds.toFixed(1)} s`);
    }
  });
  for (const line of [...bad, ...slow]) console.log(`  ${line}`);
  const count = Object.keys(all).length;
  row(
    "files",
    "hostile and broken files, uploaded and read",
    count,
    count - bad.length,
    `each refused or previewed with words; ${slow.length} took over 5 s`,
  );
  row(
    "health",
    "/healthz while files are read",
    1,
    failed === 0 && p99Ms < 100 ? 1 : 0,
    `p99 ${Math.round(p99Ms)} ms, worst ${Math.round(worstMs)} ms`,
  );
}

/** How the reading of a file ended, by its kind and the first problem. */
async function readOne(client: Client, slug: string, name: string, bytes: Uint8Array): Promise<string> {
  const id = await upload(client, slug, bytes, name);
  const answer = await fetch(`${client.address}/api/books/${slug}/uploads/${id}/preview`, {
    method: "POST",
    body: "{}",
    headers: { origin: client.address, "content-type": "application/json" },
    signal: AbortSignal.timeout(90_000),
  });
  const text = await answer.text();
  if (!answer.ok) return `lost with ${answer.status}`;
  const last = lastEvent(text);
  if (last.kind === "refused") {
    const told = String((last as { message?: unknown }).message);
    return (last as { code?: string }).code === "our-fault" || told.includes("fault of ours") ? `lost: ${told}` : `refused: ${told}`;
  }
  if (last.kind !== "preview") return `lost in ${last.kind}`;
  const { problems } = last.preview as { problems: { code: string }[] };
  return `previewed: ${problems[0]?.code ?? "no problem"}`;
}
