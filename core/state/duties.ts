import { type Entry, onceStanding, type Stage, standing } from "../book/entry/index.ts";
import {
  BleedSign,
  BleedStep,
  Bypass,
  CoolantLevel,
  factsOf,
  lastFact,
  Task,
  TaskDone,
  tells,
} from "../book/facts/index.ts";
import {
  type BalanceLine,
  balance,
  balanceKey,
  coolantWords,
  levelWords,
  openWords,
  stepsOff,
  stillOut,
  toGet,
  wentInBeyond,
  wrongFits,
} from "../book/out/index.ts";
import { wantedParts } from "../book/parts/index.ts";
import type { System } from "../kernel/units/index.ts";
import { coolantBalance } from "./coolant-balance.ts";
import { drainedUntold } from "./drained-untold.ts";
import { fuseCause } from "./fuse-cause.ts";
import { moveOver } from "./move-over.ts";
import { notWritten } from "./not-written.ts";
import { type ProofRow, type ProvenCar, proofsOf, unproven } from "./proofs.ts";
import { whileApart } from "./while-apart.ts";

/** Something that a job still owes, and what settles it. */
export interface Duty {
  /** What kind of thing is open. */
  about:
    | "counted"
    | "step"
    | "begun"
    | "cause"
    | "check"
    | "to-get"
    | "task"
    | "litres"
    | "part"
    | "bypass"
    | "level"
    | "cold-check"
    | "proof"
    | "move-over"
    | "advice"
    | "not-written";
  /** The stage whose work settles it. */
  stage: Stage;
  words: string;
  settledBy: string;
  /**
   * What a signature asks for it: "balance" and "proof" take a written reason, "word" is named so that nobody signs without
   * knowing.
   */
  asks: "balance" | "proof" | "word";
  line?: BalanceLine;
  proof?: ProofRow;
}

/** What holds the books open. */
export type OpenItem = Duty;

const duty =
  (asks: Duty["asks"]) =>
  (about: Duty["about"], stage: Stage, words: string, settledBy: string): Duty => ({
    about,
    stage,
    words,
    settledBy,
    asks,
  });
const owed = duty("balance");
const named = duty("word");

/** Which line is too much: nothing was out when it says that something went back. */
function beyondWords(entries: readonly Entry[], key: string): string {
  const seqs = wentInBeyond(entries)
    .filter((entry) => balanceKey(entry) === key)
    .map(({ seq }) => seq);
  return `Correct line ${seqs.join(" or ")}: it was not out then.`;
}

/** Out and not back, followed in time; and what went in beyond what ever came out. */
function countedOpen(entries: readonly Entry[]): Duty[] {
  const out = new Map(stillOut(entries).map((line) => [balanceKey(line), line]));
  return balance(entries)
    .filter((line) => line.account !== "coolant")
    .flatMap((line): Duty[] => {
      const open = out.get(balanceKey(line)) ?? (line.open < 0 ? line : undefined);
      if (!open) return [];
      const how = open.open > 0 ? "Put it back and tick it." : beyondWords(entries, balanceKey(line));
      return [{ ...owed("counted", "build", openWords(open), how), line: open }];
    });
}

/** Steps not undone, but for those whose things are open by themselves; what isn't right; tasks nobody did. */
function workOpen(entries: readonly Entry[]): Duty[] {
  const out = new Set(stillOut(entries).map(balanceKey));
  const done = new Set(factsOf(entries, TaskDone).map(({ fact }) => fact.task));
  return [
    ...stepsOff(entries)
      .filter(({ back }) => !(back.takes ?? []).some((each) => out.has(balanceKey(each))))
      .map(({ back }) => owed("step", "build", back.open, `Undo the step: ${back.name}.`)),
    ...wrongFits(entries).map((words) => owed("check", "build", words, "Put it right, then look again.")),
    ...toGet(entries)
      .filter(({ isHere }) => !isHere)
      .map(({ words, because }) => owed("to-get", "build", `${words} to get: ${because}`, "Is here.")),
    ...factsOf(entries, Task)
      .filter(({ entry }) => !done.has(entry.id))
      .map(({ entry }) =>
        owed("task", "build", `to do: ${[entry.item, entry.text].filter(Boolean).join(", ")}`, "Is done."),
      ),
  ];
}

