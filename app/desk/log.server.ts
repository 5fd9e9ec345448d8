import pino from "pino";

export const log = pino({ level: process.env.LOG_LEVEL ?? "info", base: null });

/** A request's address as the log has it: the server has taken out what in it is a secret. */
export function loggedPath(context: unknown, request: Request): string {
  const { path } = (context ?? {}) as { path?: unknown };
  return typeof path === "string" ? path : new URL(request.url).pathname;
}
