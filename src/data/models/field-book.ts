import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { Revision } from "@/core/site";

export interface EntryRow {
  id: number;
  bookId: string;
  starts: string;
  ends: string;
  kind: string;
  arrayId: string;
  note: string;
  value: string;
  meterId: string;
  cost: string | null;
  who: string;
  measured: object | null;
  effect: readonly Revision[] | null;
  clientId: string | null;
}

export interface PhotoRow {
  id: string;
  entryId: number;
  bytes: Buffer;
  widthPx: number;
  heightPx: number;
  createdAt: Date;
}

/** Entries of the field book with their photos. */
export interface FieldBookModels {
  readonly Entry: ModelStatic<Model<EntryRow, Partial<EntryRow>>>;
  readonly Photo: ModelStatic<Model<PhotoRow, Partial<PhotoRow>>>;
}

export function defineFieldBook(sequelize: Sequelize): FieldBookModels {
  const Entry: FieldBookModels["Entry"] = sequelize.define(
    "Entry",
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      bookId: DataTypes.UUID,
      starts: DataTypes.TEXT,
      ends: DataTypes.TEXT,
      kind: DataTypes.TEXT,
      arrayId: DataTypes.TEXT,
      note: DataTypes.TEXT,
      value: DataTypes.TEXT,
      meterId: DataTypes.TEXT,
      // A decimal comes and goes as its numeral.
      cost: DataTypes.DECIMAL,
      who: DataTypes.TEXT,
      measured: DataTypes.JSONB,
      effect: DataTypes.JSONB,
      clientId: DataTypes.UUID,
    },
    { tableName: "field_entries" },
  );
  const Photo: FieldBookModels["Photo"] = sequelize.define(
    "Photo",
    {
      id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
      entryId: DataTypes.INTEGER,
      bytes: DataTypes.BLOB,
      widthPx: DataTypes.INTEGER,
      heightPx: DataTypes.INTEGER,
      createdAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
    },
    { tableName: "field_photos" },
  );
  Entry.hasMany(Photo, { as: "photos", foreignKey: "entryId" });
  Photo.belongsTo(Entry, { as: "entry", foreignKey: "entryId" });
  return { Entry, Photo };
}
