import { readFileSync } from "node:fs";
import fc from "fast-check";
import pg from "pg";
import { billSchema } from "../../src/contracts/bills";
import { type Answer, bring, type Client, newBook } from "./client";
import { row } from "./report";

/** Longer than anybody waits for a refusal. A machine that stands still for a moment delays one request; a slow way delays it again. */
const HANG_MS = 2000;
const PLANT = new URL("../../test/fixtures/plants/dry-roof/", import.meta.url);

/** Values that broke something somewhere once, or might. */
const NASTY: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  -1e308,
  1e-320,
  2 ** 53,
  99999999999,
  1.5,
  "",
  " ",
  "NaN",
  "Infinity",
  "null",
  "0x10",
  "1e9",
  "١٢",
  "a\u0000b",
  "\ud800",
  "\u202e",
  "constructor",
  "__proto__",
  "toString",
  "hasOwnProperty",
  "2023-02-31",
  "0000-01-01",
  "0001-01-01",
  "9999-12-31",
  "10000-01-01",
  "-271821-04-20",
  "2023-13-01",
  "2023-06-01T25:00",
  "'; drop table books; --",
  "<script>alert(1)</script>",
  "../../etc/passwd",
  "%ff",
  "x".repeat(5000),
  "😀".repeat(300),
  [],
  {},
  [[]],
  [null],
  { __proto__: null },
  JSON.parse('{"__proto__": 1}') as unknown,
  { constructor: 1 },
  Array.from({ length: 20_000 }, () => 1),
  deep(60),
];

function deep(levels: number): unknown {
  let value: unknown = 1;
  for (let k = 0; k < levels; k++) value = [value];
  return value;
}

type Path = readonly (string | number)[];

const pathsOf = (value: unknown, at: Path = []): Path[] =>
  typeof value === "object" && value !== null
    ? [at, ...Object.entries(value).flatMap(([key, child]) => pathsOf(child, [...at, Array.isArray(value) ? Number(key) : key]))]
    : [at];

/** A document with one of its values put in the place of another. */
function withValue(document: unknown, [first, ...rest]: Path, value: unknown): unknown {
  if (first === undefined) return value;
  const copy = Array.isArray(document) ? [...(document as unknown[])] : { ...(document as object) };
  (copy as Record<string | number, unknown>)[first] = withValue((document as Record<string | number, unknown>)[first], rest, value);
  return copy;
}

/** Good documents gone bad: a value replaced, a field dropped, a field added, a list made long. */
function mutants(document: unknown, count: number, seed: number): unknown[] {
  const paths = pathsOf(document);
  const one = fc.record({
    path: fc.constantFrom(...paths),
    value: fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...NASTY) }, { weight: 1, arbitrary: fc.jsonValue({ maxDepth: 3 }) }),
    also: fc.oneof(
      { weight: 9, arbitrary: fc.constant(null) },
      { weight: 1, arbitrary: fc.constantFrom("__proto__", "constructor", "x", "\u0000") },
    ),
  });
  return fc.sample(one, { numRuns: count, seed }).map(({ path, value, also }) => {
    const bad = withValue(document, path, value);
    return also !== null && typeof bad === "object" && bad !== null && !Array.isArray(bad)
      ? Object.assign(JSON.parse(`{${JSON.stringify(also)}:1}`) as object, bad)
      : bad;
  });
}

const bill = billSchema.parse({
  from: "2024-01-01",
  to: "2024-01-31",
  importKwh: 300,
  importByBandKwh: { peak: 100, night: 200 },
  amount: "60.00",
});

const capacity = { kind: "capacity", from: "2022-06-01", to: "2022-06-30", averageMinutes: 60, leastWm2: 400, targetKw: null };
const guarantee = {
  ...{ kind: "guarantee", of: "performance-ratio", from: "2021-01-01", years: 2, guaranteedFrac: 0.8, damagesPerKwh: "0.10" },
  exclusions: [{ from: "2022-06-01", to: "2022-06-03", why: "network" }],
};

