import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { AttributionState } from "@/contracts/attribution";

export interface AttributionRunRow {
  bookId: string;
  wantedVersion: number;
  state: AttributionState;
  doneFrac: number;
  faultCode: string | null;
  updatedAt: Date;
}

export interface AttributionRow {
  bookId: string;
  version: number;
  edition: number;
  /** Null where weather and production share no time. */
  view: object | null;
  fitted: object | null;
  /** What was found beside the plan, by month: all that the shelf needs. */
  found: object[] | null;
  madeAt: Date;
}

/** How far each search is, and what the last one gave: its view for pages, and what it fitted for the days to come. */
export interface AttributionModels {
  readonly AttributionRun: ModelStatic<Model<AttributionRunRow, Partial<AttributionRunRow>>>;
  readonly Attribution: ModelStatic<Model<AttributionRow, Partial<AttributionRow>>>;
}

export const defineAttribution = (sequelize: Sequelize): AttributionModels => ({
  AttributionRun: sequelize.define(
    "AttributionRun",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      wantedVersion: DataTypes.INTEGER,
      state: DataTypes.TEXT,
      doneFrac: DataTypes.DOUBLE,
      faultCode: DataTypes.TEXT,
      updatedAt: DataTypes.DATE,
    },
    { tableName: "attribution_runs" },
  ),
  Attribution: sequelize.define(
    "Attribution",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      version: DataTypes.INTEGER,
      edition: DataTypes.INTEGER,
      view: DataTypes.JSONB,
      fitted: DataTypes.JSONB,
      found: DataTypes.JSONB,
      madeAt: DataTypes.DATE,
    },
    { tableName: "attributions" },
  ),
});
