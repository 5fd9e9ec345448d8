import { DataTypes, Model, type Sequelize } from "sequelize";

/** A second look as its job's book has it now. */
export class FollowUpRow extends Model {
  declare shopId: string;
  declare jobId: string;
  declare key: string;
  declare vehicleId: string;
  declare what: string;
  declare state: "open" | "done" | "dropped";
  /** A day, such as 2031-03-06. */
  declare dueOn: string | null;
  declare dueKm: number | null;
  declare said: string | null;
  declare changedAt: Date;
  declare changedBy: string;
}

export function defineFollowUpRow(database: Sequelize): typeof FollowUpRow {
  return FollowUpRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      jobId: { type: DataTypes.UUID, field: "job_id", primaryKey: true, allowNull: false },
      key: { type: DataTypes.TEXT, primaryKey: true, allowNull: false },
      vehicleId: { type: DataTypes.UUID, field: "vehicle_id", allowNull: false },
      what: { type: DataTypes.TEXT, allowNull: false },
      state: { type: DataTypes.TEXT, allowNull: false },
      dueOn: { type: DataTypes.DATEONLY, field: "due_on" },
      dueKm: { type: DataTypes.DOUBLE, field: "due_km" },
      said: { type: DataTypes.TEXT },
      changedAt: { type: DataTypes.DATE, field: "changed_at", allowNull: false },
      changedBy: { type: DataTypes.UUID, field: "changed_by", allowNull: false },
    },
    { sequelize: database, modelName: "FollowUpRow", tableName: "follow_ups", timestamps: false },
  );
}
