import { blewBy, stepBackDrafts } from "../book/acts/index.ts";
import type { Entry } from "../book/entry/index.ts";
import { standing } from "../book/entry/index.ts";
import {
  BleedStep,
  Bypass,
  CheckedPart,
  ChosenPart,
  Complaint,
  CoolantLevel,
  Distance,
  dataOf,
  Finding,
  FitCheck,
  factsOf,
  Got,
  lastFact,
  MovedOver,
  Proof,
  SeenApart,
  Task,
  TaskDone,
} from "../book/facts/index.ts";
import { stepsOff, toGet } from "../book/out/index.ts";
import { wantedParts } from "../book/parts/index.ts";
import { FIT_CHECKS } from "../trade/order/index.ts";
import { coolantBalance } from "./coolant-balance.ts";
import type { Duty } from "./duties.ts";
import { moveOver } from "./move-over.ts";
import { whileApart } from "./while-apart.ts";

type Draft = Partial<Entry>;
const CHECKS = FIT_CHECKS.flatMap(({ checks }) => checks);

/** What somebody books who does what a duty says that settles it. */
const SETTLES: Record<Duty["about"], (duty: Duty, entries: readonly Entry[]) => Draft[]> = {
  counted: ({ line, settledBy }, entries) => {
    if (!line) return [];
    const { account, item, place, open } = line;
    if (open > 0) return [{ kind: "movement", account, item, place, in: open }];
    const wrong = standing(entries).find(({ seq }) => settledBy.includes(`line ${seq}`));
    return wrong ? [{ corrects: wrong.id, kind: "movement" }] : [];
  },
  step: ({ words }, entries) => {
    const off = stepsOff(entries).find(({ back }) => back.open === words);
    return off ? stepBackDrafts(off, [], entries) : [];
  },
  begun: (_, entries) => {
    const last = lastFact(entries, BleedStep);
    if (!last) return [];
    const { school, step } = last.fact;
    return [{ kind: "decision", item: "bleeding", data: dataOf(BleedStep, { school, step, does: "ends" }) }];
  },
  check: ({ words }) => [
    {
      kind: "note",
      data: dataOf(FitCheck, {
        check: CHECKS.find(({ wrong }) => wrong === words)?.id ?? "",
        verdict: "pass",
      }),
    },
  ],
  "to-get": (_, entries) => {
    const first = toGet(entries).find(({ isHere }) => !isHere);
    return first ? [{ kind: "note", data: dataOf(Got, { line: first.entryId }) }] : [];
  },
  task: (_, entries) => {
    const done = new Set(factsOf(entries, TaskDone).map(({ fact }) => fact.task));
    const first = factsOf(entries, Task).find(({ entry }) => !done.has(entry.id));
    return first ? [{ kind: "note", data: dataOf(TaskDone, { task: first.entry.id }) }] : [];
  },
  bypass: ({ words }) => [
    {
      kind: "decision",
      item: words.replace(" bypassed for now", ""),
      data: dataOf(Bypass, { does: "off" }),
    },
  ],
  litres: ({ words }, entries) => {
    if (words.includes("nobody has written how much"))
      return [{ kind: "movement", account: "coolant", item: "drained", out: 2, unit: "L" }];
    const { unaccountedL } = coolantBalance(entries);
    return [
      unaccountedL > 0
        ? { kind: "movement", account: "coolant", item: "poured", in: unaccountedL, unit: "L" }
        : { kind: "movement", account: "coolant", item: "missing", out: -unaccountedL, unit: "L" },
    ];
  },
  cause: () => [blewBy("none-found")],
  part: (_, entries) => {
    const part = wantedParts(entries).find(({ checked }) => !checked);
    if (!part) return [];
    return part.refused
      ? [
          {
            kind: "decision",
            item: part.item,
            ...(part.place ? { place: part.place } : {}),
            data: dataOf(ChosenPart, { grade: "pattern", supplier: "Coldbrook Parts" }),
          },
        ]
      : [{ kind: "decision", data: dataOf(CheckedPart, { part: part.entryId }) }];
  },
  level: () => [atTheLine],
  "cold-check": () => [atTheLine],
  proof: ({ proof }) =>
    proof
      ? [{ kind: "test", stage: "prove", data: dataOf(Proof, { proof: proof.proof, verdict: "pass" }) }]
      : [],
  "move-over": (_, entries) =>
    moveOver(entries)
      .filter(({ part, left }) => part.checked && left.length > 0)
      .slice(0, 1)
      .flatMap(({ part, left }) =>
        left.map((what) => ({
          kind: "note",
          data: dataOf(MovedOver, { part: part.entryId, what, how: "none" }),
        })),
      ),
  advice: (_, entries) => {
    const what = whileApart(entries).find(({ as }) => as === "advised")?.what ?? "";
    return [{ kind: "note", item: what, data: dataOf(SeenApart, { what, as: "declined" }) }];
  },
  "not-written": ({ words, stage }) => {
    if (stage === "ask")
      return [{ kind: "note", stage, item: "complaint", text: "runs hot", data: dataOf(Complaint, {}) }];
    if (stage === "find")
      return [
        {
          kind: "decision",
          stage,
          text: "nothing wrong",
          data: dataOf(Finding, { finding: "nothing-wrong" }),
        },
      ];
    if (words.startsWith("nothing proven")) return [{ ...atTheLine, stage: "prove" }];
    return [
      {
        kind: "reading",
        stage: "sign",
        item: "distance",
        value: 1234,
        unit: "km",
        data: dataOf(Distance, {}),
      },
    ];
  },
};

const atTheLine: Draft = {
  kind: "reading",
  item: "coolant level",
  data: dataOf(CoolantLevel, { level: "line", heat: "cold" }),
};

/** The lines that settle a duty; none where the fixture knows no way. */
export const settled = (duty: Duty, entries: readonly Entry[]): Draft[] => SETTLES[duty.about](duty, entries);
