import { createHash, randomBytes } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { lane } from "../../threads/lane.ts";

/** One core hashes, the other one books; a shop's whole morning fits behind it. */
const hashing = lane({ name: "secrets", atOnce: 1, mostWaiting: 200 });

/** Argon2id with the library's defaults (19 MiB, two passes), which are OWASP's. */
export const hashSecret = (secret: string): Promise<string> => hashing(() => hash(secret));

/** What somebody signs in by, as it is kept: worked out before a transaction is open, not in one. */
export async function hashSecrets<Given extends { pin: string; password: string }>({
  pin,
  password,
  ...rest
}: Given) {
  const [pinHash, passwordHash] = await Promise.all([hashSecret(pin), hashSecret(password)]);
  return { ...rest, pinHash, passwordHash };
}

let nobodys: Promise<string> | undefined;

/** What nobody signs in by, for those who stand in a book by name alone: worked out once, whatever their number. */
export function nobodysSecret(): Promise<string> {
  nobodys ??= hash(randomBytes(32).toString("hex"));
  return nobodys;
}

let stranger: Promise<string> | undefined;

/** True where the secret is the one hashed. Takes as long for somebody who isn't there as for somebody who is. */
export async function secretFits(hashed: string | undefined, secret: string): Promise<boolean> {
  stranger ??= hash("nobody");
  const against = hashed ?? (await stranger);
  const fits = await hashing(() => verify(against, secret));
  return fits && hashed !== undefined;
}

/** A token for a cookie: it names its shop, so that row security can be set before it is looked up. */
export const newToken = (shopId: string): string => `${shopId}.${randomBytes(32).toString("base64url")}`;

const TOKEN = /^([0-9a-f]{8}-[0-9a-f-]{27})\.([\w-]{43})$/;

/** The shop a token names, or nothing where it isn't one of ours. */
export const shopOfToken = (token: string | undefined): string | undefined => TOKEN.exec(token ?? "")?.[1];

export const hashToken = (token: string): string => createHash("sha256").update(token).digest("hex");
