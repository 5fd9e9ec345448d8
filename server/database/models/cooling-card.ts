import { DataTypes, Model, type ModelAttributeColumnOptions, type Sequelize } from "sequelize";
import { CARD_FIELDS, CARD_NAMES, type CardField, type CoolingCard } from "../../../core/trade/car/index.ts";

/** A vehicle's cooling card as the books keep it: the fields of `CARD_FIELDS`, each in a column of its name. */
export interface CoolingCardRow extends CoolingCard {}
// biome-ignore lint/suspicious/noUnsafeDeclarationMerging: the mapper makes a property of every column in the list
export class CoolingCardRow extends Model {
  declare shopId: string;
  declare vehicleId: string;
  /** The plate of the vehicle that it was taken from, until somebody has looked at this one. */
  declare takenFrom: string | null;
}

const snake = (name: string) => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

function column(name: string, field: CardField): ModelAttributeColumnOptions {
  const kept = {
    field: snake(name),
    allowNull: (field.is === "choice" || field.is === "figure") && Boolean(field.open),
  };
  switch (field.is) {
    case "figure":
      return { ...kept, type: DataTypes.DOUBLE };
    case "stages":
      return { ...kept, type: DataTypes.ARRAY(DataTypes.DOUBLE) };
    case "curve":
      return { ...kept, type: DataTypes.JSONB, defaultValue: [] };
    case "text":
      return { ...kept, type: DataTypes.TEXT, defaultValue: "" };
    case "choice":
      return { ...kept, type: DataTypes.TEXT, ...(field.usual && { defaultValue: field.usual }) };
  }
}

export function defineCoolingCard(database: Sequelize): typeof CoolingCardRow {
  return CoolingCardRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      vehicleId: { type: DataTypes.UUID, field: "vehicle_id", primaryKey: true, allowNull: false },
      ...Object.fromEntries(CARD_NAMES.map((name) => [name, column(name, CARD_FIELDS[name])])),
      takenFrom: { type: DataTypes.TEXT, field: "taken_from", allowNull: true },
    },
    { sequelize: database, modelName: "CoolingCard", tableName: "cooling_cards", timestamps: false },
  );
}
