import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { BatchOrigin, ImportKind, ImportOptions } from "@/contracts/imports";
import type { Problem } from "@/contracts/problems";
import type { Remedy } from "@/core/quality";

export interface BatchRow {
  id: number;
  bookId: string;
  kind: ImportKind;
  origin: BatchOrigin;
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

export interface FindingDecisionRow {
  id: number;
  bookId: string;
  findingKey: string;
  state: "accepted" | "refused";
  remedies: Remedy[];
  note: string;
  decidedAt: Date;
}

/** Import batches and what lies in them. Day pages have no model: they go in by COPY and come out in binary. */
export interface ReadingsModels {
  readonly Batch: ModelStatic<Model<BatchRow, Partial<BatchRow>>>;
  readonly Series: ModelStatic<Model<SeriesRow, Partial<SeriesRow>>>;
  readonly PromiseMonth: ModelStatic<Model<PromiseMonthRow>>;
  readonly EnergySpan: ModelStatic<Model<EnergySpanRow>>;
  readonly CounterReading: ModelStatic<Model<CounterReadingRow>>;
  readonly FindingDecision: ModelStatic<Model<FindingDecisionRow, Partial<FindingDecisionRow>>>;
}

/** What lies in a batch besides its day pages. */
const defineContents = (sequelize: Sequelize): Pick<ReadingsModels, "PromiseMonth" | "EnergySpan" | "CounterReading"> => ({
  PromiseMonth: sequelize.define(
    "PromiseMonth",
    {
      batchId: { type: DataTypes.INTEGER, primaryKey: true },
      month: { type: DataTypes.INTEGER, primaryKey: true },
      kwh: DataTypes.DOUBLE,
    },
    { tableName: "promise_months" },
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
});

export const defineReadings = (sequelize: Sequelize): ReadingsModels => ({
  Batch: sequelize.define(
    "Batch",
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      bookId: DataTypes.UUID,
      kind: DataTypes.TEXT,
      origin: DataTypes.TEXT,
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
  ...defineContents(sequelize),
});
