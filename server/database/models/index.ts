import type { Sequelize } from "sequelize";
import { defineAudit } from "./audit.ts";
import { defineCoolingCard } from "./cooling-card.ts";
import { defineDevice } from "./device.ts";
import { defineEntryRow } from "./entry.ts";
import { defineFollowUpRow } from "./follow-up-row.ts";
import { defineInvitation } from "./invitation.ts";
import { defineJob } from "./job.ts";
import { defineLevelRow } from "./level-row.ts";
import { defineLog } from "./log.ts";
import { definePerson } from "./person.ts";
import { definePicture } from "./picture.ts";
import { defineSession } from "./session.ts";
import { defineShelfRow } from "./shelf-row.ts";
import { defineShop } from "./shop.ts";
import { defineUnsent } from "./unsent.ts";
import { defineVehicle } from "./vehicle.ts";

export function defineModels(database: Sequelize) {
  const models = {
    Shop: defineShop(database),
    Person: definePerson(database),
    Device: defineDevice(database),
    Session: defineSession(database),
    Invitation: defineInvitation(database),
    Vehicle: defineVehicle(database),
    CoolingCard: defineCoolingCard(database),
    Job: defineJob(database),
    Entry: defineEntryRow(database),
    Log: defineLog(database),
    Picture: definePicture(database),
    Audit: defineAudit(database),
    ShelfRow: defineShelfRow(database),
    LevelRow: defineLevelRow(database),
    FollowUpRow: defineFollowUpRow(database),
    UnsentHere: defineUnsent(database),
  };
  const { Job, Vehicle, CoolingCard } = models;
  // Only to read them together: keys are the migrations' business.
  Job.belongsTo(Vehicle, { as: "vehicle", foreignKey: "vehicleId", targetKey: "id", constraints: false });
  Vehicle.hasOne(CoolingCard, { as: "card", foreignKey: "vehicleId", sourceKey: "id", constraints: false });
  return models;
}

export type Models = ReturnType<typeof defineModels>;
