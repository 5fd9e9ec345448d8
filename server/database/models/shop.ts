import { DataTypes, Model, type Sequelize } from "sequelize";
import type { ShopHours } from "../../../core/stages/day/index.ts";
import type { FollowUpRule } from "../../../core/trade/follow-ups/index.ts";

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
  /** Null where the shop hasn't made its own. */
  declare followUpRules: FollowUpRule[] | null;
  declare calendarHash: string | null;
  /** Metres, and the coldest °C that its vehicles have to stand; null until somebody said. */
  declare altitudeM: number | null;
  declare coldestC: number | null;
  /** Null until the shop has said its own. */
  declare hours: ShopHours | null;
  /** Where its diagnostic adapter is; null where it has none. */
  declare adapter: { host: string; port: number; isStandIn?: boolean } | null;
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
      followUpRules: { type: DataTypes.JSONB, field: "follow_up_rules" },
      calendarHash: { type: DataTypes.TEXT, field: "calendar_hash" },
      altitudeM: { type: DataTypes.DOUBLE, field: "altitude_m" },
      coldestC: { type: DataTypes.DOUBLE, field: "coldest_c" },
      hours: { type: DataTypes.JSONB },
      adapter: { type: DataTypes.JSONB },
    },
    { sequelize: database, modelName: "Shop", tableName: "shops", timestamps: false },
  );
}
