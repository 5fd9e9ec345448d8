import { DataTypes, Model, type Sequelize } from "sequelize";

/** A warm-up log as it was handed in, gzipped. */
export class Log extends Model {
  declare shopId: string;
  declare id: string;
  declare jobId: string;
  declare name: string;
  declare rows: number;
  declare sha256: string;
  declare content: Buffer;
  declare createdBy: string;
  declare createdAt: Date;
}

export function defineLog(database: Sequelize): typeof Log {
  return Log.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      jobId: { type: DataTypes.UUID, field: "job_id", allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      rows: { type: DataTypes.INTEGER, allowNull: false },
      sha256: { type: DataTypes.TEXT, allowNull: false },
      content: { type: DataTypes.BLOB, allowNull: false },
      createdBy: { type: DataTypes.UUID, field: "created_by", allowNull: false },
      createdAt: { type: DataTypes.DATE, field: "created_at", allowNull: false, defaultValue: DataTypes.NOW },
    },
    { sequelize: database, modelName: "Log", tableName: "logs", timestamps: false },
  );
}
