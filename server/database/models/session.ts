import { DataTypes, Model, type Sequelize } from "sequelize";

/** A sign-in, found by the hash of what the cookie holds. */
export class Session extends Model {
  declare shopId: string;
  declare tokenHash: string;
  declare personId: string;
  /** The browser of the shop's own that it is on; none anywhere else. */
  declare deviceId: string | null;
  declare createdAt: Date;
  declare expiresAt: Date;
  /** When it was last used, to some minutes. */
  declare seenAt: Date;
}

export function defineSession(database: Sequelize): typeof Session {
  return Session.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      tokenHash: { type: DataTypes.TEXT, field: "token_hash", primaryKey: true, allowNull: false },
      personId: { type: DataTypes.UUID, field: "person_id", allowNull: false },
      deviceId: { type: DataTypes.UUID, field: "device_id", allowNull: true },
      createdAt: { type: DataTypes.DATE, field: "created_at", allowNull: false, defaultValue: DataTypes.NOW },
      expiresAt: { type: DataTypes.DATE, field: "expires_at", allowNull: false },
      seenAt: { type: DataTypes.DATE, field: "seen_at", allowNull: false, defaultValue: DataTypes.NOW },
    },
    { sequelize: database, modelName: "Session", tableName: "sessions", timestamps: false },
  );
}
