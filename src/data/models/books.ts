import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { RememberedReading } from "@/contracts/mapping";
import type { SiteDocument } from "@/contracts/site";
import type { WhatIf } from "@/core/yield";

export interface BookRow {
  id: string;
  slug: string;
  site: SiteDocument;
  version: number;
  isDemo: boolean;
  billsVersion: number;
  /** What a form gave its making, so that a second sending makes no second book. */
  clientId: string | null;
  createdAt: Date;
}

/** What is stored of a book for pages and shelf. */
export interface StandingRow {
  bookId: string;
  version: number;
  edition: number;
  state: "fine" | "set-aside";
  reason: "time" | "memory" | "fault" | "document" | null;
  figures: object | null;
  madeAt: Date;
}

export interface VariantRow {
  id: number;
  bookId: string;
  name: string;
  whatIf: WhatIf;
  version: number;
  createdAt: Date;
}

export interface TableMappingRow {
  fingerprint: string;
  reading: RememberedReading;
  confirmedAt: Date;
}

/** Books, what is kept with them, and how their tables are read. */
export interface BooksModels {
  readonly Standing: ModelStatic<Model<StandingRow, Partial<StandingRow>>>;
  readonly Book: ModelStatic<Model<BookRow, Partial<BookRow>>>;
  readonly Variant: ModelStatic<Model<VariantRow, Partial<VariantRow>>>;
  readonly TableMapping: ModelStatic<Model<TableMappingRow>>;
}

export function defineBooks(sequelize: Sequelize): BooksModels {
  const models = bookModels(sequelize);
  models.Book.hasOne(models.Standing, { as: "standing", foreignKey: "bookId" });
  return models;
}

const bookModels = (sequelize: Sequelize): BooksModels => ({
  Standing: sequelize.define(
    "Standing",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      version: DataTypes.INTEGER,
      edition: DataTypes.INTEGER,
      state: DataTypes.TEXT,
      reason: DataTypes.TEXT,
      figures: DataTypes.JSONB,
      madeAt: DataTypes.DATE,
    },
    { tableName: "standings" },
  ),
  Book: sequelize.define(
    "Book",
    {
      id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
      slug: DataTypes.TEXT,
      site: DataTypes.JSON,
      version: DataTypes.INTEGER,
      isDemo: DataTypes.BOOLEAN,
      billsVersion: DataTypes.INTEGER,
      clientId: DataTypes.UUID,
      createdAt: DataTypes.DATE,
    },
    { tableName: "books" },
  ),
  Variant: sequelize.define(
    "Variant",
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      bookId: DataTypes.UUID,
      name: DataTypes.TEXT,
      whatIf: DataTypes.JSONB,
      version: DataTypes.INTEGER,
      createdAt: DataTypes.DATE,
    },
    { tableName: "variants" },
  ),
  TableMapping: sequelize.define(
    "TableMapping",
    { fingerprint: { type: DataTypes.TEXT, primaryKey: true }, reading: DataTypes.JSONB, confirmedAt: DataTypes.DATE },
    { tableName: "table_mappings" },
  ),
});
