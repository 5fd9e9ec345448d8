import { alone } from "../../database/alone.ts";
import type { Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";
import type { Role } from "../../desk/roles.ts";
import { makePerson } from "./by-function.ts";

export interface NewPerson {
  id: string;
  name: string;
  role: Role;
  pinHash: string;
  passwordHash: string;
}

export async function addPerson(desk: Desk, person: NewPerson): Promise<void> {
  const { models, transaction } = desk;
  await alone(desk, "people");
  const same = await models.Person.findOne({ where: { id: person.id }, transaction });
  if (same && same.name !== person.name)
    throw new Refusal({
      status: 409,
      message: `${same.name} was added from this form already. Load the page again.`,
    });
  const namesake = await models.Person.findOne({ where: { name: person.name }, transaction });
  if (namesake?.id === person.id) return;
  if (namesake)
    throw new Refusal({
      message: "",
      fields: { name: "Somebody of this shop has that name already. Add an initial." },
    });
  await makePerson(desk, { ...person, isActive: true });
}
