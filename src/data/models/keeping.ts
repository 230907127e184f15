import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";
import type { AuditCode } from "@/contracts/keeping";

export interface TransferRow {
  id: number;
  bookId: string;
  month: string;
  fromAccount: string;
  toAccount: string;
  kwh: number;
  reason: string;
  madeAt: Date;
}

export interface AcceptedRow {
  bookId: string;
  month: string;
  account: string;
}

export interface ClosedMonthRow {
  bookId: string;
  month: string;
  kept: object;
  note: string;
  closedAt: Date;
}

export interface AuditRow {
  id: number;
  bookId: string;
  at: Date;
  month: string;
  code: AuditCode;
  facts: Record<string, string | number>;
}

/** Moved postings, closed months and the trail of who did what. */
export interface KeepingModels {
  readonly Transfer: ModelStatic<Model<TransferRow, Partial<TransferRow>>>;
  readonly Accepted: ModelStatic<Model<AcceptedRow>>;
  readonly ClosedMonth: ModelStatic<Model<ClosedMonthRow, Partial<ClosedMonthRow>>>;
  readonly Audit: ModelStatic<Model<AuditRow, Partial<AuditRow>>>;
}

// Sequelize writes into the definitions that it is given: each column has its own.
const id = () => ({ type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true });
const now = () => ({ type: DataTypes.DATE, defaultValue: DataTypes.NOW });

export const defineKeeping = (sequelize: Sequelize): KeepingModels => ({
  Transfer: sequelize.define(
    "Transfer",
    {
      id: id(),
      bookId: DataTypes.UUID,
      month: DataTypes.TEXT,
      fromAccount: DataTypes.TEXT,
      toAccount: DataTypes.TEXT,
      kwh: DataTypes.DOUBLE,
      reason: DataTypes.TEXT,
      madeAt: now(),
    },
    { tableName: "posting_transfers" },
  ),
  Accepted: sequelize.define(
    "Accepted",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      month: { type: DataTypes.TEXT, primaryKey: true },
      account: { type: DataTypes.TEXT, primaryKey: true },
    },
    { tableName: "accepted_postings" },
  ),
  ClosedMonth: sequelize.define(
    "ClosedMonth",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      month: { type: DataTypes.TEXT, primaryKey: true },
      kept: DataTypes.JSONB,
      note: DataTypes.TEXT,
      closedAt: now(),
    },
    { tableName: "closed_months" },
  ),
  Audit: sequelize.define(
    "Audit",
    { id: id(), bookId: DataTypes.UUID, at: now(), month: DataTypes.TEXT, code: DataTypes.TEXT, facts: DataTypes.JSONB },
    { tableName: "audit_entries" },
  ),
});
