import { DataTypes, Model, type Sequelize } from "sequelize";
import type { Vehicle } from "./vehicle.ts";

export interface JobOrigin {
  shop: string;
  number: number;
  jobId: string;
  exportedAt: string;
  /** When it was read in here, and by whom; older ones don't say. */
  readInAt?: string;
  readInBy?: string;
  /** The last line's hash there, where the file says it. */
  lastHash?: string;
  /** Of the file's text, so that the same job is told from a changed one. */
  sha256: string;
  /** The names that stood under the lines there, by the ids of the people here. */
  people: Record<string, string>;
}

/** One set of books on one vehicle. */
export class Job extends Model {
  declare shopId: string;
  declare id: string;
  declare number: number;
  declare vehicleId: string;
  /** Where it was read with it. */
  declare vehicle?: Vehicle;
  declare openedBy: string;
  declare assignedTo: string | null;
  declare bay: string;
  /** How far its book goes, and the hash of its last line: the database moves both as a line is written. */
  declare lastSeq: number;
  declare lastHash: Buffer | null;
  declare openedAt: Date;
  declare signedAt: Date | null;
  declare signedBy: string | null;
  declare signReason: string | null;
  /** What its verdict is counted as in the shop's history, once it is signed. */
  declare countedCircuit: string | null;
  declare countedHypothesis: string | null;
  /** Where it came from, where it was read in from a file. */
  declare origin: JobOrigin | null;
  /** So many lines came with it, in other hands and of another time. */
  declare linesReadIn: number | null;
}

export function defineJob(database: Sequelize): typeof Job {
  return Job.init(
    {
      shopId: { type: DataTypes.UUID, field: "shop_id", primaryKey: true, allowNull: false },
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      number: { type: DataTypes.INTEGER, allowNull: false },
      vehicleId: { type: DataTypes.UUID, field: "vehicle_id", allowNull: false },
      openedBy: { type: DataTypes.UUID, field: "opened_by", allowNull: false },
      assignedTo: { type: DataTypes.UUID, field: "assigned_to", allowNull: true },
      bay: { type: DataTypes.TEXT, allowNull: false, defaultValue: "" },
      lastSeq: { type: DataTypes.INTEGER, field: "last_seq", allowNull: false, defaultValue: 0 },
      lastHash: { type: DataTypes.BLOB, field: "last_hash", allowNull: true },
      openedAt: { type: DataTypes.DATE, field: "opened_at", allowNull: false },
      signedAt: { type: DataTypes.DATE, field: "signed_at", allowNull: true },
      signedBy: { type: DataTypes.UUID, field: "signed_by", allowNull: true },
      countedCircuit: { type: DataTypes.TEXT, field: "counted_circuit", allowNull: true },
      countedHypothesis: { type: DataTypes.TEXT, field: "counted_hypothesis", allowNull: true },
      origin: { type: DataTypes.JSONB, allowNull: true },
      linesReadIn: { type: DataTypes.INTEGER, field: "lines_read_in", allowNull: true },
      signReason: { type: DataTypes.TEXT, field: "sign_reason", allowNull: true },
    },
    { sequelize: database, modelName: "Job", tableName: "jobs", timestamps: false },
  );
}
