import { DataTypes, Model, type Sequelize } from "sequelize";

/** What makes one browser the shop's own, once and until it expires. */
export class Invitation extends Model {
  declare shopId: string;
  declare tokenHash: string;
  declare name: string;
  declare madeBy: string;
  declare expiresAt: Date;
}

export function defineInvitation(database: Sequelize): typeof Invitation {
  return Invitation.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      tokenHash: { type: DataTypes.TEXT, field: "token_hash", primaryKey: true, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      madeBy: { type: DataTypes.UUID, field: "made_by", allowNull: false },
      expiresAt: { type: DataTypes.DATE, field: "expires_at", allowNull: false },
    },
    { sequelize: database, modelName: "Invitation", tableName: "invitations", timestamps: false },
  );
}
