import { DataTypes, Model, type Sequelize } from "sequelize";
import type { SensorPoint } from "../../../core/trade/electrics/index.ts";

/** What the maker says of a vehicle's cooling system: the figures every log is judged by. */
export class CoolingCard extends Model {
  declare shopId: string;
  declare vehicleId: string;
  declare capacityL: number;
  declare coolantKind: string;
  declare coolantProduct: string;
  declare coolantApproval: string;
  declare targetFraction: number;
  declare capGaugeKpa: number;
  declare thermostatOpensC: number;
  declare circuit: string | null;
  declare fanOnC: number[];
  declare fanOffC: number[];
  declare fanSenses: "engine" | "radiator";
  declare fillPoint: string;
  declare bleedPoints: string;
  declare oilCooler: string;
  declare sensorCurve: SensorPoint[];
  /** The plate of the vehicle that it was taken from, until somebody has looked at this one. */
  declare takenFrom: string | null;
}

export function defineCoolingCard(database: Sequelize): typeof CoolingCard {
  return CoolingCard.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      vehicleId: { type: DataTypes.UUID, field: "vehicle_id", primaryKey: true, allowNull: false },
      capacityL: { type: DataTypes.DOUBLE, field: "capacity_l", allowNull: false },
      coolantKind: { type: DataTypes.TEXT, field: "coolant_kind", allowNull: false },
      coolantProduct: { type: DataTypes.TEXT, field: "coolant_product", allowNull: false, defaultValue: "" },
      coolantApproval: {
        type: DataTypes.TEXT,
        field: "coolant_approval",
        allowNull: false,
        defaultValue: "",
      },
      targetFraction: { type: DataTypes.DOUBLE, field: "target_fraction", allowNull: false },
      capGaugeKpa: { type: DataTypes.DOUBLE, field: "cap_gauge_kpa", allowNull: false },
      thermostatOpensC: { type: DataTypes.DOUBLE, field: "thermostat_opens_c", allowNull: false },
      circuit: { type: DataTypes.TEXT, allowNull: true },
      fanOnC: { type: DataTypes.ARRAY(DataTypes.DOUBLE), field: "fan_on_c", allowNull: false },
      fanOffC: { type: DataTypes.ARRAY(DataTypes.DOUBLE), field: "fan_off_c", allowNull: false },
      fanSenses: { type: DataTypes.TEXT, field: "fan_senses", allowNull: false, defaultValue: "engine" },
      fillPoint: { type: DataTypes.TEXT, field: "fill_point", allowNull: false, defaultValue: "" },
      bleedPoints: { type: DataTypes.TEXT, field: "bleed_points", allowNull: false, defaultValue: "" },
      oilCooler: { type: DataTypes.TEXT, field: "oil_cooler", allowNull: false, defaultValue: "none" },
      sensorCurve: { type: DataTypes.JSONB, field: "sensor_curve", allowNull: false, defaultValue: [] },
      takenFrom: { type: DataTypes.TEXT, field: "taken_from", allowNull: true },
    },
    { sequelize: database, modelName: "CoolingCard", tableName: "cooling_cards", timestamps: false },
  );
}
