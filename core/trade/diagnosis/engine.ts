import type { Network } from "./network.ts";

/** Cold, hot, and hot by a warm-up that other tests of its group may share while it lasts. */
export type Heat = "cold" | "hot" | `warming ${string}`;

/** What doing a test costs from an engine that stands so: its own minutes, heating it, or waiting until it is cold. */
export function heatedCents(network: Network, test: number, heat: Heat): number {
  const it = network.tests[test];
  if (!it) return Number.POSITIVE_INFINITY;
  if (it.need === "hot") return it.cents + (heat === "cold" ? network.heatCents : 0);
  if (it.need === "cold") return it.cents + (heat === "cold" ? 0 : network.coolCents);
  if (it.need !== "heats" || heat === "cold") return it.cents;
  return heat === `warming ${it.shares}`
    ? Math.min(it.cents, network.alongCents)
    : it.cents + network.coolCents;
}

/** How the engine stands after a test. */
export function heatAfter(network: Network, test: number, heat: Heat): Heat {
  const it = network.tests[test];
  if (it?.need === "cold") return "cold";
  if (it?.need === "hot") return "hot";
  if (it?.need === "heats") return it.shares ? `warming ${it.shares}` : "hot";
  return heat;
}
