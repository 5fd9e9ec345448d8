import { DataTypes, Model, type Sequelize } from "sequelize";

/** A workshop: everything else belongs to one. */
export class Shop extends Model {
  declare id: string;
  declare slug: string;
  declare name: string;
  declare units: "metric" | "us";
  declare timeZone: string;
  /** By ISO 4217. */
  declare currency: string;
  declare lastJobNumber: number;
}

export function defineShop(database: Sequelize): typeof Shop {
  return Shop.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      slug: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      units: { type: DataTypes.TEXT, allowNull: false, defaultValue: "metric" },
      timeZone: { type: DataTypes.TEXT, field: "time_zone", allowNull: false, defaultValue: "UTC" },
      currency: { type: DataTypes.TEXT, allowNull: false, defaultValue: "EUR" },
      lastJobNumber: { type: DataTypes.INTEGER, field: "last_job_number", allowNull: false, defaultValue: 0 },
    },
    { sequelize: database, modelName: "Shop", tableName: "shops", timestamps: false },
  );
}
