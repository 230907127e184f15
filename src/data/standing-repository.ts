import { Op, type Sequelize } from "sequelize";
import { LEDGER_EDITION, standingFiguresSchema } from "@/contracts/standing";
import type { ShelfLine, Standing, StandingStore } from "@/usecases/reckoning";
import type { BookRow, Models, StandingRow } from "./models";

/** Null where what is stored is of another edition of the sums. */
function asStanding({ version, edition, state, reason, figures }: StandingRow): Standing | null {
  if (state === "set-aside") return { version, state, reason: reason! };
  if (edition !== LEDGER_EDITION) return null;
  return { version, state, figures: standingFiguresSchema.parse(figures) };
}

/** Standings in PostgreSQL, one row a book: the shelf reads them alone. */
export function standingRepository(sequelize: Sequelize, { Book, Standing: StandingModel }: Models): StandingStore {
  return {
    async of(bookId) {
      const row = await StandingModel.findByPk(bookId);
      return row && asStanding(row.get());
    },
    async setAsideAt(bookId, version) {
      const row = await StandingModel.findOne({ where: { bookId, version, state: "set-aside" }, attributes: ["reason"] });
      return row?.get().reason ?? null;
    },
    keep: (bookId, standing) =>
      sequelize.transaction(async (transaction) => {
        // The book's row is held, so that of two that were reckoned at once the newer one stands; a book that has gone keeps nothing.
        const book = await Book.findByPk(bookId, { attributes: ["version"], lock: transaction.LOCK.SHARE, transaction });
        const newer = await StandingModel.count({ where: { bookId, version: { [Op.gt]: standing.version } }, transaction });
        if (!book || newer > 0) return;
        const row = standing.state === "fine" ? { reason: null, figures: standing.figures } : { reason: standing.reason, figures: null };
        await StandingModel.upsert(
          { bookId, version: standing.version, edition: LEDGER_EDITION, state: standing.state, madeAt: new Date(), ...row },
          { transaction },
        );
      }),
    async tryAgain(bookId) {
      await StandingModel.destroy({ where: { bookId, state: "set-aside" } });
    },
    async shelf(from, count) {
      const rows = await Book.findAll({
        include: [{ model: StandingModel, as: "standing" }],
        order: ["createdAt", "slug"],
        offset: from,
        limit: count,
      });
      return rows.map((row): ShelfLine => {
        const { id, slug, site, version, standing } = row.get({ plain: true }) as BookRow & { readonly standing: StandingRow | null };
        const { name: told } = site as { readonly name?: unknown };
        const name = typeof told === "string" ? told : slug;
        return { id, slug, site, version, name, standing: standing && asStanding(standing) };
      });
    },
    count: () => Book.count(),
  };
}
