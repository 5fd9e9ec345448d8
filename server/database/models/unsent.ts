import { DataTypes, Model, type Sequelize } from "sequelize";

/** What a browser has told of entries that wait in it for the server. */
export class UnsentHere extends Model {
  declare shopId: string;
  declare browserId: string;
  declare name: string;
  declare entries: number;
  declare since: Date;
  declare toldAt: Date;
  declare toldBy: string;
}

export function defineUnsent(database: Sequelize): typeof UnsentHere {
  return UnsentHere.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      browserId: { type: DataTypes.UUID, field: "browser_id", primaryKey: true, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      entries: { type: DataTypes.INTEGER, allowNull: false },
      since: { type: DataTypes.DATE, allowNull: false },
      toldAt: { type: DataTypes.DATE, field: "told_at", allowNull: false },
      toldBy: { type: DataTypes.UUID, field: "told_by", allowNull: false },
    },
    { sequelize: database, modelName: "UnsentHere", tableName: "unsent", timestamps: false },
  );
}
