import { Op } from "sequelize";
import { alone } from "../../database/alone.ts";
import type { Desk } from "../../database/connection.ts";
import type { Person } from "../../database/models/person.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import type { Role } from "../../desk/roles.ts";
import { changeSecret, changeStanding } from "./by-function.ts";
import { hashToken } from "./secrets.ts";
import { letIn } from "./tries.ts";

async function held(desk: Desk, id: string): Promise<Person> {
  const { models, transaction } = desk;
  const person = await models.Person.findOne({ where: { id }, transaction, lock: true });
  if (!person) throw notFound("That person");
  return person;
}

const noted = (
  { models, transaction, shopId, personId, now }: Desk,
  what: string,
  about: Record<string, string>,
) => models.Audit.create({ shopId, personId, what, at: now, about }, { transaction });

/** Ends what somebody is signed in to, on every browser; but for the session that is `kept`. */
async function endSessions({ models, transaction }: Desk, personId: string, kept?: string): Promise<void> {
  await models.Session.destroy({
    where: { personId, ...(kept ? { tokenHash: { [Op.ne]: hashToken(kept) } } : {}) },
    transaction,
  });
}

/** A shop without a lead could never have one again. */
async function someLeadStays({ models, transaction }: Desk, without: string): Promise<void> {
  const others = await models.Person.count({
    where: { role: "lead", isActive: true, id: { [Op.ne]: without } },
    transaction,
  });
  if (others === 0)
    throw new Refusal({
      status: 409,
      message: "The shop's only lead has to stay one. Make somebody else a lead first.",
    });
}

/** Another name for the same person; what they wrote stands under it too. */
export async function renamePerson(desk: Desk, id: string, name: string): Promise<void> {
  await alone(desk, "people");
  const person = await held(desk, id);
  const namesake = await desk.models.Person.findOne({ where: { name }, transaction: desk.transaction });
  if (namesake && namesake.id !== id)
    throw new Refusal({
      message: "",
      fields: { name: "Somebody of this shop has that name already. Add an initial." },
    });
  if (person.name === name) return;
  await noted(desk, "person renamed", { id, from: person.name, to: name });
  await person.update({ name }, { transaction: desk.transaction });
}

/** What somebody does from now on; they sign in again for it. */
export async function changeRole(desk: Desk, id: string, role: Role): Promise<void> {
  await alone(desk, "people");
  const person = await held(desk, id);
  if (person.role === role) return;
  if (person.role === "lead" && person.isActive) await someLeadStays(desk, id);
  await changeStanding(desk, { id, role, isActive: person.isActive });
  await endSessions(desk, id);
}

/** Whoever left signs in no more; what they wrote stays theirs. Whoever is back signs in as before. */
export async function setActive(desk: Desk, id: string, isActive: boolean): Promise<void> {
  await alone(desk, "people");
  const person = await held(desk, id);
  if (person.isActive === isActive) return;
  if (!isActive && person.role === "lead") await someLeadStays(desk, id);
  await changeStanding(desk, { id, role: person.role, isActive });
  if (!isActive) await endSessions(desk, id);
}

/** What somebody signs in by from now on, worked out already; every other session of theirs ends. */
export async function giveSecret(
  desk: Desk,
  id: string,
  given: { pinHash: string } | { passwordHash: string },
  keptSession?: string,
): Promise<void> {
  await held(desk, id);
  await changeSecret(desk, id, given);
  await endSessions(desk, id, keptSession);
  await letIn(desk, id);
}

/** Opens the door again to somebody who mistyped their PIN too often. */
export async function letPersonIn(desk: Desk, id: string): Promise<void> {
  await held(desk, id);
  await letIn(desk, id);
  await noted(desk, "let in again", { id });
}
