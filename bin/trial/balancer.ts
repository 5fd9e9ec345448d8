import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { start } from "../lib/processes.mjs";
import { type Place } from "./network.ts";
import { PORTS } from "./node.ts";

/** Sends whoever writes to the node that leads, and whoever may read what is a second old to one that follows. */
const settings = (places: readonly Place[], ports: { leader: number; followers: number }) => `
global
  maxconn 2000
defaults
  mode tcp
  timeout connect 2s
  timeout client 30m
  timeout server 30m
  timeout check 1s
  default-server inter 1s fall 2 rise 1 on-marked-down shutdown-sessions
${(["leader", "followers"] as const)
  .map(
    (name) => `
listen ${name}
  bind 127.0.0.1:${ports[name]}
  option httpchk OPTIONS ${name === "leader" ? "/primary" : "/replica?lag=1MB"}
  http-check expect status 200
${places.map(({ name: node, host }) => `  server ${node} ${host}:${PORTS.postgres} check port ${PORTS.patroni}`).join("\n")}
`,
  )
  .join("")}`;

export function startBalancer(
  folder: string,
  places: readonly Place[],
  ports: { leader: number; followers: number },
): void {
  const file = join(folder, "balancer.cfg");
  writeFileSync(file, settings(places, ports));
  start("haproxy", ["-db", "-f", file], { stdio: "ignore" });
}
