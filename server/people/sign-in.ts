import type { Desk } from "../database/connection.ts";
import { secondsToWait, waitWords } from "./patience.ts";
import { hashToken, newToken, secretFits } from "./secrets.ts";

export type Credentials = { personId: string; pin: string } | { name: string; password: string };

export type SignIn = { token: string; personId: string } | { refused: string; field: "pin" | "password" };

const SESSION_DAYS = 14;
const DAY_MS = 86_400_000;

/**
 * Opens a new session for somebody of this shop. Wrong tries are counted per name and answered, not thrown, so that
 * the count is kept. The person's row is held while the secret is checked: tries at once are tries in a row.
 */
export async function signIn(desk: Desk, credentials: Credentials, oldToken?: string): Promise<SignIn> {
  const { models, transaction, shopId, now } = desk;
  const byPin = "pin" in credentials;
  const field = byPin ? "pin" : "password";
  const where = byPin ? { id: credentials.personId } : { name: credentials.name };
  const person = await models.Person.findOne({
    where: { ...where, isActive: true },
    transaction,
    lock: true,
  });
  const wait = person ? secondsToWait(person.failures, person.failedAt, now) : 0;
  if (wait > 0) return { refused: waitWords(wait), field };
  const hashed = byPin ? person?.pinHash : person?.passwordHash;
  const fits = await secretFits(hashed, byPin ? credentials.pin : credentials.password);
  if (!person || !fits) {
    if (person) {
      await person.update({ failures: person.failures + 1, failedAt: now }, { transaction });
      await models.Audit.create(
        { shopId, personId: person.id, what: "wrong secret", at: now, about: { by: field } },
        { transaction },
      );
      const next = secondsToWait(person.failures, now, now);
      if (next > 0) return { refused: waitWords(next), field };
    }
    return {
      refused: byPin ? "That PIN is not this person's." : "Name and password don't belong together.",
      field,
    };
  }
  await person.update({ failures: 0, failedAt: null }, { transaction });
  if (oldToken) await models.Session.destroy({ where: { tokenHash: hashToken(oldToken) }, transaction });
  const token = newToken(shopId);
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * DAY_MS);
  await models.Session.create(
    { shopId, tokenHash: hashToken(token), personId: person.id, createdAt: now, expiresAt },
    { transaction },
  );
  await models.Audit.create(
    { shopId, personId: person.id, what: "signed in", at: now, about: { by: field } },
    { transaction },
  );
  return { token, personId: person.id };
}

/** Ends the session a token belongs to. */
export async function signOut({ models, transaction }: Desk, token: string): Promise<void> {
  await models.Session.destroy({ where: { tokenHash: hashToken(token) }, transaction });
}
