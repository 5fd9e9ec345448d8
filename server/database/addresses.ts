import { createHash, createHmac } from "node:crypto";

const LONGEST_NAME = 63;
const LONGEST_KEPT = 40;

const databaseOf = (url: string): string => {
  const { pathname, username } = new URL(url);
  return decodeURIComponent(pathname.slice(1)) || decodeURIComponent(username);
};

/**
 * The role that every request works as: owns nothing, is no superuser, and so can't get round row security. Each database
 * has its own, named after it, since a server's databases share their roles and one's password must not be the other's.
 */
export function appRole(ownerUrl: string): string {
  const name = `${databaseOf(ownerUrl)}_app`;
  if (Buffer.byteLength(name) <= LONGEST_NAME) return name;
  const told = createHash("sha256").update(name).digest("hex").slice(0, 12);
  return `${name.replace(/[^\x20-\x7e]/g, "_").slice(0, LONGEST_KEPT)}_${told}_app`;
}

/**
 * The password of the application's role, derived from the owner's address, so that any number of web processes come
 * to the same one without a file between them.
 */
export function appPassword(ownerUrl: string): string {
  const { username, password } = new URL(ownerUrl);
  return createHmac("sha256", `${username}:${password}`).update(appRole(ownerUrl)).digest("base64url");
}

/** The address that web processes connect with: APP_DATABASE_URL where it is given, else derived from the owner's. */
export function appUrl(environment: NodeJS.ProcessEnv): string {
  if (environment.APP_DATABASE_URL) return environment.APP_DATABASE_URL;
  if (!environment.DATABASE_URL)
    throw new Error("Neither APP_DATABASE_URL nor DATABASE_URL says where the database is.");
  const url = new URL(environment.DATABASE_URL);
  url.username = encodeURIComponent(appRole(environment.DATABASE_URL));
  url.password = appPassword(environment.DATABASE_URL);
  return url.toString();
}

/**
 * The address that a process listens at for what others wrote: DIRECT_DATABASE_URL where a pooler stands before the other one,
 * since a pooler that hands a connection on after each transaction tells nobody anything.
 */
export const directUrl = (environment: NodeJS.ProcessEnv): string =>
  environment.DIRECT_DATABASE_URL || appUrl(environment);
