import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { AcceptanceQuestion, AcceptanceReport, Frozen } from "@/contracts/acceptance";
import type { SiteDocument } from "@/contracts/site";

export interface KeptTestRow {
  id: number;
  bookId: string;
  name: string;
  question: AcceptanceQuestion;
  report: AcceptanceReport;
  frozen: Frozen;
  site: SiteDocument;
  keptAt: Date;
}

/** Tests that were kept with their figures. */
export interface AcceptanceModels {
  readonly KeptTest: ModelStatic<Model<KeptTestRow, Partial<KeptTestRow>>>;
}

export const defineAcceptance = (sequelize: Sequelize): AcceptanceModels => ({
  KeptTest: sequelize.define(
    "KeptTest",
    {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      bookId: DataTypes.UUID,
      name: DataTypes.TEXT,
      question: DataTypes.JSONB,
      report: DataTypes.JSONB,
      frozen: DataTypes.JSONB,
      site: DataTypes.JSONB,
      keptAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
    },
    { tableName: "kept_tests" },
  ),
});
