import { DataTypes, Model, type Sequelize } from "sequelize";
import type { Role } from "../../desk/roles.ts";

/** How one person likes it, on whatever browser. */
export interface PersonPreferences {
  units?: "metric" | "us";
  /** How single keys act: bare, with Alt held, or not at all. */
  keys?: "bare" | "alt" | "off";
}

/** Somebody of a shop, with what they sign in by. */
export class Person extends Model {
  declare shopId: string;
  declare id: string;
  declare name: string;
  declare role: Role;
  declare pinHash: string;
  declare passwordHash: string;
  declare isActive: boolean;
  declare preferences: PersonPreferences;
}

export function definePerson(database: Sequelize): typeof Person {
  return Person.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      role: { type: DataTypes.TEXT, allowNull: false },
      pinHash: { type: DataTypes.TEXT, field: "pin_hash", allowNull: false },
      passwordHash: { type: DataTypes.TEXT, field: "password_hash", allowNull: false },
      isActive: { type: DataTypes.BOOLEAN, field: "is_active", allowNull: false, defaultValue: true },
      preferences: { type: DataTypes.JSONB, allowNull: false, defaultValue: {} },
    },
    { sequelize: database, modelName: "Person", tableName: "people", timestamps: false },
  );
}
