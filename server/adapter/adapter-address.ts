import { Refusal } from "../desk/refusal.ts";
import type { AdapterAddress } from "./adapter-line.ts";

const HOST = /^[a-z0-9](?:[a-z0-9.-]{0,118}[a-z0-9])?$/i;
/** Machines that tell a hosted program its own secrets at such addresses are no adapters. */
const NEVER = /^(?:169\.254\.|0\.|localhost\.localdomain$)/;

/** What a shop says of its adapter, held to what can be one. Refuses with fields. */
export function checkedAddress({ host, port }: { host: string; port: number }): AdapterAddress {
  const fields: Record<string, string> = {};
  if (!HOST.test(host) || NEVER.test(host))
    fields.host = "A name or number on the shop's network, such as 10.0.0.40.";
  if (!Number.isInteger(port) || port < 1 || port > 65_535) fields.port = "A port from 1 to 65535.";
  if (Object.keys(fields).length > 0) throw new Refusal({ message: "", fields });
  return { host, port };
}

/** The adapter as the shop's row keeps it; nothing where there is none, or it can't be read. */
export function readAddress(kept: unknown): AdapterAddress | undefined {
  const { host, port } = (kept ?? {}) as { host?: unknown; port?: unknown };
  return typeof host === "string" && typeof port === "number" && HOST.test(host) ? { host, port } : undefined;
}
