import { QueryTypes } from "sequelize";
import { backupUrl } from "./backup-role.ts";
import { openDatabase } from "./connection.ts";

/** Every shop of an installation, by the role that reads all of them: for commands of whoever runs it, never for a request. */
export async function allShops(ownerUrl: string): Promise<{ id: string; name: string }[]> {
  const all = openDatabase(backupUrl(ownerUrl), { isPatient: true });
  try {
    return await all.sequelize.query("SELECT id, name FROM shops ORDER BY name", { type: QueryTypes.SELECT });
  } finally {
    await all.sequelize.close();
  }
}
