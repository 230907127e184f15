import { createReadStream } from "node:fs";
import { copyFile, mkdtemp, readFile, rm, stat, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { fixtures } from "@test/paths";
import { printed } from "@test/printed";
import { valid } from "@test/published-form";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { verifyCommand } from "@/cli/verify";
import { acceptanceQuestionSchema } from "@/contracts/acceptance";
import type { Evidence } from "@/contracts/evidence";
import { importOptionsSchema } from "@/contracts/imports";
import { verifyPrintedSchema } from "@/contracts/printed";
import { checkEvidence, evidenceOf, keepTest, measuredTest } from "@/usecases/acceptance";
import { type Book, createBook } from "@/usecases/books";
import { addEntries } from "@/usecases/field-book";
import { runImport } from "@/usecases/imports";
import type { Services } from "@/wiring";
import { emptyShelf, freshServices } from "./services";

const plant = (name: string): string => path.join(fixtures, "plants", "dry-roof", name);
const RAW = ["weather.csv.gz", "production.csv.gz"] as const;

/** A contract of each kind. */
const YEARS = { kind: "guarantee", from: "2021-01-01", years: 2, damagesPerKwh: "0.09" } as const;
const CONTRACTS = {
  capacity: { kind: "capacity", from: "2021-04-01", to: "2021-06-30", passFrac: 0.93 },
  "performance ratio": { ...YEARS, of: "performance-ratio", guaranteedFrac: 0.8 },
  "performance ratio at 25 °C": { ...YEARS, of: "corrected-ratio", guaranteedFrac: 0.85, fallPerYearFrac: 0.005 },
  "performance index": { ...YEARS, of: "energy-index", guaranteedFrac: 0.97, deadBandFrac: 0.01 },
  availability: {
    ...YEARS,
    of: "availability",
    guaranteedFrac: 0.99,
    exclusions: [{ from: "2022-07-01", to: "2022-07-02", why: "inspection" }],
  },
} as const;

let services: Services;
let book: Book;
let folder = "";
let evidence: Evidence;

/** Keeps a test of the book, and gives its evidence. */
async function settled(name: string, terms: object): Promise<Evidence> {
  const kept = await keepTest({ ...services, measure: async (own, asked) => measuredTest(await services.ledgerOf(own), asked) }, book, {
    name,
    question: acceptanceQuestionSchema.parse(terms),
  });
  return evidenceOf(services, book, kept.id, "2026-12-01T12:00:00.000Z");
}

/** A book made of raw files alone, a guarantee kept in it, and its evidence as a file. */
beforeAll(async () => {
  services = await freshServices();
  await emptyShelf(services);
  folder = await mkdtemp(path.join(tmpdir(), "evidence-"));
  book = await createBook(services.books, JSON.parse(await readFile(plant("dry-roof.site.json"), "utf8")));
  for (const fileName of RAW) {
    const { id } = await services.staging.put({
      ...{ bookId: book.id, fileName },
      announcedBytes: (await stat(plant(fileName))).size,
      body: createReadStream(plant(fileName)),
    });
    const fresh = (await services.books.bySlug(book.slug))!;
    for await (const event of runImport(services, fresh, id, importOptionsSchema.parse({}), new AbortController().signal))
      expect(event.kind).not.toBe("refused");
    await copyFile(plant(fileName), path.join(folder, `${fileName}.renamed`));
  }
  await addEntries(services, book, [
    { from: "2022-03-01", to: "2022-03-04", kind: "curtailment", array: "", note: "work on the network", value: "" },
  ]);
  book = (await services.books.bySlug(book.slug))!;
  evidence = await settled("second year", CONTRACTS["performance ratio"]);
}, 120_000);
afterEach(() => {
  process.exitCode = 0;
});
afterAll(async () => {
  await services.close();
  await rm(folder, { recursive: true, force: true });
});

async function verified(changed: unknown, files: string | null) {
  const file = path.join(folder, "evidence.json");
  await writeFile(file, JSON.stringify(changed, null, 1));
  const text = await printed(() => verifyCommand({ evidence: file, json: true, ...(files === null ? {} : { files }) }));
  const answer = verifyPrintedSchema.parse(JSON.parse(text));
  expect(valid("verify", answer)).toEqual([]);
  return { ...answer, exitCode: process.exitCode ?? 0 };
}

describe("an evidence", () => {
  it("holds all that the test rests on, and its figures come of nothing but the raw files, whatever they are called", async () => {
    expect(evidence.sources.map(({ name, kind }) => [name, kind])).toEqual([
      ["weather.csv.gz", "weather"],
      ["production.csv.gz", "production"],
    ]);
    expect(evidence.entries).toHaveLength(1);
    expect(await verified(evidence, folder)).toMatchObject({ holds: true, isIntact: true, missing: [], exitCode: 0 });
  }, 60_000);

  it.each(Object.entries(CONTRACTS))(
    "of a contract of %s is made anew from the raw files, figure by figure",
    async (name, terms) => {
      const answer = await verified(await settled(name, terms), folder);
      expect(answer).toMatchObject({ holds: true, isIntact: true });
      expect(answer.furthestApart!).toBeLessThan(1e-9);
      expect(answer.words).toMatch(/passed|failed|not told|missed|kept/);
    },
    60_000,
  );

  it("does not hold with one figure changed, nor with a day of an exclusion", async () => {
    const { report } = evidence.test;
    if (report.kind !== "guarantee") throw new Error("no guarantee");
    const years = report.years.map((year, k) => (k === 0 ? { ...year, shortKwh: year.shortKwh + 1 } : year));
    expect(await verified({ ...evidence, test: { ...evidence.test, report: { ...report, years } } }, null)).toMatchObject({
      holds: false,
      isIntact: false,
      exitCode: 1,
    });
    const entries = evidence.entries.map((entry) => ({ ...entry, to: "2022-03-14" }));
    expect(await verified({ ...evidence, entries }, null)).toMatchObject({ holds: false, isIntact: false });
  });

  it("says which raw file is missing, and holds only as far as it was looked at", async () => {
    expect(await verified(evidence, null)).toMatchObject({ holds: true, missing: null, furthestApart: null });
    const elsewhere = await mkdtemp(path.join(tmpdir(), "raw-"));
    try {
      await copyFile(plant("weather.csv.gz"), path.join(elsewhere, "w"));
      expect(await verified(evidence, elsewhere)).toMatchObject({
        holds: false,
        isIntact: true,
        missing: [{ name: "production.csv.gz" }],
        exitCode: 1,
      });
    } finally {
      await rm(elsewhere, { recursive: true });
    }
  });

  it("is checked in the house that made it, and refused where it is none", async () => {
    expect(await checkEvidence(services, evidence)).toMatchObject({ isIntact: true, isOwnKey: true, book: book.site.name });
    await expect(checkEvidence(services, { format: "dusty-ledger/site" })).rejects.toMatchObject({ reason: "no-evidence" });
  });

  it("is signed with a key that its owner alone can read, and that stays", async () => {
    const key = path.join(services.folder, "keys", "evidence-key.pem");
    expect((await stat(key)).mode & 0o777).toBe(0o600);
    expect(await services.signer.publicKey()).toBe(evidence.signature.publicKey);
  });
});
