import { randomUUID } from "node:crypto";
import { literal } from "sequelize";
import { parseSite } from "@/formats/site-json";
import type { Book, BookStore } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { BookMoved, type ChangeBook } from "./change-book";
import type { BookRow, Models } from "./models";

/** A stored document is read like a file: what later editions added gets its defaults. */
function asBook({ id, slug, site, version, isDemo }: BookRow): Book {
  const reading = parseSite(site);
  if (!reading.ok) throw new Refusal("set-aside", "set-aside-document", { slug }, reading.problems);
  return { id, slug, site: reading.document, version, isDemo };
}

/** Books in PostgreSQL. */
export function bookRepository({ Book }: Models, changeBook: ChangeBook): BookStore {
  return {
    async spines() {
      const rows = await Book.findAll({
        attributes: ["slug", "isDemo", [literal("site->>'name'"), "name"]],
        order: ["createdAt", "slug"],
        raw: true,
      });
      return rows as unknown as { slug: string; name: string; isDemo: boolean }[];
    },
    async bySlug(slug) {
      const row = await Book.findOne({ where: { slug } });
      return row && asBook(row.get());
    },
    async byId(id) {
      const row = await Book.findByPk(id);
      return row && asBook(row.get());
    },
    async find(slug) {
      const row = await Book.findOne({ where: { slug }, attributes: ["id", "version", "site"] });
      return row && { id: row.get().id, version: row.get().version, site: row.get().site };
    },
    async create({ slug, site, isDemo, clientId }) {
      const values = { id: randomUUID(), slug, site, isDemo, clientId, version: 1, createdAt: new Date() };
      // Of two that are sent at once one is stored, whichever of its address and its client's word comes in the way.
      await Book.bulkCreate([values], { ignoreDuplicates: true });
      const row = await Book.findOne({ where: clientId ? { clientId } : { id: values.id } });
      return row && asBook(row.get());
    },
    async saveSite(id, version, site) {
      const moved = await changeBook(id, ({ setSite }) => setSite(site, version)).catch((error: unknown) => {
        if (error instanceof BookMoved) return "moved";
        throw error;
      });
      const row = moved === "moved" ? null : await Book.findByPk(id);
      return row && asBook(row.get());
    },
    async remove(id) {
      await Book.destroy({ where: { id } });
    },
  };
}