function partsNotChecked(entries: readonly Entry[]): Duty[] {
  return wantedParts(entries)
    .filter(({ checked }) => !checked)
    .map(({ words, refused }) =>
      refused
        ? owed(
            "part",
            "plan",
            `${words} refused: ${refused.because}; another to come`,
            "Choose another in its place.",
          )
        : owed(
            "part",
            "plan",
            `${words} not yet checked out of its box`,
            "Look it over, then accept or refuse it.",
          ),
    );
}

/** What bridges a switch or a hose so that the car gets home is no repair. */
const bypassed = (entries: readonly Entry[]): Duty[] =>
  [...new Map(factsOf(entries, Bypass).map((said) => [said.entry.item ?? "", said])).values()]
    .filter(({ fact }) => fact.does === "on")
    .map(({ entry }) =>
      owed("bypass", "build", `${entry.item} bypassed for now`, `Take it off: bypass off ${entry.item}.`),
    );

/** Bleeding that was begun and that nobody has ended. */
function bleedingBegun(entries: readonly Entry[]): Duty[] {
  const last = lastFact(entries, BleedStep);
  if (!last || last.fact.does === "ends") return [];
  return [
    owed(
      "begun",
      "fill",
      `${last.entry.item ?? "bleeding"} begun and not ended`,
      "Bleed it to the end: the last top-up.",
    ),
  ];
}

/** Cold again after bleeding, at the line or not: the same look, said as a sign that the air is out. */
const coldSigns = (entries: readonly Entry[], since: number) =>
  factsOf(entries, BleedSign)
    .filter(
      ({ fact, entry }) => fact.sign === "cold-level" && fact.verdict !== "not-seen" && entry.order > since,
    )
    .map(({ fact, entry }) => ({ entry, isAtLine: fact.verdict === "pass" }));

/**
 * The last look at the level since the last pour. At the line or above and cold, it is the cold check, said as a level or as
 * the sign of bleeding; anything lower is open with its own words, whoever looked and whenever; after a pour nothing but the
 * cold check will do.
 */
function levelOpen(entries: readonly Entry[]): Duty[] {
  const lastPour = standing(entries).findLast(
    (entry) =>
      entry.kind === "movement" &&
      entry.account === "coolant" &&
      (entry.in ?? 0) > 0 &&
      entry.item !== "capacity",
  );
  const since = factsOf(entries, CoolantLevel).filter(({ entry }) => entry.order > (lastPour?.order ?? 0));
  const last =
    since.findLast(({ fact }) => fact.heat === "cold") ?? since.findLast(({ fact }) => fact.heat !== "hot");
  const sign = coldSigns(entries, lastPour?.order ?? 0).at(-1);
  if (sign && sign.entry.order > (last?.entry.order ?? 0))
    return sign.isAtLine
      ? []
      : [owed("level", "fill", "cold again, and not at the line", "Top up, then look again cold.")];
  const isLow = last && last.fact.level !== "line" && last.fact.level !== "max";
  if (isLow) return [owed("level", "fill", levelWords(last.fact.level), "Top up, then look again cold.")];
  if (!lastPour || last?.fact.heat === "cold") return [];
  return [
    owed("cold-check", "prove", "level and cap not yet checked cold", "Look at it cold, after a night."),
  ];
}

/** Coolant was let out, and no line says how much. */
const untold = (entries: readonly Entry[]): Duty[] => {
  const words = drainedUntold(entries);
  return words ? [owed("litres", "strip", words, "Measure it: drain 5.2 L.")] : [];
};

