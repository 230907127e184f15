import { QueryTypes, type Sequelize } from "sequelize";
import { attributionReportSchema } from "@/contracts/attribution";
import type { AttributionRun, AttributionStore } from "@/usecases/attribution";

interface RunRow {
  wanted_version: number;
  state: AttributionRun["state"];
  done_frac: number;
  report: unknown;
  report_version: number | null;
  note: string;
}

/** A worker that dies leaves its run standing: after this long without progress another may take it. */
const LOST_AFTER = "2 minutes";

/** Reports of causes in PostgreSQL, one a book, with the progress of the one in the making. */
export function attributionRepository(sequelize: Sequelize): AttributionStore {
  const run = async (sql: string, replacements: Record<string, unknown>): Promise<number> =>
    (await sequelize.query(sql, { replacements, type: QueryTypes.UPDATE }))[1] ?? 0;
  return {
    async of(bookId) {
      const [row] = await sequelize.query<RunRow>("select * from cause_runs where book_id = :bookId", {
        replacements: { bookId },
        type: QueryTypes.SELECT,
      });
      if (!row) return null;
      // A report of an older edition may lack what this one shows: it counts as none.
      const report = row.report === null ? null : attributionReportSchema.safeParse(row.report);
      return {
        state: row.state,
        wantedVersion: row.wanted_version,
        doneFrac: row.done_frac,
        report: report?.success ? report.data : null,
        reportVersion: report?.success ? row.report_version : null,
        note: row.note,
      };
    },
    want: async (bookId, version) =>
      (await run(
        `insert into cause_runs (book_id, wanted_version, state) values (:bookId, :version, 'waiting')
         on conflict (book_id) do update set wanted_version = :version, state = 'waiting', done_frac = 0, note = '', updated_at = now()
         where cause_runs.wanted_version <> :version or cause_runs.state in ('done', 'failed', 'cancelled')`,
        { bookId, version },
      )) > 0,
    async waiting() {
      const rows = await sequelize.query<{ book_id: string }>(
        `select book_id from cause_runs where state = 'waiting' or state = 'running' and updated_at < now() - interval '${LOST_AFTER}' order by updated_at`,
        { type: QueryTypes.SELECT },
      );
      return rows.map(({ book_id }) => book_id);
    },
    async take(bookId) {
      const [rows] = await sequelize.query(
        `update cause_runs set state = 'running', done_frac = 0, updated_at = now()
         where book_id = :bookId and (state = 'waiting' or state = 'running' and updated_at < now() - interval '${LOST_AFTER}') returning wanted_version`,
        { replacements: { bookId } },
      );
      const [row] = rows as { wanted_version: number }[];
      return row ? { version: row.wanted_version } : null;
    },
    progress: async (bookId, doneFrac) =>
      (await run("update cause_runs set done_frac = :doneFrac, updated_at = now() where book_id = :bookId and state = 'running'", {
        bookId,
        doneFrac,
      })) > 0,
    async done(bookId, version, report, note) {
      await run(
        `update cause_runs set report = :report, report_version = :version, note = :note, done_frac = 1, updated_at = now(),
         state = case when wanted_version = :version then 'done' else 'waiting' end where book_id = :bookId and state <> 'cancelled'`,
        { bookId, version, note, report: report === null ? null : JSON.stringify(report) },
      );
    },
    async fail(bookId, note) {
      await run("update cause_runs set state = 'failed', note = :note, updated_at = now() where book_id = :bookId", { bookId, note });
    },
    async cancel(bookId) {
      await run(
        "update cause_runs set state = 'cancelled', updated_at = now() where book_id = :bookId and state in ('waiting', 'running')",
        {
          bookId,
        },
      );
    },
  };
}
