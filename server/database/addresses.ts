import { createHmac } from "node:crypto";

/** The role that every request works as: owns nothing, is no superuser, and so can't get round row security. */
export const APP_ROLE = "warm_ledger_app";

/**
 * The password of the application's role, derived from the owner's address, so that any number of web processes come
 * to the same one without a file between them.
 */
export function appPassword(ownerUrl: string): string {
  const { username, password } = new URL(ownerUrl);
  return createHmac("sha256", `${username}:${password}`).update(APP_ROLE).digest("base64url");
}

/** The address that web processes connect with: APP_DATABASE_URL where it is given, else derived from the owner's. */
export function appUrl(environment: NodeJS.ProcessEnv): string {
  if (environment.APP_DATABASE_URL) return environment.APP_DATABASE_URL;
  if (!environment.DATABASE_URL)
    throw new Error("Neither APP_DATABASE_URL nor DATABASE_URL says where the database is.");
  const url = new URL(environment.DATABASE_URL);
  url.username = APP_ROLE;
  url.password = appPassword(environment.DATABASE_URL);
  return url.toString();
}
