import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { FeedFault, FeedSettings } from "@/contracts/feeds";

export interface FeedRow {
  id: number;
  bookId: string;
  settings: FeedSettings;
  isDemo: boolean;
  version: number;
  cursorUtc: Date | null;
  nextUtc: Date | null;
  lastTriedUtc: Date | null;
  lastFineUtc: Date | null;
  lastFault: FeedFault | null;
  failures: number;
  valueCount: number;
  createdAt: Date;
}

/** Sources that are pulled. */
export interface FeedsModels {
  readonly Feed: ModelStatic<Model<FeedRow, Partial<FeedRow>>>;
}

export const defineFeeds = (sequelize: Sequelize): FeedsModels => ({
  Feed: sequelize.define(
    "Feed",
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      bookId: DataTypes.UUID,
      settings: DataTypes.JSONB,
      isDemo: DataTypes.BOOLEAN,
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
      cursorUtc: DataTypes.DATE,
      nextUtc: DataTypes.DATE,
      lastTriedUtc: DataTypes.DATE,
      lastFineUtc: DataTypes.DATE,
      lastFault: DataTypes.JSONB,
      failures: DataTypes.INTEGER,
      valueCount: DataTypes.INTEGER,
      createdAt: DataTypes.DATE,
    },
    { tableName: "feeds" },
  ),
});
