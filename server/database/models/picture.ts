import { DataTypes, Model, type Sequelize } from "sequelize";

/** A picture of a job, shrunk and cleaned; `sha256` is that of the file as it was handed in. */
export class PictureRow extends Model {
  declare shopId: string;
  declare id: string;
  declare jobId: string;
  declare width: number;
  declare height: number;
  declare sha256: string;
  declare content: Buffer;
  declare small: Buffer;
  declare createdBy: string;
  declare createdAt: Date;
}

export function definePicture(database: Sequelize): typeof PictureRow {
  return PictureRow.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      jobId: { type: DataTypes.UUID, field: "job_id", allowNull: false },
      width: { type: DataTypes.INTEGER, allowNull: false },
      height: { type: DataTypes.INTEGER, allowNull: false },
      sha256: { type: DataTypes.TEXT, allowNull: false },
      content: { type: DataTypes.BLOB, allowNull: false },
      small: { type: DataTypes.BLOB, allowNull: false },
      createdBy: { type: DataTypes.UUID, field: "created_by", allowNull: false },
      createdAt: { type: DataTypes.DATE, field: "created_at", allowNull: false },
    },
    { sequelize: database, modelName: "Picture", tableName: "pictures", timestamps: false },
  );
}
