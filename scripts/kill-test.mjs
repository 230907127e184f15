import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { setTimeout as wait } from "node:timers/promises";
import { ensureBuild } from "./lib/build.mjs";
import { ensurePrograms, program } from "./lib/bundle.mjs";
import { startKillableCluster } from "./lib/cluster.mjs";
import { startWorker } from "./lib/helpers.mjs";
import { checkNode, ensurePackages } from "./lib/install.mjs";
import { inProject, must } from "./lib/run.mjs";
import { serve } from "./lib/serve.mjs";

/**
 * Kills the server, the worker and PostgreSQL in the middle of imports, again and again: after each restart the import is whole or absent, and when it
 * is repeated the same values stand. Run by hand or at night: npm run kill-test -- 20
 */
const ROUNDS = Number(process.argv[2] ?? 20);
const ROWS = 200_000;

process.on("uncaughtException", (error) => {
  console.error(error.message);
  stopAll().finally(() => process.exit(1));
});

checkNode();
await ensurePackages();
const cluster = await startKillableCluster();
const env = { ...process.env, DATABASE_URL: cluster.url, LOG_LEVEL: "error", DUSTY_LEDGER_VAR: inProject("test-results", "kill-var") };
await ensureBuild(env);
await ensurePrograms();
await must(process.execPath, [program("prepare")], { env });
let site = await serve({ env, firstPort: 3600, quiet: true });
let worker = startWorker(env);

const start = Date.UTC(2012, 0, 1);
const csv = `time,energy_kwh\n${Array.from({ length: ROWS }, (_, k) => `${new Date(start + k * 300_000).toISOString().slice(0, 16)}Z,${(k % 97) / 100}`).join("\n")}\n`;
const document = readFileSync(inProject("test", "fixtures", "plants", "dry-roof", "dry-roof.site.json"), "utf8");

const post = (route, body, type = "application/json") =>
  fetch(site.address + route, { method: "POST", body, headers: { "content-type": type } });
const sql = (command) => execFileSync("psql", ["-At", cluster.url, "-c", command], { encoding: "utf8" }).trim();
const stored = (slug) =>
  sql(`select count(*) || ' ' || coalesce(md5(string_agg(encode(p.readings, 'hex'), '' order by p.utc_day)), '')
       from day_pages p join series s on s.id = p.series_id join books b on b.id = s.book_id where b.slug = '${slug}'`);
const batches = (slug) => Number(sql(`select count(*) from import_batches i join books b on b.id = i.book_id where b.slug = '${slug}'`));

async function newBook() {
  const made = await post("/api/books", document);
  if (!made.ok) throw new Error(`no book: ${await made.text()}`);
  return (await made.json()).slug;
}

/** Uploads, and imports to the end; resolves with the last event. A server that has just come up may still find its database recovering. */
async function upload(slug) {
  for (let tries = 0; ; tries++) {
    const answer = await post(`/api/books/${slug}/uploads?name=meter.csv`, csv, "application/octet-stream");
    if (answer.ok) return (await answer.json()).uploadId;
    if (tries >= 20) throw new Error(`upload refused: ${await answer.text()}`);
    await wait(500);
  }
}

async function bring(slug) {
  const id = await upload(slug);
  const answer = await post(`/api/books/${slug}/uploads/${id}/import`, JSON.stringify({}));
  const last = JSON.parse((await answer.text()).trim().split("\n").at(-1));
  if (last.kind === "refused" && last.problems.some(({ code }) => code === "already-imported")) return "already there";
  if (last.kind === "done" || last.kind === "nothing-new") return last.kind;
  throw new Error(`import refused: ${JSON.stringify(last).slice(0, 600)}`);
}

async function stopAll() {
  await worker.stop().catch(() => {});
  await site.stop().catch(() => {});
  await cluster.stop().catch(() => {});
}

async function revive(victim) {
  if (victim === "PostgreSQL") await cluster.restart();
  if (victim !== "worker") {
    await site.stop().catch(() => {});
    site = await serve({ env, firstPort: 3600, quiet: true });
  }
  if (victim === "worker") worker = startWorker(env);
}

const whole = await (async () => {
  const slug = await newBook();
  if ((await bring(slug)) !== "done") throw new Error("the undisturbed import failed");
  return stored(slug);
})();

const tally = { whole: 0, absent: 0 };
const victims = ["server", "PostgreSQL", "worker"];
for (let round = 0; round < ROUNDS; round++) {
  const victim = victims[round % victims.length];
  const slug = await newBook();
  const id = await upload(slug);
  const importing = post(`/api/books/${slug}/uploads/${id}/import`, JSON.stringify({}))
    .then((answer) => answer.text())
    .catch(() => "cut off");
  await wait(60 + ((round * 137) % 900));
  if (victim === "server") site.kill();
  else if (victim === "PostgreSQL") cluster.kill();
  else worker.child.kill("SIGKILL");
  const ended = await Promise.race([importing.then(() => true), wait(30_000).then(() => false)]);
  if (!ended) throw new Error(`round ${round + 1}: ${victim} killed, and the request hangs\n${site.log().slice(-1500)}`);
  await revive(victim);
  const after = stored(slug);
  const count = batches(slug);
  if (after !== whole && !(after === "0" && count === 0))
    throw new Error(`round ${round + 1}: ${victim} killed, and the import is neither whole nor absent: ${after}, ${count} batches`);
  if (after === whole) tally.whole++;
  else tally.absent++;
  const again = await bring(slug);
  if (stored(slug) !== whole) throw new Error(`round ${round + 1}: repeated after ${victim} was killed (${again}), other values stand`);
  console.log(`round ${round + 1}: ${victim} killed, import ${after === whole ? "whole" : "absent"}, repeated: the same values`);
}
console.log(`${ROUNDS} kills: ${tally.whole} imports whole, ${tally.absent} absent; each repeated to the same values.`);
await stopAll();
process.exit(0);
