import type { ClusterNode } from "./node.ts";

const LOOK_MS = 250;
const LONGEST_MS = 120_000;
/** A leader that comes back thinks for a moment that it still is one. */
const STEADY_LOOKS = 12;

/** The ways in which a leader is lost here, each with what brings it back. */
export const LOSSES: {
  name: string;
  lose: (node: ClusterNode) => unknown;
  mend: (node: ClusterNode) => unknown;
}[] = [
  { name: "killed", lose: (node) => node.kill(), mend: (node) => node.startDatabase() },
  { name: "frozen", lose: (node) => node.freeze(), mend: (node) => node.thaw() },
  { name: "cut off", lose: (node) => node.place.cutOff(), mend: (node) => node.place.join() },
];

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

export async function leaderOf(nodes: readonly ClusterNode[]): Promise<ClusterNode | undefined> {
  const roles = await Promise.all(nodes.map((node) => node.role()));
  return nodes[roles.indexOf("leader")];
}

/** Until one leads, one follows it in step and the others follow; answers with how long that took, in ms. */
export async function untilWhole(nodes: readonly ClusterNode[]): Promise<number> {
  const from = performance.now();
  for (let steady = 0; ; ) {
    const roles = await Promise.all(nodes.map((node) => node.role()));
    const count = (role: string) => roles.filter((each) => each === role).length;
    const isWhole = count("leader") === 1 && count("in step") >= 1 && count("silent") === 0;
    steady = isWhole ? steady + 1 : 0;
    if (steady === STEADY_LOOKS) return performance.now() - from;
    if (performance.now() - from > LONGEST_MS) throw new Error(`the nodes stay ${roles.join(", ")}`);
    await pause(LOOK_MS);
  }
}
