import { type Entry, onceStanding, type StandingEntry, standing } from "../book/entry/index.ts";
import { BleedStep, factsOf } from "../book/facts/index.ts";
import type { Call } from "../trade/follow-ups/index.ts";
import { findingOf } from "./finding.ts";

export type FanSide = "left" | "right" | "only";

/** What was done to a car, as far as it says what has to be proven and looked at again. */
export interface WorkDone {
  coolant: boolean;
  /** A part or a connection on the fan's side: motor, switch, sensor, relay, module, wiring. */
  fan: boolean;
  /** Fans that went in, or their motors, by their side where the book tells two apart: each may turn the wrong way round. */
  motors: FanSide[];
  calls: Call[];
  /** How many lines of the standing book stand before the last part that went in; what is read before it proves nothing. */
  until: number;
}

const FAN_SIDE =
  /\b(?:fans?|motor|switch|sensor|relay|module|fuse|ground|feed|resistor|clutch|wiring|wire)\b/i;
/** Switches and sensors that no fan goes by. */
const ELSEWHERE = /\b(?:level|oil|pressure|drain|bleed|heater|brake|wheel)\b/i;
/** A fan or its motor by itself; what only goes with one turns nothing round. */
const MOTOR = /\b(?:fan|motor)(?: (?:unit|assembly|pack))?$/i;
const SIDED = /\b(left|right)\b.*\b(?:fans?|motor)\b|\b(?:fans?|motor)\b.*\b(left|right)\b/i;
const isFanSide = (name: string) => FAN_SIDE.test(name) && !ELSEWHERE.test(name);

/** After these the air that is left comes up overnight. */
const BLEEDS_AGAIN = ["electric-pump", "fill-and-recheck"];

function sideOf(name: string): FanSide | undefined {
  const [, before, behind] = SIDED.exec(name) ?? [];
  const side = (before ?? behind)?.toLowerCase();
  return side === "left" || side === "right" ? side : undefined;
}

const nameOf = ({ item, place }: StandingEntry) => `${place ?? ""} ${item ?? ""}`;

/** The sides of the fans that a book has named. */
const sidesNamed = onceStanding(
  (entries) => new Set(standing(entries).map((entry) => sideOf(nameOf(entry)))),
  (added) => sideOf(nameOf(added)) !== undefined,
);

/** The fans that went in. One without a side stands for both where the book has told two apart: a pack has them both. */
function motorsOf(fitted: readonly string[], entries: readonly Entry[]): FanSide[] {
  const motors = fitted.filter((name) => MOTOR.test(name.trim()) && isFanSide(name));
  const known = sidesNamed(entries);
  const both = known.has("left") && known.has("right");
  const sides = new Set(
    motors.flatMap((name): FanSide[] => {
      const side = sideOf(name);
      return side ? [side] : both ? ["left", "right"] : ["only"];
    }),
  );
  return (["left", "right", "only"] as const).filter((side) => sides.has(side));
}

/** What was done by a job's book. */
export function workDone(entries: readonly Entry[]): WorkDone {
  const all = standing(entries);
  const fitted = all.filter(({ account, in: back }) => account === "part" && (back ?? 0) > 0);
  const coolant = all.some(
    ({ account, kind, item }) => account === "coolant" && kind === "movement" && item !== "capacity",
  );
  const finding = findingOf(entries);
  const names = fitted.map(nameOf);
  // A ground that was cleaned leaves no part behind, but something was taken off and put back for it.
  const isMended = all.some(({ account, in: back }) => account && account !== "coolant" && (back ?? 0) > 0);
  const fan = names.some(isFanSide) || (isMended && finding?.kind === "fault" && isFanSide(finding.words));
  const school = factsOf(entries, BleedStep).at(-1)?.fact.school;
  const calls: Call[] = [
    ...(coolant ? (["coolant"] as const) : []),
    ...(fan ? (["fan"] as const) : []),
    ...(school && BLEEDS_AGAIN.includes(school) ? (["second-bleed"] as const) : []),
  ];
  const until = all.findLastIndex(
    ({ account, in: back }) => (account === "part" || account === "hose") && (back ?? 0) > 0,
  );
  return {
    coolant,
    fan,
    motors: motorsOf(names, entries),
    calls,
    until: until + 1,
  };
}