/** Every route that takes a body, with a good one. */
const bodies = (document: { arrays: { id: string }[] }, slug: string) =>
  [
    { method: "POST", route: "/api/books", body: document, share: 4 },
    { method: "PUT", route: `/api/books/${slug}`, body: { version: 1, site: document }, share: 4 },
    {
      method: "PUT",
      route: `/api/books/${slug}/bills`,
      body: { version: 0, bills: [bill, { ...bill, from: "2024-02-01", to: "2024-02-29" }] },
      share: 3,
    },
    {
      method: "POST",
      route: `/api/books/${slug}/entries`,
      body: {
        from: "2023-05-01",
        to: "2023-05-01",
        kind: "cleaning",
        array: "",
        note: "roof",
        value: "",
        meter: "",
        cost: "12.50",
        who: "",
        measured: { vocV: 40.1 },
        apply: false,
      },
      share: 3,
    },
    {
      method: "POST",
      route: `/api/books/${slug}/feeds`,
      body: {
        name: "mast",
        url: "http://127.0.0.1:9/x.json",
        kind: "weather",
        format: "json",
        json: { rows: "data.rows", time: "at", values: [{ field: "ghi", quantity: "ghi_w_m2", factor: 1 }] },
        everyMinutes: 15,
        meterId: null,
        zone: null,
        enabled: false,
      },
      share: 2,
    },
    {
      method: "POST",
      route: `/api/books/${slug}/variants`,
      body: { name: "steeper", whatIf: { arrayId: document.arrays[0]!.id, tiltDeg: 40 } },
      share: 2,
    },
    {
      method: "POST",
      route: `/api/books/${slug}/examination`,
      body: { decisions: [{ findingKey: "x", state: "accepted", remedy: { op: "scale", factor: 2, fromUtcMs: 0, toUtcMs: 1 }, note: "" }] },
      share: 2,
    },
    {
      method: "POST",
      route: `/api/books/${slug}/keeping`,
      body: { action: "move", month: "2023-05", from: "unexplained", to: "soiling", kwh: 5, reason: "seen" },
      share: 2,
    },
    { method: "POST", route: `/api/books/${slug}/tests/figures`, body: capacity, share: 1 },
    {
      method: "POST",
      route: "/api/evidence",
      body: {
        ...{ format: "dusty-ledger/evidence", version: 1, book: "x", madeAt: "2026-01-01", test: {}, site: {} },
        ...{ sources: [], decisions: [], entries: [], trail: [] },
        signature: { algorithm: "Ed25519", publicKey: "AAAA", value: "AAAA" },
      },
      share: 1,
    },
    { method: "POST", route: `/api/books/${slug}/tests`, body: { name: "handover", question: guarantee }, share: 1 },
    { method: "POST", route: `/api/books/${slug}/causes`, body: { action: "cancel" }, share: 1 },
    { method: "POST", route: `/api/books/${slug}/standing`, body: { action: "try-again" }, share: 1 },
    {
      method: "POST",
      route: `/api/books/${slug}/uploads/00000000-0000-4000-8000-000000000000/preview`,
      body: { zone: "UTC", labels: "start", conflicts: "refuse", meterId: null, year: null, mapping: null, answers: { a: "b" } },
      share: 1,
    },
    { method: "PATCH", route: `/api/books/${slug}/batches/1`, body: { undone: true }, share: 1 },
  ] as const;

const ODD_NUMBERS = ["0", "-1", "1.5", "99999999999", "1e9", "NaN", "x", "%00", "%ff", "0x1", "9".repeat(400), "%E2%98%83"];
const ODD_WORDS = [
  "",
  "---",
  "..",
  "%2e%2e",
  "%00",
  "%ff",
  "constructor",
  "__proto__",
  "a".repeat(300),
  "%F0%9F%98%80",
  "'",
  "null",
  "2023-02-31",
  "0000-00-00",
  "9999-12-31",
  "all",
  "12",
  "-1",
  "1e400",
];

