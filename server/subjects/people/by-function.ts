import type { Desk } from "../../database/connection.ts";
import type { Person } from "../../database/models/person.ts";
import type { Role } from "../../desk/roles.ts";

/** Somebody new, as the database takes them: it looks who adds them and writes down that it was done. */
export async function makePerson(
  { sequelize, transaction }: Desk,
  {
    id,
    name,
    role,
    pinHash,
    passwordHash,
    isActive,
  }: { id: string; name: string; role: Role; pinHash: string; passwordHash: string; isActive: boolean },
): Promise<void> {
  await sequelize.query("SELECT add_person($1, $2, $3, $4, $5, $6)", {
    bind: [id, name, role, pinHash, passwordHash, isActive],
    transaction,
  });
}

/** What somebody does, and whether they are still here. */
export async function changeStanding(
  { sequelize, transaction }: Desk,
  { id, role, isActive }: Pick<Person, "id" | "role" | "isActive">,
): Promise<void> {
  await sequelize.query("SELECT change_standing($1, $2, $3)", { bind: [id, role, isActive], transaction });
}

/** What somebody signs in by; the one that isn't given stays. */
export async function changeSecret(
  { sequelize, transaction }: Desk,
  id: string,
  { pinHash = null, passwordHash = null }: { pinHash?: string | null; passwordHash?: string | null },
): Promise<void> {
  await sequelize.query("SELECT give_secret($1, $2, $3)", { bind: [id, pinHash, passwordHash], transaction });
}
