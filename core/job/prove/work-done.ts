import { BleedStep, factsOf } from "../../facts/index.ts";
import type { Call } from "../../followups/index.ts";
import { type Entry, standing } from "../../ledger/index.ts";
import { findingOf } from "../finding.ts";

/** What was done to a car, as far as it says what has to be proven and looked at again. */
export interface WorkDone {
  coolant: boolean;
  /** A part or a connection on the fan's side: motor, switch, sensor, relay, module, wiring. */
  fan: boolean;
  /** A fan or its motor went in: it may turn the wrong way round. */
  motor: boolean;
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
const isFanSide = (name: string) => FAN_SIDE.test(name) && !ELSEWHERE.test(name);

/** After these the air that is left comes up overnight. */
const BLEEDS_AGAIN = ["electric-pump", "fill-and-recheck"];

/** What was done by a job's book. */
export function workDone(entries: readonly Entry[]): WorkDone {
  const all = standing(entries);
  const fitted = all.filter(({ account, in: back }) => account === "part" && (back ?? 0) > 0);
  const coolant = all.some(
    ({ account, kind, item }) => account === "coolant" && kind === "movement" && item !== "capacity",
  );
  const finding = findingOf(entries);
  const names = fitted.map(({ item, place }) => `${place ?? ""} ${item ?? ""}`);
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
    motor: names.some((name) => MOTOR.test(name.trim()) && isFanSide(name)),
    calls,
    until: until + 1,
  };
}
