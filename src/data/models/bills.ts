import { DataTypes, type Model, type ModelStatic, type Sequelize } from "sequelize";

export interface BillRow {
  bookId: string;
  fromDay: string;
  toDay: string;
  usageKwh: number | null;
  importKwh: number;
  importByBandKwh: Record<string, number>;
  exportKwh: number | null;
  productionKwh: number | null;
  amount: string;
}

/** Printed bills. */
export interface BillModels {
  readonly Bill: ModelStatic<Model<BillRow, Partial<BillRow>>>;
}

export const defineBills = (sequelize: Sequelize): BillModels => ({
  Bill: sequelize.define(
    "Bill",
    {
      bookId: { type: DataTypes.UUID, primaryKey: true },
      fromDay: { type: DataTypes.DATEONLY, primaryKey: true },
      toDay: DataTypes.DATEONLY,
      usageKwh: DataTypes.DOUBLE,
      importKwh: DataTypes.DOUBLE,
      importByBandKwh: DataTypes.JSONB,
      exportKwh: DataTypes.DOUBLE,
      productionKwh: DataTypes.DOUBLE,
      // A decimal comes and goes as its numeral.
      amount: DataTypes.DECIMAL,
    },
    { tableName: "bills" },
  ),
});
