import { DataTypes, Model, type Sequelize } from "sequelize";

/** A browser that belongs to the shop, where people sign in by name tile and PIN. */
export class Device extends Model {
  declare shopId: string;
  declare id: string;
  declare name: string;
  declare tokenHash: string;
  declare createdAt: Date;
}

export function defineDevice(database: Sequelize): typeof Device {
  return Device.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      tokenHash: { type: DataTypes.TEXT, field: "token_hash", allowNull: false },
      createdAt: { type: DataTypes.DATE, field: "created_at", allowNull: false, defaultValue: DataTypes.NOW },
    },
    { sequelize: database, modelName: "Device", tableName: "devices", timestamps: false },
  );
}
