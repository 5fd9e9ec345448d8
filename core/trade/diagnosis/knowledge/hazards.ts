import { CAP_OPENS_WORDS } from "../../limits/index.ts";
import type { Hazard, RepairKnowledge, TestKnowledge } from "./knowledge.ts";

/** One short caution a hazard, shown where the test is. The maker's instructions come before any of them. */
export const CAUTIONS: Record<Hazard, string> = {
  "fan may start": "The fan may start at any moment, key off too: hands and sleeves clear.",
  "engine running": "Engine running: doors open, extraction on, sleeves off belts.",
  "hot coolant": "Hot coolant scalds: gloves, face away, cap stays shut.",
  pressure: `Never open a hot cap: ${CAP_OPENS_WORDS}.`,
  "live feed": "Fused jumper only; hold the insulation.",
  "key off": "Key out and in your pocket before hands go near fan or belt.",
  stands: "On stands, never on the jack alone.",
  fins: "Bent fins cut: gloves, a card over the core.",
  refrigerant: "The air-conditioning lines stay shut; only a licensed person opens them.",
  battery: "Battery off near airbag plugs, then wait as the maker says.",
  "stores a code": "This stores a code of your own: clear it after and write it down.",
  poison: "Coolant poisons animals: catch it, wipe it up.",
};

/** What to read before a test, with the temperature at which a hot one ends whatever was seen. */
export const cautionsOf = ({ hazards, stopC }: Pick<TestKnowledge, "hazards" | "stopC">): string[] => [
  ...hazards.map((hazard) => CAUTIONS[hazard]),
  ...(stopC === undefined
    ? []
    : [`At ${stopC} °C on the engine's own sensor: engine off, hands off the cap, let it stand.`]),
];

/** What to read before a repair. */
export const cautionsOfRepair = ({ hazards }: Pick<RepairKnowledge, "hazards">): string[] =>
  hazards.map((hazard) => CAUTIONS[hazard]);
