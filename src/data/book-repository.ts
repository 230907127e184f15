import type { Sequelize } from "sequelize";
import { parseSite } from "@/formats/site-json";
import type { Book, BookStore } from "@/usecases/books";
import type { BookRow, Models } from "./models";

/** A stored document is read like a file: what later editions added gets its defaults. */
function asBook({ id, slug, site, version, isDemo }: BookRow): Book {
  const reading = parseSite(site);
  if (!reading.ok) throw new Error(`The stored site document of book ${slug} can't be read: ${JSON.stringify(reading.problems)}`);
  return { id, slug, site: reading.document, version, isDemo };
}

/** Books in PostgreSQL. */
export function bookRepository(sequelize: Sequelize, { Book }: Models): BookStore {
  return {
    async list() {
      const rows = await Book.findAll({
        order: [
          ["createdAt", "ASC"],
          ["slug", "ASC"],
        ],
      });
      return rows.map((row) => asBook(row.get()));
    },
    async bySlug(slug) {
      const row = await Book.findOne({ where: { slug } });
      return row && asBook(row.get());
    },
    async byId(id) {
      const row = await Book.findByPk(id);
      return row && asBook(row.get());
    },
    async create({ slug, site, isDemo }) {
      const row = await Book.create({ slug, site, isDemo, version: 1, createdAt: new Date() });
      return asBook(row.get());
    },
    async saveSite(id, version, site) {
      const [, rows] = await Book.update({ site, version: sequelize.literal("version + 1") }, { where: { id, version }, returning: true });
      return rows[0] ? asBook(rows[0].get()) : null;
    },
    async remove(id) {
      await Book.destroy({ where: { id } });
    },
  };
}
