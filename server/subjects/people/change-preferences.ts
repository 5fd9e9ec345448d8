import type { Desk } from "../../database/connection.ts";
import type { PersonPreferences } from "../../database/models/person.ts";
import { notFound } from "../../desk/refusal.ts";

/** Changes how the person at the desk likes it; what isn't given stays. */
export async function changePreferences(
  { models, transaction, personId }: Desk,
  given: PersonPreferences,
): Promise<void> {
  const person = personId
    ? await models.Person.findOne({ where: { id: personId }, transaction, lock: true })
    : null;
  if (!person) throw notFound("That person");
  await person.update({ preferences: { ...person.preferences, ...given } }, { transaction });
}
