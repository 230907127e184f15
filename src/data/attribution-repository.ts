import { literal, Op, QueryTypes, type Sequelize } from "sequelize";
import { z } from "zod";
import {
  ATTRIBUTION_EDITION,
  type AttributionFault,
  attributionFaults,
  attributionReportSchema,
  attributionViewSchema,
  foundMonthSchema,
} from "@/contracts/attribution";
import type { AttributionStore } from "@/usecases/attribution";
import type { JobQueue } from "./job-queue";
import type { Models } from "./models";

/** A search that has shown no step for this long, over all its tries, is lost. */
const LOST_AFTER_MS = 5 * 60_000;

const faultOf = (code: string | null): AttributionFault | null => attributionFaults.find((fault) => fault === code) ?? null;

const ofEdition = (bookId: string) => ({ bookId, edition: ATTRIBUTION_EDITION });

/** What was found: its state, the page of it, the whole of it. */
const results = ({ AttributionRun, Attribution }: Models): Pick<AttributionStore, "statusOf" | "viewOf" | "foundOf" | "reportOf"> => ({
  async statusOf(bookId) {
    const [run, result] = await Promise.all([
      AttributionRun.findByPk(bookId),
      Attribution.findOne({
        where: ofEdition(bookId),
        attributes: ["version", "madeAt", [literal("view is not null"), "hasView"]],
        raw: true,
      }) as unknown as Promise<{ version: number; madeAt: Date; hasView: boolean } | null>,
    ]);
    if (!run) return null;
    const { state, wantedVersion, doneFrac, faultCode } = run.get();
    return {
      ...{ state, wantedVersion, doneFrac },
      fault: faultOf(faultCode),
      resultVersion: result?.version ?? null,
      hasView: result?.hasView ?? false,
      madeAt: result?.madeAt.toISOString() ?? "",
    };
  },
  async viewOf(bookId) {
    const row = await Attribution.findOne({ where: ofEdition(bookId), attributes: ["view"] });
    const view = row?.get().view ?? null;
    return view === null ? null : attributionViewSchema.parse(view);
  },
  async foundOf(bookIds) {
    const rows = await Attribution.findAll({
      where: { bookId: [...bookIds], edition: ATTRIBUTION_EDITION, found: { [Op.not]: null } },
      attributes: ["bookId", "version", "found"],
    });
    return new Map(
      rows.map((row) => {
        const { bookId, version, found } = row.get();
        return [bookId, { version, found: z.array(foundMonthSchema).parse(found) }];
      }),
    );
  },
  async reportOf(bookId) {
    const row = (await Attribution.findOne({ where: ofEdition(bookId) }))?.get();
    if (!row?.view) return null;
    return attributionReportSchema.parse({ ...row.view, fitted: row.fitted, edition: row.edition });
  },
});

/** The course of a search while a worker has it. */
const course = ({ AttributionRun }: Models): Pick<AttributionStore, "take" | "progress" | "fail" | "cancel"> => ({
  async take(bookId) {
    const [, rows] = await AttributionRun.update(
      { state: "running", doneFrac: 0, updatedAt: new Date() },
      { where: { bookId, state: ["waiting", "running"] }, returning: true },
    );
    return rows[0] ? { version: rows[0].get().wantedVersion } : null;
  },
  async progress(bookId, doneFrac) {
    const [count] = await AttributionRun.update({ doneFrac, updatedAt: new Date() }, { where: { bookId, state: "running" } });
    return count > 0;
  },
  async fail(bookId, fault) {
    await AttributionRun.update({ state: "failed", faultCode: fault, updatedAt: new Date() }, { where: { bookId } });
  },
  async cancel(bookId) {
    await AttributionRun.update({ state: "cancelled", updatedAt: new Date() }, { where: { bookId, state: ["waiting", "running"] } });
  },
});

/** Searches for causes in PostgreSQL: one status and one result a book. */
export function attributionRepository(sequelize: Sequelize, models: Models, queue: JobQueue): AttributionStore {
  const { AttributionRun, Attribution } = models;
  return {
    ...results(models),
    ...course(models),
    async want(bookId, version) {
      await AttributionRun.upsert({
        bookId,
        wantedVersion: version,
        state: "waiting",
        doneFrac: 0,
        faultCode: null,
        updatedAt: new Date(),
      });
      await queue.sendAttribution(bookId);
    },
    async giveUpLost() {
      const silent = new Date(Date.now() - LOST_AFTER_MS);
      await AttributionRun.update(
        { state: "failed", faultCode: "failed", updatedAt: new Date() },
        { where: { state: "running", updatedAt: { [Op.lt]: silent } } },
      );
    },
    // Raw SQL: an anti-join over three tables that the models' query can't express.
    behind: () =>
      sequelize.query<{ bookId: string; version: number }>(
        `select b.id as "bookId", b.version from books b
         left join attribution_runs r on r.book_id = b.id
         left join attributions a on a.book_id = b.id and a.edition = :edition and a.version = b.version
         where a.book_id is null and (r.book_id is null or r.wanted_version <> b.version or r.state in ('waiting', 'done'))`,
        { replacements: { edition: ATTRIBUTION_EDITION }, type: QueryTypes.SELECT },
      ),
    done: (bookId, version, report) =>
      sequelize.transaction(async (transaction) => {
        const run = await AttributionRun.findByPk(bookId, { transaction, lock: true });
        if (!run || run.get().state === "cancelled") return;
        const { edition = ATTRIBUTION_EDITION, fitted = null, ...view } = report ?? {};
        await Attribution.upsert(
          { bookId, version, edition, fitted, found: report?.found ?? null, view: report === null ? null : view, madeAt: new Date() },
          { transaction },
        );
        const isCurrent = run.get().wantedVersion === version;
        await run.update(
          {
            state: isCurrent ? "done" : "waiting",
            doneFrac: isCurrent ? 1 : 0,
            faultCode: report === null ? "no-common-time" : null,
            updatedAt: new Date(),
          },
          { transaction },
        );
      }),
  };
}
