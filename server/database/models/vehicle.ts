import { DataTypes, Model, type Sequelize } from "sequelize";
import type { CoolingCardRow } from "./cooling-card.ts";

/** A vehicle the shop looks after. */
export class Vehicle extends Model {
  declare shopId: string;
  declare id: string;
  /** Where it was read with it. */
  declare card?: CoolingCardRow | null;
  declare plate: string;
  /** Null until somebody has read it. */
  declare vin: string | null;
  declare name: string;
  declare use: string;
  /** Whose it is, and where they are told of it; null where nobody said, or where they were forgotten. */
  declare ownerName: string | null;
  declare ownerPhone: string | null;
  declare distanceKm: number | null;
  /** What it came into the books with. */
  declare firstDistanceKm: number | null;
  /** How far the minimum mark of its tank lies below the line, litres; null until somebody measured it. */
  declare minimumL: number | null;
  /** How far a litre lifts its tank, mm; null where nobody has measured it. */
  declare tankLiftsMm: number | null;
}

export function defineVehicle(database: Sequelize): typeof Vehicle {
  return Vehicle.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      plate: { type: DataTypes.TEXT, allowNull: false },
      vin: { type: DataTypes.TEXT, allowNull: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      use: { type: DataTypes.TEXT, allowNull: false, defaultValue: "" },
      ownerName: { type: DataTypes.TEXT, field: "owner_name", allowNull: true },
      ownerPhone: { type: DataTypes.TEXT, field: "owner_phone", allowNull: true },
      firstDistanceKm: { type: DataTypes.DOUBLE, field: "first_distance_km", allowNull: true },
      tankLiftsMm: { type: DataTypes.DOUBLE, field: "tank_lifts_mm", allowNull: true },
      minimumL: { type: DataTypes.DOUBLE, field: "minimum_l", allowNull: true },
      distanceKm: { type: DataTypes.DOUBLE, field: "distance_km", allowNull: true },
    },
    { sequelize: database, modelName: "Vehicle", tableName: "vehicles", timestamps: false },
  );
}
