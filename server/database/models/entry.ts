import { DataTypes, Model, type Sequelize } from "sequelize";
import type { Account, Kind, Stage } from "../../../core/book/entry/index.ts";

/** One line of a book. The database takes no change to it, from anybody. */
export class EntryRow extends Model {
  declare shopId: string;
  declare id: string;
  declare jobId: string;
  declare seq: number;
  declare at: Date;
  declare by: string;
  declare stage: Stage;
  declare kind: Kind;
  declare account: Account | null;
  declare item: string | null;
  declare place: string | null;
  declare out: number | null;
  declare in: number | null;
  declare unit: string | null;
  declare value: number | null;
  declare text: string | null;
  declare data: Record<string, unknown> | null;
  declare corrects: string | null;
}

export function defineEntryRow(database: Sequelize): typeof EntryRow {
  return EntryRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      jobId: { type: DataTypes.UUID, field: "job_id", allowNull: false },
      seq: { type: DataTypes.INTEGER, allowNull: false },
      at: { type: DataTypes.DATE, allowNull: false },
      by: { type: DataTypes.UUID, allowNull: false },
      stage: { type: DataTypes.TEXT, allowNull: false },
      kind: { type: DataTypes.TEXT, allowNull: false },
      account: { type: DataTypes.TEXT, allowNull: true },
      item: { type: DataTypes.TEXT, allowNull: true },
      place: { type: DataTypes.TEXT, allowNull: true },
      out: { type: DataTypes.DOUBLE, allowNull: true },
      in: { type: DataTypes.DOUBLE, allowNull: true },
      unit: { type: DataTypes.TEXT, allowNull: true },
      value: { type: DataTypes.DOUBLE, allowNull: true },
      text: { type: DataTypes.TEXT, allowNull: true },
      data: { type: DataTypes.JSONB, allowNull: true },
      corrects: { type: DataTypes.UUID, allowNull: true },
    },
    { sequelize: database, modelName: "EntryRow", tableName: "entries", timestamps: false },
  );
}
