import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { FeedSettings } from "@/contracts/feeds";
import type { ImportKind, ImportOptions } from "@/contracts/imports";
import type { RememberedReading } from "@/contracts/mapping";
import type { Problem } from "@/contracts/problems";
import type { SiteDocument } from "@/contracts/site";
import type { Remedy } from "@/core/quality";
import type { WhatIf } from "@/core/yield";

export interface BookRow {
  id: string;
  slug: string;
  site: SiteDocument;
  version: number;
  isDemo: boolean;
  createdAt: Date;
}

export interface BatchRow {
  id: number;
  bookId: string;
  kind: ImportKind;
  fileName: string;
  sha256: string;
  byteCount: number;
  rowCount: number;
  valueCount: number;
  firstUtc: Date | null;
  lastUtc: Date | null;
  stepMinutes: number | null;
  options: ImportOptions;
  notices: Problem[];
  feedId: number | null;
  feedMonth: string | null;
  createdAt: Date;
  undoneAt: Date | null;
}

export interface SeriesRow {
  id: number;
  bookId: string;
  quantity: string;
  meterId: string;
  stepMinutes: number;
  phaseMinutes: number;
}

export interface PromiseMonthRow {
  batchId: number;
  month: number;
  kwh: number;
}

export interface VariantRow {
  id: number;
  bookId: string;
  name: string;
  whatIf: WhatIf;
  createdAt: Date;
}

export interface EnergySpanRow {
  batchId: number;
  meterId: string;
  fromUtc: Date;
  toUtc: Date;
  kwh: number;
}

export interface CounterReadingRow {
  batchId: number;
  meterId: string;
  atUtc: Date;
  kwh: number;
}

export interface TableMappingRow {
  fingerprint: string;
  reading: RememberedReading;
  confirmedAt: Date;
}

export interface FindingDecisionRow {
  id: number;
  bookId: string;
  findingKey: string;
  state: "accepted" | "refused";
  remedies: Remedy[];
  note: string;
  decidedAt: Date;
}

export interface FeedRow {
  id: number;
  bookId: string;
  settings: FeedSettings;
  isDemo: boolean;
  cursorUtc: Date | null;
  nextUtc: Date | null;
  lastTriedUtc: Date | null;
  lastFineUtc: Date | null;
  lastError: string | null;
  failures: number;
  valueCount: number;
  createdAt: Date;
}

export interface Models {
  readonly Book: ModelStatic<Model<BookRow, Partial<BookRow>>>;
  readonly Batch: ModelStatic<Model<BatchRow, Partial<BatchRow>>>;
  readonly Series: ModelStatic<Model<SeriesRow, Partial<SeriesRow>>>;
  readonly PromiseMonth: ModelStatic<Model<PromiseMonthRow>>;
  readonly Variant: ModelStatic<Model<VariantRow, Partial<VariantRow>>>;
  readonly EnergySpan: ModelStatic<Model<EnergySpanRow>>;
  readonly CounterReading: ModelStatic<Model<CounterReadingRow>>;
  readonly TableMapping: ModelStatic<Model<TableMappingRow>>;
  readonly Feed: ModelStatic<Model<FeedRow, Partial<FeedRow>>>;
  readonly FindingDecision: ModelStatic<Model<FindingDecisionRow, Partial<FindingDecisionRow>>>;
}

/** Defines the models on a connection. Day pages have none: they go in by COPY and come out in binary. */
export function defineModels(sequelize: Sequelize): Models {
  return {
    Book: sequelize.define(
      "Book",
      {
        id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
        slug: DataTypes.TEXT,
        site: DataTypes.JSONB,
        version: DataTypes.INTEGER,
        isDemo: DataTypes.BOOLEAN,
        createdAt: DataTypes.DATE,
      },
      { tableName: "books" },
    ),
    Batch: sequelize.define(
      "Batch",
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        bookId: DataTypes.UUID,
        kind: DataTypes.TEXT,
        fileName: DataTypes.TEXT,
        sha256: DataTypes.TEXT,
        byteCount: {
          type: DataTypes.BIGINT,
          get(this: Model) {
            return Number(this.getDataValue("byteCount"));
          },
        },
        rowCount: DataTypes.INTEGER,
        valueCount: DataTypes.INTEGER,
        firstUtc: DataTypes.DATE,
        lastUtc: DataTypes.DATE,
        stepMinutes: DataTypes.INTEGER,
        options: DataTypes.JSONB,
        notices: DataTypes.JSONB,
        feedId: DataTypes.INTEGER,
        feedMonth: DataTypes.TEXT,
        createdAt: DataTypes.DATE,
        undoneAt: DataTypes.DATE,
      },
      { tableName: "import_batches" },
    ),
    Series: sequelize.define(
      "Series",
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        bookId: DataTypes.UUID,
        quantity: DataTypes.TEXT,
        meterId: DataTypes.TEXT,
        stepMinutes: DataTypes.INTEGER,
        phaseMinutes: DataTypes.INTEGER,
      },
      { tableName: "series" },
    ),
    PromiseMonth: sequelize.define(
      "PromiseMonth",
      {
        batchId: { type: DataTypes.INTEGER, primaryKey: true },
        month: { type: DataTypes.INTEGER, primaryKey: true },
        kwh: DataTypes.DOUBLE,
      },
      { tableName: "promise_months" },
    ),
    Variant: sequelize.define(
      "Variant",
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        bookId: DataTypes.UUID,
        name: DataTypes.TEXT,
        whatIf: DataTypes.JSONB,
        createdAt: DataTypes.DATE,
      },
      { tableName: "variants" },
    ),
    EnergySpan: sequelize.define(
      "EnergySpan",
      {
        batchId: { type: DataTypes.INTEGER, primaryKey: true },
        meterId: { type: DataTypes.TEXT, primaryKey: true },
        fromUtc: { type: DataTypes.DATE, primaryKey: true },
        toUtc: DataTypes.DATE,
        kwh: DataTypes.DOUBLE,
      },
      { tableName: "energy_spans" },
    ),
    CounterReading: sequelize.define(
      "CounterReading",
      {
        batchId: { type: DataTypes.INTEGER, primaryKey: true },
        meterId: { type: DataTypes.TEXT, primaryKey: true },
        atUtc: { type: DataTypes.DATE, primaryKey: true },
        kwh: DataTypes.DOUBLE,
      },
      { tableName: "counter_readings" },
    ),
    TableMapping: sequelize.define(
      "TableMapping",
      { fingerprint: { type: DataTypes.TEXT, primaryKey: true }, reading: DataTypes.JSONB, confirmedAt: DataTypes.DATE },
      { tableName: "table_mappings" },
    ),
    Feed: sequelize.define(
      "Feed",
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        bookId: DataTypes.UUID,
        settings: DataTypes.JSONB,
        isDemo: DataTypes.BOOLEAN,
        cursorUtc: DataTypes.DATE,
        nextUtc: DataTypes.DATE,
        lastTriedUtc: DataTypes.DATE,
        lastFineUtc: DataTypes.DATE,
        lastError: DataTypes.TEXT,
        failures: DataTypes.INTEGER,
        valueCount: DataTypes.INTEGER,
        createdAt: DataTypes.DATE,
      },
      { tableName: "feeds" },
    ),
    FindingDecision: sequelize.define(
      "FindingDecision",
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        bookId: DataTypes.UUID,
        findingKey: DataTypes.TEXT,
        state: DataTypes.TEXT,
        remedies: DataTypes.JSONB,
        note: DataTypes.TEXT,
        decidedAt: DataTypes.DATE,
      },
      { tableName: "finding_decisions" },
    ),
  };
}
