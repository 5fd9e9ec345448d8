import { isIP } from "node:net";
import { Trouble } from "./say.mjs";

export const USUAL_PORT = 4310;
const MOST_HOPS = 10;
const MOST_PROCESSES = 64;
const USUAL_FINISH_S = 5;

function wholeOf(environment, name, usual, from, to, what) {
  const given = environment[name];
  if (given === undefined || given === "") return usual;
  const value = Number(given);
  if (!/^\d+$/.test(given) || value < from || value > to)
    throw new Trouble(`${name}=${given} is ${what}: a whole number from ${from} to ${to} is.`);
  return value;
}

/**
 * Where the server listens and under which address the world knows it, from the environment. Whatever can't be is said in
 * a sentence: a server that guessed would be found out by whoever is locked out.
 */
export function readSettings(environment) {
  const port = wholeOf(environment, "PORT", USUAL_PORT, 1, 65_535, "no port");
  const hops = wholeOf(environment, "TRUST_PROXY", 0, 0, MOST_HOPS, "no number of proxies");
  const processes = wholeOf(environment, "PROCESSES", 1, 1, MOST_PROCESSES, "no number of processes");
  const finishS = wholeOf(environment, "FINISH_S", USUAL_FINISH_S, 1, 300, "no number of seconds");
  const metricsPort = wholeOf(environment, "METRICS_PORT", undefined, 1, 65_535, "no port");
  const host = environment.HOST || "127.0.0.1";
  if (isIP(host) === 0 && !/^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/i.test(host))
    throw new Trouble(`HOST=${host} is neither an address nor a name: 127.0.0.1, 0.0.0.0 or shop.lan is.`);
  return {
    port,
    host,
    hops,
    processes,
    finishS,
    metricsPort,
    publicUrl: readPublicUrl(environment.PUBLIC_URL),
  };
}

function readPublicUrl(given) {
  if (given === undefined || given === "") return undefined;
  const url = URL.canParse(given) ? new URL(given) : undefined;
  const isWeb = url && ["http:", "https:"].includes(url.protocol);
  if (!isWeb || url.pathname !== "/" || url.search || url.hash || url.username)
    throw new Trouble(
      `PUBLIC_URL=${given} is not where browsers find the shop: https://ledger.example is, without anything behind it.`,
    );
  return url;
}
