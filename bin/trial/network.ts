import { finish } from "../lib/processes.mjs";

const BRIDGE = "ledger0";
const NET = "10.77.43";

/** Where a node of the trial stands: an address, and what a command is put behind to run there. */
export interface Place {
  name: string;
  host: string;
  inside: readonly string[];
  /** Nobody hears it and it hears nobody, until it is joined again. */
  cutOff: () => Promise<unknown>;
  join: () => Promise<unknown>;
}

const ip = (...args: string[]) => finish("ip", args);
const ignoring = (...args: string[]) => finish("ip", args, { allowFail: true });

/** Takes away what an earlier trial, or this one, has laid. */
export async function takeNetworkAway(names: readonly string[]): Promise<void> {
  for (const name of names) {
    await ignoring("netns", "del", name);
    await ignoring("link", "del", `${name}-out`);
  }
  await ignoring("link", "del", BRIDGE);
}

async function place(name: string, number: number): Promise<Place> {
  const [out, host] = [`${name}-out`, `${NET}.${number}`];
  await ip("netns", "add", name);
  await ip("link", "add", out, "type", "veth", "peer", "name", "eth0", "netns", name);
  await ip("link", "set", out, "master", BRIDGE, "up");
  await ip("-n", name, "addr", "add", `${host}/24`, "dev", "eth0");
  await ip("-n", name, "link", "set", "eth0", "up");
  await ip("-n", name, "link", "set", "lo", "up");
  return {
    ...{ name, host, inside: ["ip", "netns", "exec", name] },
    cutOff: () => ip("link", "set", out, "down"),
    join: () => ip("link", "set", out, "up"),
  };
}

/** As many machines as there are names, each with a network of its own that can be pulled out; this machine is the last address. */
export async function layNetwork(names: readonly string[]): Promise<Place[]> {
  await takeNetworkAway(names);
  await ip("link", "add", BRIDGE, "type", "bridge");
  await ip("addr", "add", `${NET}.254/24`, "dev", BRIDGE);
  await ip("link", "set", BRIDGE, "up");
  const places: Place[] = [];
  for (const [index, name] of names.entries()) places.push(await place(name, index + 1));
  return places;
}
