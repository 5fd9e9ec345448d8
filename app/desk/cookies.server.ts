import { createCookie } from "react-router";
import { HANDS_COOKIE } from "./hands-cookie.ts";

const DAYS = 86_400;
/** Where browsers come by https, as PUBLIC_URL says, cookies are kept to it; a shop's tablet may reach its own server by plain address on its own net. */
const secure = process.env.PUBLIC_URL?.startsWith("https:") ?? false;
const kept = { httpOnly: true, sameSite: "lax", path: "/", secure } as const;
/** Nobody else of the same domain can put one of that name there. */
const named = (name: string) => (secure ? `__Host-${name}` : name);

/** Holds the session's token; only its hash is stored. */
export const sessionCookie = createCookie(named("session"), { ...kept, maxAge: 14 * DAYS });
/** Makes this browser one of the shop's own. */
export const deviceCookie = createCookie(named("device"), { ...kept, maxAge: 3650 * DAYS });
/** How this browser shows things. */
export const preferenceCookie = createCookie("preferences", { ...kept, maxAge: 3650 * DAYS });

export async function readCookie(
  cookie: typeof sessionCookie,
  request: Request,
): Promise<string | undefined> {
  const value: unknown = await cookie.parse(request.headers.get("Cookie"));
  return typeof value === "string" ? value : undefined;
}

const AWAY = new RegExp(`(?:^|; ?)${HANDS_COOKIE}=away(?:;|$)`);

/** Whether a page asks by itself, that nobody has touched for a while. */
export const isUntouched = (request: Request): boolean => AWAY.test(request.headers.get("Cookie") ?? "");

export interface Preferences {
  /** As the system has it until somebody chooses. */
  theme: "day" | "dim" | "system";
}

export async function readPreferences(request: Request): Promise<Preferences> {
  const value: unknown = await preferenceCookie.parse(request.headers.get("Cookie"));
  const { theme } = (value && typeof value === "object" ? value : {}) as Record<string, unknown>;
  return { theme: theme === "dim" || theme === "day" ? theme : "system" };
}
