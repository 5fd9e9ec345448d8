import { atDesk, type Database, type Desk } from "../../database/connection.ts";
import { findDevice } from "./devices.ts";
import { hashToken, newToken, secretFits } from "./secrets.ts";
import { type Door, giveBack, knock, networkOf, waitWords } from "./tries.ts";

export type Credentials = { personId: string; pin: string } | { name: string; password: string };

export type SignIn = { token: string; personId: string } | { refused: string; field: "pin" | "password" };

export interface Caller {
  /** Nobody's where a shop of that name isn't there: it is tried all the same. */
  shopId: string;
  /** What the browser holds as one of the shop's own. */
  device?: string | undefined;
  /** The network address that it calls from. */
  source: string;
  /** The session that this one takes the place of. */
  oldToken?: string | undefined;
  now?: Date;
}

const SESSION_DAYS = 14;
const DAY_MS = 86_400_000;

const WRONG = {
  pin: "That PIN is not this person's.",
  password: "Name and password don't belong together.",
} as const;

function doorsOf(credentials: Credentials, shopId: string, from: string): Door[] {
  const here = `${shopId} ${from}`;
  return "pin" in credentials
    ? [
        { door: "pin", of: `${here} ${credentials.personId}` },
        { door: "pins", of: here },
      ]
    : [
        { door: "password", of: here },
        { door: "passwords", of: here },
      ];
}

interface Found {
  id: string;
  hashed: string;
}

async function find({ models, transaction }: Desk, credentials: Credentials): Promise<Found | undefined> {
  const byPin = "pin" in credentials;
  const where = byPin ? { id: credentials.personId } : { name: credentials.name };
  const person = await models.Person.findOne({ where: { ...where, isActive: true }, transaction });
  return person ? { id: person.id, hashed: byPin ? person.pinHash : person.passwordHash } : undefined;
}

async function open(
  { models, transaction, shopId, now }: Desk,
  { id, hashed }: Found,
  { field, deviceId, oldToken }: { field: "pin" | "password"; deviceId?: string; oldToken?: string },
): Promise<string | undefined> {
  // Deactivated, or given another secret, while this one was looked at.
  const still = await models.Person.findOne({
    where: { id, isActive: true, [field === "pin" ? "pinHash" : "passwordHash"]: hashed },
    transaction,
  });
  if (!still) return undefined;
  if (oldToken) await models.Session.destroy({ where: { tokenHash: hashToken(oldToken) }, transaction });
  const token = newToken(shopId);
  await models.Session.create(
    {
      ...{ shopId, tokenHash: hashToken(token), personId: id, deviceId: deviceId ?? null },
      ...{ createdAt: now, seenAt: now, expiresAt: new Date(now.getTime() + SESSION_DAYS * DAY_MS) },
    },
    { transaction },
  );
  await models.Audit.create(
    { shopId, personId: id, what: "signed in", at: now, about: { by: field, ...(deviceId && { deviceId }) } },
    { transaction },
  );
  return token;
}

/**
 * Opens a new session for somebody of this shop. Wrong tries are counted by where they come from and answered, not thrown;
 * a name that isn't there takes as long and is told the same. The secret is looked at outside any transaction.
 */
export async function signIn(
  database: Database,
  credentials: Credentials,
  { shopId, device, source, oldToken, now = new Date() }: Caller,
): Promise<SignIn> {
  const field = "pin" in credentials ? "pin" : "password";
  const at = <Result>(work: (desk: Desk) => Promise<Result>) => atDesk(database, { shopId, now }, work);
  const { deviceId, found } = await at(async (desk) => ({
    deviceId: (await findDevice(desk, device))?.id,
    found: await find(desk, credentials),
  }));
  const doors = doorsOf(credentials, shopId, deviceId ?? networkOf(source));
  const wait = await knock(database, doors);
  if (wait > 0) return { refused: waitWords(wait), field };
  const fits = await secretFits(found?.hashed, "pin" in credentials ? credentials.pin : credentials.password);
  const token =
    found && fits
      ? await at((desk) =>
          open(desk, found, { field, ...(deviceId && { deviceId }), ...(oldToken && { oldToken }) }),
        )
      : undefined;
  if (found && token) {
    await giveBack(database, doors);
    return { token, personId: found.id };
  }
  if (found)
    await at(({ models, transaction }) =>
      models.Audit.create(
        { shopId, personId: found.id, what: "wrong secret", at: now, about: { by: field } },
        { transaction },
      ),
    );
  return { refused: WRONG[field], field };
}

/** Ends the session a token belongs to. */
export async function signOut({ models, transaction }: Desk, token: string): Promise<void> {
  await models.Session.destroy({ where: { tokenHash: hashToken(token) }, transaction });
}
