import { DataTypes, Model, type Sequelize } from "sequelize";

/** A vehicle's coolant level as somebody found it. */
export class LevelRow extends Model {
  declare shopId: string;
  declare id: string;
  declare vehicleId: string;
  declare at: Date;
  declare takenBy: string;
  declare missingL: number;
  declare toppedUpL: number;
  declare distanceKm: number | null;
  declare heat: "cold" | "hot";
  /** Whom the shop told what the level means. */
  declare told: string | null;
  /** How far below the line it stood, where it was taken by its height in the tank. */
  declare belowMm: number | null;
  /** Came with a list, which may say who took it. */
  declare listed: boolean;
  declare listedBy: string | null;
  declare struckAt: Date | null;
  declare struckBy: string | null;
}

export function defineLevelRow(database: Sequelize): typeof LevelRow {
  const figure = () => ({ type: DataTypes.DOUBLE, allowNull: false });
  const person = () => ({ type: DataTypes.UUID });
  return LevelRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      vehicleId: { type: DataTypes.UUID, field: "vehicle_id", allowNull: false },
      at: { type: DataTypes.DATE, allowNull: false },
      takenBy: { ...person(), field: "taken_by", allowNull: false },
      missingL: { ...figure(), field: "missing_l" },
      toppedUpL: { ...figure(), field: "topped_up_l" },
      distanceKm: { type: DataTypes.DOUBLE, field: "distance_km" },
      heat: { type: DataTypes.TEXT, allowNull: false },
      told: { type: DataTypes.TEXT },
      belowMm: { type: DataTypes.DOUBLE, field: "below_mm" },
      listed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      listedBy: { type: DataTypes.TEXT, field: "listed_by" },
      struckAt: { type: DataTypes.DATE, field: "struck_at" },
      struckBy: { ...person(), field: "struck_by" },
    },
    { sequelize: database, modelName: "LevelRow", tableName: "levels", timestamps: false },
  );
}
