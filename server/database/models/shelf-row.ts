import { DataTypes, Model, type Sequelize } from "sequelize";

/** Something the shop can buy. */
export class ShelfRow extends Model {
  declare shopId: string;
  declare id: string;
  declare kind: "part" | "coolant";
  declare item: string;
  declare grade: string;
  declare approval: string;
  declare supplier: string;
  declare priceCents: number;
  declare freightCents: number;
  declare days: number;
  declare partDays: number;
  declare labourDays: number;
  declare changedAt: Date;
  declare changedBy: string;
}

export function defineShelfRow(database: Sequelize): typeof ShelfRow {
  // Each its own: Sequelize writes the field's name into it.
  const text = () => ({ type: DataTypes.TEXT, allowNull: false });
  const whole = { type: DataTypes.INTEGER, allowNull: false };
  return ShelfRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      kind: text(),
      item: text(),
      grade: text(),
      approval: { ...text(), defaultValue: "" },
      supplier: text(),
      priceCents: { ...whole, field: "price_cents" },
      freightCents: { ...whole, field: "freight_cents" },
      days: { type: DataTypes.DOUBLE, allowNull: false },
      partDays: { ...whole, field: "part_days" },
      labourDays: { ...whole, field: "labour_days" },
      changedAt: { type: DataTypes.DATE, field: "changed_at", allowNull: false },
      changedBy: { type: DataTypes.UUID, field: "changed_by", allowNull: false },
    },
    { sequelize: database, modelName: "ShelfRow", tableName: "shelf", timestamps: false },
  );
}