function addresses(slug: string): { method: string; route: string }[] {
  const chapters = ["site", "yield", "readings", "ledger", "ageing", "money", "field-book", "bench", "tests"];
  const get = (route: string) => ({ method: "GET", route });
  return [
    ...ODD_WORDS.flatMap((word) => [
      get(`/books/${word}/ledger`),
      get(`/api/books/${word}/ledger`),
      get(`/?from=${word}`),
      get(`/books/${slug}/ledger/${word}`),
      get(`/books/${slug}/ledger/2023-05?day=${word}`),
      get(`/api/books/${slug}/days/${word}`),
      get(`/api/books/${slug}/weather?year=${word}`),
      get(`/api/books/${slug}/trial?a=${word}&b=${word}`),
      get(`/api/books/${slug}/change?on=${word}&meter=${word}&days=${word}`),
      get(`/api/books/${slug}/tilt-calendar?array=${word}&steps=${word}`),
      get(`/api/books/${slug}/photos/${word}`),
      { method: "DELETE", route: `/api/books/${word}` },
      // A client would make of “..” an order to take the whole book away, which is one that is heeded.
      ...(word.includes("..") || word === "%2e%2e" ? [] : [{ method: "DELETE", route: `/api/books/${slug}/uploads/${word}` }]),
      ...chapters.map((chapter) =>
        get(`/books/${slug}/${chapter}?view=${word}&year=${word}&starts=${word}&from=${word}&to=${word}&posting=${word}`),
      ),
    ]),
    ...ODD_NUMBERS.flatMap((number) => [
      { method: "DELETE", route: `/api/books/${slug}/variants/${number}` },
      { method: "DELETE", route: `/api/books/${slug}/tests/${number}` },
      { method: "GET", route: `/api/books/${slug}/tests/${number}` },
      { method: "GET", route: `/api/books/${slug}/tests/${number}/evidence` },
      { method: "DELETE", route: `/api/books/${slug}/entries/${number}` },
      { method: "DELETE", route: `/api/books/${slug}/feeds/${number}` },
      { method: "PATCH", route: `/api/books/${slug}/feeds/${number}` },
    ]),
  ];
}

/** What is stored of a book, in one word: a refused request leaves it as it was. */
async function stateOf(database: pg.Client, slug: string): Promise<string> {
  const { rows } = await database.query<{ state: string }>(
    `select md5(concat(b.site, b.version, b.bills_version,
       (select string_agg(t::text, '') from bills t where t.book_id = b.id), (select string_agg(t::text, '' order by id) from field_entries t where t.book_id = b.id),
       (select string_agg(t::text, '' order by id) from variants t where t.book_id = b.id), (select string_agg(t::text, '' order by id) from feeds t where t.book_id = b.id),
       (select string_agg(t::text, '' order by id) from finding_decisions t where t.book_id = b.id), (select string_agg(t::text, '' order by id) from posting_transfers t where t.book_id = b.id),
       (select string_agg(t::text, '' order by id) from kept_tests t where t.book_id = b.id), (select count(*) from books))) as state from books b where b.slug = $1`,
    [slug],
  );
  return rows[0]?.state ?? "gone";
}