function litresOpen(entries: readonly Entry[], system: System): Duty[] {
  const { withinTolerance, unaccountedL, isOutUntold } = coolantBalance(entries);
  // What came out isn't known: then nothing follows from what went in.
  if (withinTolerance || isOutUntold) return [];
  const how =
    unaccountedL > 0 ? "Pour it, or say what was spilled." : "Say how much was missing when it came.";
  return [owed("litres", "fill", coolantWords(unaccountedL, system), how)];
}

const openIn: Record<System, (entries: readonly Entry[]) => Duty[]> = {
  metric: onceStanding((entries) => reckonOpen(entries, "metric"), tells),
  us: onceStanding((entries) => reckonOpen(entries, "us"), tells),
};

const reckonOpen = (entries: readonly Entry[], system: System): Duty[] => [
  ...countedOpen(entries),
  ...workOpen(entries),
  ...bypassed(entries),
  ...untold(entries),
  ...litresOpen(entries, system),
  ...bleedingBegun(entries),
  ...partsNotChecked(entries),
  ...levelOpen(entries),
];

/**
 * What holds a job's books open, in words, in the order in which it first moved: counted things not back, steps of the order of
 * work not undone, checks that failed, what broke and is to get, tasks, what is bypassed, coolant over its tolerance, bleeding
 * that was begun, chosen parts nobody has looked at, a level that is too low or not checked cold since the last pour.
 */
export const openItems = (entries: readonly Entry[], system: System = "metric"): OpenItem[] =>
  openIn[system](entries);

/** Whether the books balance; `because` names every open item. A job that doesn't close needs a named person's reason. */
export function mayClose(
  entries: readonly Entry[],
  system: System = "metric",
): { closes: boolean; because: string[] } {
  const because = openItems(entries, system).map((item) => item.words);
  return { closes: because.length === 0, because };
}

/** What still sits on an old part for all that is known, once the new one is out of its box. */
const toMoveOver = (entries: readonly Entry[]): Duty[] =>
  moveOver(entries)
    .filter(({ part, left }) => part.checked && left.length > 0)
    .map(({ part, left }) =>
      named(
        "move-over",
        "build",
        `not said whether moved over to the ${part.words}: ${left.join(", ")}`,
        "Say of each: moved over, new, or none here.",
      ),
    );

/** A fuse blew, and nobody has said what blew it: the new one goes the same way. */
const blownUntold = (entries: readonly Entry[]): Duty[] =>
  fuseCause(entries)?.isAsked
    ? [
        named(
          "cause",
          "find",
          "a fuse blew, and nobody has said what blew it",
          "Measure the draw, look along its wire.",
        ),
      ]
    : [];

/** Advised, and the owner has said neither yes nor no. */
const notAnswered = (entries: readonly Entry[]): Duty[] =>
  whileApart(entries)
    .filter(({ as }) => as === "advised")
    .map(({ what }) =>
      named("advice", "build", `${what} advised: the owner hasn't said`, "Replaced, or declined."),
    );

/**
 * Every duty of a job in one list, with what settles it: what holds the books open, what isn't proven for the work that was
 * done, and what whoever reads the book later will look for. `car` as its card says. Sign, the open list, Today and the report
 * show this list or the part of it that is theirs.
 */
export const dutiesOf = (
  entries: readonly Entry[],
  car: ProvenCar,
  system: System = "metric",
): readonly Duty[] => [
  ...openItems(entries, system),
  ...unproven(proofsOf(entries, car)).map(
    (proof): Duty => ({
      ...duty("proof")(
        "proof",
        "prove",
        `${proof.words}: ${proof.verdict === "fail" ? "failed" : "not seen"}`,
        proof.how,
      ),
      proof,
    }),
  ),
  ...blownUntold(entries),
  ...toMoveOver(entries),
  ...notAnswered(entries),
  ...notWritten(entries).map(({ words, stage }) => named("not-written", stage, words, "Write it down.")),
];
