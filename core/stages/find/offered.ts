import type { NextAction } from "../../trade/diagnosis/index.ts";
import type { Model } from "../../trade/diagnosis/model/index.ts";

/** Tests that take the switch's, sensor's or fan's plug into the hand. */
const PLUG_OFF = [
  "jumper",
  "jumper-low",
  "jumper-high",
  "ground-command",
  "unplug-sensor",
  "feed-motor",
  "switch-unplug",
];

/** What is looked at in a minute since it lies in the hand already. */
export const inHand = (evidence: readonly { test: string }[]): Record<string, number> =>
  PLUG_OFF.includes(evidence.at(-1)?.test ?? "") ? { plugs: 1 } : {};

/** What is said of the level where somebody has looked: by Ask, or by the test of it since. */
export function levelOf(
  asked: { level?: "line" | "min" | "low" | "empty" },
  evidence: readonly { test: string; outcome: string }[],
): "line" | "low" | undefined {
  const tested = evidence.find(({ test }) => test === "level")?.outcome;
  if (tested) return tested === "line" ? "line" : "low";
  return asked.level && (asked.level === "line" || asked.level === "min" ? "line" : "low");
}

const FAN_RAN = ["runs", "one"];
/** Outcomes that are a fan seen running, by the test that shows it. */
const RAN: Record<string, readonly string[]> = {
  "fan-cold": ["turns"],
  "ac-on": FAN_RAN,
  jumper: FAN_RAN,
  "jumper-low": FAN_RAN,
  "jumper-high": FAN_RAN,
  "manual-trigger": FAN_RAN,
  "ground-command": FAN_RAN,
  "unplug-sensor": FAN_RAN,
  command: FAN_RAN,
  "feed-motor": FAN_RAN,
  "warm-up": ["as-card", "elsewhere", "from-cold", "boils", "one"],
  "motor-draw": ["within", "high"],
  paper: ["through", "against"],
};
/** Asked only of a fan that somebody has seen running. */
const NEEDS_A_RUNNING_FAN = ["paper", "motor-draw"];

/** Tests that make no sense before a fan was seen to run: a dead fan blows no way. */
export function withoutRunningFan(evidence: readonly { test: string; outcome: string }[]): string[] {
  return evidence.some(({ test, outcome }) => RAN[test]?.includes(outcome)) ? [] : NEEDS_A_RUNNING_FAN;
}

/** Bits below which a test can't tell what is left apart; one that asks for the fan once more wants to say more. */
const TELLS_NOTHING = 0.002;
const PROVES_NOTHING_NEW = 0.05;
const ASKS_FOR_THE_FAN = ["ac-on", "ac-unplug", "command", "manual-trigger"];

/** Mean bits that a test tells between what is left: the mutual information of fault and outcome. */
function bitsTold(test: Model["tests"][number], shares: Readonly<Record<string, number>>): number {
  let bits = 0;
  for (const { given } of test.outcomes) {
    const mean = Object.entries(shares).reduce((sum, [id, share]) => sum + share * (given[id] ?? 0), 0);
    for (const [id, share] of Object.entries(shares)) {
      const likely = given[id] ?? 0;
      if (share > 0 && likely > 0 && mean > 0) bits += share * likely * Math.log2(likely / mean);
    }
  }
  return bits;
}

/** The actions without tests that tell nothing of what is left, and with a look first where nothing was done yet. */
export function offered(
  actions: readonly NextAction[],
  model: Model,
  shares: Readonly<Record<string, number>>,
  isFirst: boolean,
): NextAction[] {
  const isWaitedFor = (id: string) => model.repairs.some(({ after }) => after?.includes(id));
  const telling = actions.filter(({ kind, id }) => {
    const test = kind === "test" && model.tests.find((each) => each.id === id);
    const least = ASKS_FOR_THE_FAN.includes(id) ? PROVES_NOTHING_NEW : TELLS_NOTHING;
    return !test || isWaitedFor(id) || bitsTold(test, shares) >= least;
  });
  const look = isFirst ? telling.find(({ id }) => id === "look") : undefined;
  return look ? [look, ...telling.filter((action) => action !== look)] : telling;
}
