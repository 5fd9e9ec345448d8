import { atDesk, type Database } from "../../database/connection.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import { giveSecret } from "./change-person.ts";
import { hashSecret, secretFits } from "./secrets.ts";
import { type Door, giveBack, knock, waitWords } from "./tries.ts";
import { weakPassword, weakPin } from "./weak-secrets.ts";

const refused = (field: string, message: string) =>
  new Refusal({ message: "", fields: { [field]: message } });

/** A secret that is guessed first is refused beside its field. */
export function checkSecrets(
  { pin, password }: { pin?: string | undefined; password?: string | undefined },
  own: readonly string[],
): void {
  const pinTrouble = pin === undefined ? undefined : weakPin(pin);
  const passwordTrouble = password === undefined ? undefined : weakPassword(password, own);
  if (pinTrouble || passwordTrouble)
    throw new Refusal({
      message: "",
      fields: {
        ...(pinTrouble && { pin: pinTrouble }),
        ...(passwordTrouble && { password: passwordTrouble }),
      },
    });
}

/**
 * Changes what the person themselves signs in by. It takes their password of now: a browser that was left open gives nobody a
 * PIN. The session that asks goes on, every other one of theirs ends.
 */
export async function changeOwnSecret(
  database: Database,
  who: { shopId: string; personId: string; session: string | undefined },
  { now, pin, password }: { now: string; pin?: string | undefined; password?: string | undefined },
): Promise<void> {
  const { shopId, personId, session } = who;
  const person = await atDesk(database, { shopId, personId }, ({ models, transaction }) =>
    models.Person.findOne({ where: { id: personId }, transaction }),
  );
  if (!person) throw notFound("That person");
  checkSecrets({ pin, password }, [person.name]);
  const doors: Door[] = [{ door: "password", of: `${shopId} own ${personId}` }];
  const wait = await knock(database, doors);
  if (wait > 0) throw refused("now", waitWords(wait));
  if (!(await secretFits(person.passwordHash, now))) throw refused("now", "That is not your password.");
  await giveBack(database, doors);
  const pinHash = pin === undefined ? undefined : await hashSecret(pin);
  const passwordHash = password === undefined ? undefined : await hashSecret(password);
  await atDesk(database, { shopId, personId }, async (desk) => {
    if (pinHash) await giveSecret(desk, personId, { pinHash }, session);
    if (passwordHash) await giveSecret(desk, personId, { passwordHash }, session);
  });
}
