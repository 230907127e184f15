import { readFileSync } from "node:fs";
import path from "node:path";
import { gunzipSync } from "node:zlib";
import { fixtures } from "@test/paths";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { connect, migrate, unmigrate } from "@/data";
import { runAttribution } from "@/usecases/attribution";
import { openServices, type Services } from "@/wiring";
import { feedFaultInWords } from "@/wording/feeds";
import { auditInWords } from "@/wording/keeping";

const NAME = `first_edition_${process.pid}`;
const server = connect(process.env.DATABASE_URL!);
let services: Services;

/** A database as the first edition left it: two books, one of them with readings, an entry, moved postings, closed months and a feed that failed. */
beforeAll(async () => {
  await server.query(`create database ${NAME}`);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${NAME}`;
  services = openServices({ ...process.env, DATABASE_URL: url.toString() }, { mayMigrate: true });
  await services.sequelize.query(gunzipSync(readFileSync(path.join(fixtures, "databases", "first-edition.sql.gz"))).toString("utf8"));
  await migrate(services.sequelize);
}, 60_000);
afterAll(async () => {
  await services.close();
  await server.query(`drop database ${NAME}`);
  await server.close();
});

const hut = async () => (await services.books.bySlug("alpine-hut"))!;

describe("a database of the first edition", () => {
  it("keeps every book with its readings, entries and bills", async () => {
    expect((await services.books.spines()).map(({ slug }) => slug)).toEqual(["alpine-hut", "tamberlin-house"]);
    const book = await hut();
    const production = await services.readings.seriesOf(book.id, "production");
    expect(production.map(({ values }) => values.filter((value) => value > 0).length)[0]).toBeGreaterThan(500);
    expect(await services.entries.of(book.id)).toMatchObject([{ from: "2021-02-02", kind: "cleaning", note: "brushed" }]);
    const house = (await services.books.bySlug("tamberlin-house"))!;
    expect(await services.bills.of(house.id)).toEqual([
      {
        from: "2023-01-05",
        to: "2023-02-04",
        usageKwh: 300,
        importKwh: 210,
        importByBandKwh: { peak: 80 },
        exportKwh: 20,
        productionKwh: 110,
        amount: "61.37",
      },
    ]);
  });

  it("tells its trail by codes, in the words of today", async () => {
    const { audit } = await services.keeping.of((await hut()).id);
    expect(audit.map(auditInWords).reverse()).toEqual([
      "12.5 kWh moved from soiling to outage: the pump house dust: was a trip",
      "\u22121.3 kWh moved from wiring, mismatch to low light: typed",
      "a move was taken back",
      expect.stringMatching(/^-?\d+\.\d kWh on [a-z]+ rejected: no snow that month$/),
      "clipping accepted",
      "closed: signed by the warden",
      "closed",
      "reopened: the meter was read again",
      "a remark that no form fits",
    ]);
    expect(audit.filter(({ code }) => code === "written")).toHaveLength(1);
  });

  it("shows a closed month as it was closed, its fields by their new names", async () => {
    const { closed, transfers } = await services.keeping.of((await hut()).id);
    expect(closed).toHaveLength(1);
    const { line, postings, note } = closed[0]!;
    expect(note).toBe("signed by the warden");
    const posted = Object.fromEntries(postings.map(({ account, foundKwh }) => [account, foundKwh!]));
    const sum = Object.values(posted).reduce((a, b) => a + b, 0);
    // What stood on one account by evidence is plan and what was found beside it; the balance is the one that was signed.
    expect(line.expectedKwh - sum).toBeCloseTo(line.meteredKwh! - line.unmatchedKwh, 4);
    expect(line.referenceKwh - Object.values(line.accountsKwh).reduce((a, b) => a + b, 0)).toBeCloseTo(line.expectedKwh, 6);
    expect(posted.unexplained).toBeCloseTo(line.unexplainedKwh!, 6);
    expect(posted.dataGap).toBeCloseTo(line.dataGapKwh, 6);
    expect(transfers).toMatchObject([{ from: "soiling", to: "downtime", kwh: 12.5 }, { to: "unexplained" }]);
  });

  it("keeps the words of a feed's last fault", async () => {
    const [feed] = await services.feeds.of((await hut()).id);
    expect(feedFaultInWords(feed!.lastFault!)).toBe("127.0.0.1:9 did not answer.");
    expect(feed!.failures).toBe(1);
  });

  it("has its causes sought anew, since their edition is another", async () => {
    const book = await hut();
    expect((await services.attributions.behind()).map(({ bookId }) => bookId)).toContain(book.id);
    await services.attributions.want(book.id, book.version);
    expect(await runAttribution(services, book.id)).toBe(true);
    expect((await services.attributions.viewOf(book.id))!.months).toHaveLength(3);
  });

  it("can be taken back to its first tables and brought forward again", async () => {
    await unmigrate(services.sequelize);
    expect((await migrate(services.sequelize)).length).toBeGreaterThan(7);
  });
});