/** Sends bad inputs to every route; returns how many were tried. None may be a fault of ours, hang, or leave half of itself. */
export async function inputs(client: Client, databaseUrl: string, wanted: number, seed: number): Promise<void> {
  const document = JSON.parse(readFileSync(new URL("dry-roof.site.json", PLANT), "utf8")) as {
    arrays: { id: string }[];
  };
  const slug = await newBook(client, document);
  for (const name of ["weather.csv.gz", "production.csv.gz"]) await bring(client, slug, readFileSync(new URL(name, PLANT)), name);
  const database = new pg.Client({ connectionString: databaseUrl });
  await database.connect();
  const found: Record<"unhandled" | "hung" | "half", string[]> = { unhandled: [], hung: [], half: [] };
  const statuses = new Map<string, Record<number, number>>();
  let tried = 0;

  async function one(method: string, route: string, body: string | null, type: string): Promise<Answer | null> {
    tried++;
    const before = await stateOf(database, slug);
    const told = `${method} ${route} ${(body ?? "").slice(0, 160)}`;
    const answer = await client.send(method, route, method === "GET" ? null : body, { "content-type": type }).catch((error: unknown) => {
      found[(error as Error).name === "TimeoutError" ? "hung" : "unhandled"].push(`${told}: ${String(error)}`);
      return null;
    });
    if (!answer) return null;
    const kind = `${method} ${route
      .split("?")[0]!
      .split("/")
      .slice(1, 5)
      .map((part) => (part === slug ? "*" : part.slice(0, 12)))
      .join("/")}`;
    statuses.set(kind, { ...statuses.get(kind), [answer.status]: (statuses.get(kind)?.[answer.status] ?? 0) + 1 });
    if (answer.status >= 500 && answer.retryAfter === null) found.unhandled.push(`${told}: ${answer.status} ${answer.text.slice(0, 200)}`);
    if (answer.ms > HANG_MS) {
      const again = await client.send(method, route, method === "GET" ? null : body, { "content-type": type });
      if (again.ms > HANG_MS) found.hung.push(`${told}: ${Math.round(answer.ms)} ms, then ${Math.round(again.ms)} ms`);
    }
    if (answer.status >= 400 && (await stateOf(database, slug)) !== before) found.half.push(`${told}: ${answer.status}`);
    // A book that was taken after all is put away again.
    if (answer.status === 201 && route === "/api/books")
      await client.send("DELETE", `/api/books/${(JSON.parse(answer.text) as { slug: string }).slug}`);
    return answer;
  }

  /** Sent over the version that stands, so that what is wrong is looked at and not how old it is; nine times of ten. */
  async function atVersion(bad: unknown): Promise<unknown> {
    if (typeof bad !== "object" || bad === null || !("version" in bad) || bad.version !== Number(bad.version)) return bad;
    const { rows } = await database.query<{ version: number; bills_version: number }>(
      "select version, bills_version from books where slug = $1",
      [slug],
    );
    const standing = rows[0];
    return standing && tried % 10 !== 0 ? { ...bad, version: "bills" in bad ? standing.bills_version : standing.version } : bad;
  }

  const all = bodies(document, slug);
  const shares = all.reduce((sum, { share }) => sum + share, 0);
  const addressed = addresses(slug);
  const rest = Math.max(0, wanted - addressed.length - 6 * all.length);
  for (const { method, route } of addressed) await one(method, route, method === "PATCH" ? "{}" : null, "application/json");
  for (const [k, { method, route, body, share }] of all.entries()) {
    for (const raw of ["", "null", "[", `${JSON.stringify(body).slice(0, -2)}`, "\u0000", "[".repeat(100_000)])
      await one(method, route, raw, "application/json");
    for (const bad of mutants(body, Math.ceil((rest * share) / shares), seed + k))
      await one(method, route, JSON.stringify(await atVersion(bad)) ?? "null", "application/json");
  }
  const texts = [
    "",
    "\u0000",
    "from;to;amount",
    "date,kind\n2023-02-31,repair\n",
    "date,kind,note\n2023-05-01,repair,a\u0000b\n",
    `date,kind\n${"2023-05-01,repair\n".repeat(20_000)}`,
    "\ufffe\uffff",
    `${"x,".repeat(200_000)}\n`,
  ];
  for (const text of texts) {
    await one("POST", `/api/books/${slug}/bills/read`, text, "text/csv");
    await one("POST", `/api/books/${slug}/entries`, text, "text/csv");
  }
  for (const form of [
    "--x\r\n",
    '--x\r\nContent-Disposition: form-data; name="entry"\r\n\r\n{}\r\n--x--',
    '--x\r\nContent-Disposition: form-data; name="photo"; filename="a"\r\n\r\nabc',
  ])
    await one("POST", `/api/books/${slug}/entries`, form, "multipart/form-data; boundary=x");
  await one("POST", `/api/books/${slug}/entries`, "x", "multipart/form-data");
  // Whatever was taken, the book opens.
  for (const chapter of ["site", "yield", "readings", "ledger", "ageing", "money", "field-book", "bench", "tests"])
    await one("GET", `/books/${slug}/${chapter}`, null, "text/html");
  await database.end();
  for (const [kind, list] of Object.entries(found)) for (const line of list.slice(0, 12)) console.log(`  ${kind}: ${line.slice(0, 400)}`);
  if (process.env.SIEGE_TELLS) console.log([...statuses].map(([kind, counts]) => `${kind} ${JSON.stringify(counts)}`).join("\n"));
  const bad = new Set([...found.unhandled, ...found.hung, ...found.half]).size;
  row(
    "inputs",
    "bad bodies, addresses, forms and texts on every route",
    tried,
    tried - bad,
    `${found.unhandled.length} unhandled, ${found.hung.length} over 2 s, ${found.half.length} half stored`,
  );
}
