import { DataTypes, Model, type Sequelize } from "sequelize";

/** Who did what to the shop itself. Append-only. */
export class Audit extends Model {
  declare shopId: string;
  declare id: number;
  declare at: Date;
  declare personId: string | null;
  declare what: string;
  declare about: Record<string, unknown>;
}

export function defineAudit(database: Sequelize): typeof Audit {
  return Audit.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.BIGINT, primaryKey: true, allowNull: false, autoIncrement: true },
      at: { type: DataTypes.DATE, allowNull: false, defaultValue: DataTypes.NOW },
      personId: { type: DataTypes.UUID, field: "person_id", allowNull: true },
      what: { type: DataTypes.TEXT, allowNull: false },
      about: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
    },
    { sequelize: database, modelName: "Audit", tableName: "audit", timestamps: false },
  );
}
