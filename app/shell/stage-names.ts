import type { Stage } from "../../core/book/entry/index.ts";

export const STAGE_NAMES: Record<Stage, string> = {
  ask: "Ask",
  find: "Find",
  plan: "Plan",
  strip: "Strip",
  build: "Build",
  fill: "Fill",
  prove: "Prove",
  sign: "Sign",
};
